import { fork, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import pg from 'pg'
import WebSocket from 'ws'
import type { Application } from '../application'
import { ms, quantile, type Line } from './measure'
import { allAtWork, lessonsOf, moves, stored, type Working } from './students'

const EACH = 12
const EVERY_MS = 500
export const ROUNDS = 3
const SATURATED_MS = 4000
const MOVES_A_MESSAGE = 10
const SATURATING = 200

type Send = () => Promise<unknown>

/** Every client sends once in each interval, spread over it; the time from sending to the answer, for each. */
export async function load(send: readonly Send[]): Promise<number[]> {
  const taken: number[] = []
  await Promise.all(
    send.map(async (go, client) => {
      await new Promise(resolve => setTimeout(resolve, (client / send.length) * EVERY_MS))
      for (let i = 0; i < EACH; i++) {
        const start = performance.now()
        await go()
        taken.push(performance.now() - start)
        const rest = EVERY_MS - (performance.now() - start)
        if (rest > 0) await new Promise(resolve => setTimeout(resolve, rest))
      }
    }),
  )
  return taken
}

/** Sockets of a bare server in a process of its own; with a database it stores what it gets. */
async function bareSockets(
  count: number,
  database?: string,
): Promise<{ sockets: WebSocket[]; child: ChildProcess; stop: () => void }> {
  const child = fork(new URL('./bareServer.mjs', import.meta.url), {
    execArgv: [],
    env: { ...process.env, ...(database && { DATABASE: database }) },
  })
  const [port] = (await once(child, 'message')) as [number]
  const sockets = await Promise.all(
    Array.from({ length: count }, async () => {
      const socket = new WebSocket(`ws://127.0.0.1:${port}`)
      await once(socket, 'open')
      return socket
    }),
  )
  return {
    sockets,
    child,
    stop: () => {
      sockets.forEach(s => s.close())
      child.kill()
    },
  }
}
async function echoed(socket: WebSocket, count = 1): Promise<void> {
  const answer = once(socket, 'message')
  socket.send(JSON.stringify(moves('00000000-0000-4000-8000-000000000001', count).message))
  await answer
}

export async function echo(slates: number): Promise<number[]> {
  const { sockets, stop } = await bareSockets(slates)
  const taken = await load(sockets.map(socket => () => echoed(socket)))
  stop()
  return taken
}

export async function insert(url: string, slates: number): Promise<number[]> {
  const pool = new pg.Pool({ connectionString: url, max: 12 })
  await pool.query(
    'create table if not exists bare (slate uuid, number int, id text, move jsonb, primary key (slate, number)); truncate bare',
  )
  const id = crypto.randomUUID()
  let number = 0
  const taken = await load(
    Array.from(
      { length: slates },
      () => () =>
        pool.query({
          name: 'bare',
          text: 'insert into bare values ($1, $2, $3, $4)',
          values: [id, ++number, 'x'.repeat(21), '{"kind":"put","piece":"c0","x":100,"y":100}'],
        }),
    ),
  )
  await pool.end()
  return taken
}

/** The middle of several rounds, for each share. */
export const middle = (rounds: readonly number[][], share: number) =>
  quantile(
    rounds.map(taken => quantile(taken, share)),
    0.5,
  )

/** A move's way to the server, into the database and back, at two moves a second for each slate. */
async function roundTrips(working: readonly Working[], url: string, slates: number): Promise<Line[]> {
  const [echoes, inserts, whole]: number[][][] = [[], [], []]
  for (let i = 0; i < ROUNDS; i++) {
    echoes!.push(await echo(slates))
    inserts!.push(await insert(url, slates))
    whole!.push(await load(working.slice(0, slates).map(one => () => stored(one))))
  }
  return (
    [
      ['median', 0.5],
      ['95th percentile', 0.95],
    ] as const
  ).map(([name, share]) => {
    const [socket, row, measured] = [middle(echoes!, share), middle(inserts!, share), middle(whole!, share)]
    return {
      what: `a move's round trip, ${slates} slates at 2 moves a second, ${name} (middle of ${ROUNDS} rounds)`,
      measured: ms(measured),
      floor: `socket echo ${ms(socket)} + insert ${ms(row)}`,
      ratio: measured / (socket + row),
    }
  })
}

/** Moves a second when every client sends its next message as soon as the last is stored. */
async function saturated(send: readonly Send[]): Promise<number> {
  let [count, over] = [0, false]
  const start = performance.now()
  const timer = setTimeout(() => (over = true), SATURATED_MS)
  await Promise.all(
    send.map(async go => {
      while (!over) {
        await go()
        count += MOVES_A_MESSAGE
      }
    }),
  )
  clearTimeout(timer)
  return (count / (performance.now() - start)) * 1000
}

/** `comeTo` lets the students come in at these addresses in turn; nobody else is there while they are measured. */
async function saturation(comeTo: (through: 'one' | 'both') => Promise<Working[]>, url: string): Promise<Line[]> {
  const pool = new pg.Pool({ connectionString: url, max: 1 })
  await pool.query(
    'create table if not exists bare_moves (number bigint generated always as identity primary key, slate uuid, id text, move jsonb)',
  )
  await pool.end()
  const floors: number[] = []
  const ones: number[] = []
  const twos: number[] = []
  for (let i = 0; i < ROUNDS; i++) {
    const { sockets, stop } = await bareSockets(SATURATING, url)
    floors.push(await saturated(sockets.map(socket => () => echoed(socket, MOVES_A_MESSAGE))))
    stop()
    for (const [through, all] of [
      ['one', ones],
      ['both', twos],
    ] as const) {
      const working = await comeTo(through)
      all.push(await saturated(working.map(one => () => stored(one, MOVES_A_MESSAGE))))
      for (const { close } of working) close()
    }
  }
  const [floor, one, two] = [floors, ones, twos].map(all => quantile(all, 0.5)) as [number, number, number]
  const a = (n: number) => `${Math.round(n)} moves/s`
  return [
    {
      what: `moves stored at saturation, ${SATURATING} slates, messages of ${MOVES_A_MESSAGE}`,
      measured: a(one),
      floor: `bare sockets and bare inserts in such batches ${a(floor)}`,
      ratio: one / floor,
    },
    {
      what: 'the same through two processes (two cores for both, the database and the driver)',
      measured: a(two),
      floor: `through one ${a(one)}`,
      ratio: two / one,
    },
  ]
}

const SIZES = [200, 1000] as const

export async function underLoad(application: Application, second: Application, url: string): Promise<Line[]> {
  const lessons = await lessonsOf(application.address, Math.max(...SIZES))
  const working = await allAtWork(lessons, [application.address])
  const lines: Line[] = []
  // Once before it counts: programs are compiled as they run, and tables are looked through.
  await load(working.map(one => () => stored(one)))
  for (const slates of SIZES) lines.push(...(await roundTrips(working, url, slates)))
  for (const { close } of working) close()
  const comeTo = (through: 'one' | 'both') =>
    allAtWork(lessons.slice(0, 1), through === 'one' ? [application.address] : [application.address, second.address])
  lines.push(...(await saturation(comeTo, url)))
  return lines
}
