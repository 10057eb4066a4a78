import { fork } from 'node:child_process'
import { once } from 'node:events'
import pg from 'pg'
import WebSocket from 'ws'
import type { Application } from '../application'
import { shore } from '../boards'
import { Client } from '../client'
import { makeLesson } from '../e2e/lesson'
import { ms, quantile, type Line } from './measure'

const SLATES = 200
const EACH = 12
const EVERY_MS = 500

type Send = (i: number) => Promise<void>

/** Every client sends once in each interval, spread over it; the time from sending to the answer, for each. */
async function load(send: readonly Send[]): Promise<number[]> {
  const taken: number[] = []
  await Promise.all(send.map(async (go, client) => {
    await new Promise(resolve => setTimeout(resolve, client / send.length * EVERY_MS))
    for (let i = 0; i < EACH; i++) {
      const start = performance.now()
      await go(i)
      const rest = EVERY_MS - (performance.now() - start)
      taken.push(performance.now() - start)
      if (rest > 0) await new Promise(resolve => setTimeout(resolve, rest))
    }
  }))
  return taken
}

async function echo(): Promise<number[]> {
  const child = fork(new URL('./echo.mjs', import.meta.url), { execArgv: [] })
  const [port] = await once(child, 'message') as [number]
  const sockets = await Promise.all(Array.from({ length: SLATES }, async () => {
    const socket = new WebSocket(`ws://127.0.0.1:${port}`)
    await once(socket, 'open')
    return socket
  }))
  const message = JSON.stringify({ say: 'moves', slate: '0'.repeat(36), moves: [{ id: 'x'.repeat(21), move: { kind: 'put', piece: 'c0', x: 100, y: 100 } }] })
  const taken = await load(sockets.map(socket => async () => {
    const answer = once(socket, 'message')
    socket.send(message)
    await answer
  }))
  sockets.forEach(s => s.close())
  child.kill()
  return taken
}

async function insert(url: string): Promise<number[]> {
  const pool = new pg.Pool({ connectionString: url, max: 12 })
  await pool.query('create table bare (slate uuid, number int, id text, move jsonb, primary key (slate, number))')
  const id = crypto.randomUUID()
  let number = 0
  const taken = await load(Array.from({ length: SLATES }, () => async () => {
    await pool.query('insert into bare values ($1, $2, $3, $4)', [id, ++number, 'x'.repeat(21), '{"kind":"put","piece":"c0","x":100,"y":100}'])
  }))
  await pool.query('drop table bare')
  await pool.end()
  return taken
}

async function moves(application: Application): Promise<number[]> {
  const names = Array.from({ length: SLATES }, (_, i) => `Student ${String.fromCharCode(65 + i % 26)}${String.fromCharCode(65 + Math.floor(i / 26))}`)
  const lesson = await makeLesson(application.address, names, shore())
  const students = await Promise.all(lesson.students.map(async (student) => {
    const client = new Client(application.address)
    await client.enter(lesson.code, student.id, student.pictures)
    const socket = await client.socket()
    const slate = lesson.slates.find(s => s.name === student.name)!.id
    socket.say({ say: 'open', slate, since: 0 })
    await socket.hear(m => m.say === 'slate')
    return { socket, slate }
  }))
  const taken = await load(students.map(({ socket, slate }) => async (i) => {
    const id = `${slate.slice(0, 18)}${i}`
    socket.say({ say: 'moves', slate, moves: [{ id, move: { kind: 'put', piece: 'c0', x: 100 + i, y: 100 } }] })
    await socket.hear(m => m.say === 'moves' && m.moves.some(move => move.id === id))
  }))
  students.forEach(({ socket }) => socket.close())
  return taken
}

/** A move's way to the server, into the database and back, with 200 slates at two moves a second each. */
export async function roundTrip(application: Application, url: string): Promise<Line[]> {
  const [bareEcho, bareInsert, whole] = [await echo(), await insert(url), await moves(application)]
  return ([['median', 0.5], ['95th percentile', 0.95]] as const).map(([name, share]) => {
    const floor = quantile(bareEcho, share) + quantile(bareInsert, share)
    const measured = quantile(whole, share)
    return {
      what: `a move's round trip, ${SLATES} slates at 2 moves a second, ${name}`, measured: ms(measured),
      floor: `socket echo ${ms(quantile(bareEcho, share))} + insert ${ms(quantile(bareInsert, share))}`, ratio: measured / floor,
    }
  })
}
