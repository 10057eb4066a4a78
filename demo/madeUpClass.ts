/**
 * A made-up class at work on the running demo, so that one person can see the walk-round alive: `bin/class` while
 * `bin/demo` runs. ADDRESS names another address, SPEED how many times as fast they work, SEED another lesson.
 */
import { nanoid } from 'nanoid'
import type { Board } from '../core/board/board'
import { makeEdition } from '../core/board/edition'
import { seeded } from '../core/layout/random'
import type { Actor } from '../core/slate/actor'
import type { Openness } from '../core/slate/status'
import type { SlateState } from '../core/slate/state'
import { LiveSession } from '../core/sync/liveSession'
import { emptyReplica, receiveWhole } from '../core/sync/replica'
import type { ServerMessage } from '../core/sync/messages'
import { HOLD_ON } from './boards'
import { Client } from './client'
import { MadeUpStudent, temperamentOf } from './madeUpStudent'
import { CLASSES, demoPictures, TEACHER } from './school'
import { knowTexts } from '../core/slate/withTexts'

const address = process.env.ADDRESS ?? `http://127.0.0.1:${process.env.PORT ?? 3000}`
const speed = Math.max(0.1, Number(process.env.SPEED ?? 1) || 1)
const seed = Number(process.env.SEED ?? 1) || 1
const [YEAR] = CLASSES

interface Walk {
  edition: string
  boards: Record<string, Board>
  slates: { id: string; name: string; status: string; members: { student: string; name: string }[] }[]
}

async function openLesson() {
  const teacher = new Client(address)
  await teacher.must('POST', '/api/session', { email: TEACHER.email, password: TEACHER.password })
  const handouts = await teacher.must<{ id: string; title: string; className: string; givenAt: string | null }[]>(
    'GET',
    '/api/handouts',
  )
  const handout = handouts.find(one => one.title === HOLD_ON.title && one.className === YEAR.name && one.givenAt)
  if (!handout) throw new Error(`“${HOLD_ON.title}” is not given out to ${YEAR.name}.`)
  return { handout: handout.id, walk: await teacher.must<Walk>('GET', `/api/handouts/${handout.id}`) }
}

/** One student at one made-up tablet: what is made goes the way of every student's moves. */
async function work(slate: Walk['slates'][number], key: Board, index: number): Promise<void> {
  const [member] = slate.members
  if (!member) return
  const client = new Client(address)
  await client.enter(YEAR.code, member.student, demoPictures(member.name))
  const view = await client.must<{
    board: Board
    edition: string
    actor: Actor
    reader: string
    number: number
    state: SlateState
    openness: Openness
  }>('GET', `/api/slates/${slate.id}`)
  const edition = makeEdition(view.board)
  const live = new LiveSession({
    connect(on) {
      const socket = client.bareSocket()
      socket.on('open', on.opened)
      socket.on('message', data => on.message(JSON.parse(String(data)) as ServerMessage))
      socket.on('close', () => process.exit(0))
      socket.on('error', error => say(error.message))
      return {
        send: message => (socket.readyState === socket.OPEN ? (socket.send(JSON.stringify(message)), true) : false),
        renew: () => {},
        close: () => socket.close(),
      }
    },
    after(milliseconds, then) {
      const timer = setTimeout(then, milliseconds)
      return () => clearTimeout(timer)
    },
    learn: async () => knowTexts(),
    newId: () => nanoid(),
    store: { keep: async () => {}, of: async () => [], forget: async () => {}, setAside: async () => {} },
  })
  const { actor } = view
  const replica = receiveWhole({ replica: emptyReplica, number: view.number, state: view.state, edition, actor })
  const session = live.work(
    {
      slate: slate.id,
      edition,
      editionHash: view.edition,
      actor,
      reader: view.reader,
      replica,
      steps: [],
      openness: view.openness,
    },
    { changed: () => {}, outdated: () => live.stop(), about: () => {} },
  )
  const student = new MadeUpStudent(makeEdition(key), temperamentOf(index), seeded(seed * 1000 + index))
  for (;;) {
    const { after, does } = student.next(session.replica.shown)
    await new Promise(resolve => setTimeout(resolve, (after * 1000) / speed))
    // With pencils down nothing can be made; they wait like everybody.
    if (does.kind === 'move') session.make(does.move)
    else if (does.kind === 'ask-for-help') await client.ask('PUT', `/api/slates/${slate.id}/hand`, { up: true })
  }
}

const say = (words: string) => console.log(words)

const { handout, walk } = await openLesson().catch((error: Error) => {
  console.error(
    `The demo can't be reached at ${address}, or has no such lesson: ${error.message} Start bin/demo first.`,
  )
  process.exit(1)
})
const atWork = walk.slates.filter(slate => slate.status === 'under-way' || slate.status === 'not-opened')
say(`A made-up class: ${atWork.length} students who are no people work on “${HOLD_ON.title}” by themselves.`)
say(`Watch them as the teacher (${TEACHER.email}, password: ${TEACHER.password}):`)
say(`  ${address}/handout/${handout}`)
say('Stop it with Ctrl C.')
await Promise.all(atWork.map((slate, i) => work(slate, walk.boards[walk.edition]!, i)))
