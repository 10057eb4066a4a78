import { makeEdition } from '../../core/board/edition'
import type { Envelope, ServerMessage } from '../../core/sync/messages'
import { emptyReplica, receiveWhole } from '../../core/sync/replica'
import { SlateSession } from '../../core/sync/slateSession'
import type { Board } from '../../core/board/board'
import type { Actor } from '../../core/slate/actor'
import type { HistoryStep } from '../../core/slate/history'
import type { SlateState } from '../../core/slate/state'
import type { Openness } from '../../core/slate/status'
import { pieceId } from '../boards'
import { Client } from '../../demo/client'
import type { Student, Lesson } from '../e2e/lesson'
import { knowTexts } from '../../core/slate/withTexts'

const RECONNECT_MS = 150

/** What the application answers when a slate is asked for. */
interface SlateView {
  board: Board
  edition: string
  actor: Actor
  reader: string
  steps: HistoryStep[]
  openness: Openness
  number: number
  state: SlateState
}

export interface AtWork {
  readonly slate: string
  /** The ids of all moves made, in order. */
  readonly made: readonly string[]
  readonly work: () => void
  readonly unsent: () => number
  readonly stop: () => void
}

/** A student with the application's own session, a store in memory, and a connection that comes back by itself. */
export async function comeToWork(address: string, lesson: Lesson, student: Student, seed: number): Promise<AtWork> {
  const client = new Client(address)
  await client.enter(lesson.code, student.id, student.pictures)
  const slate = lesson.slates.find(s => s.name === student.name)!.id
  const view = await client.must<SlateView>('GET', `/api/slates/${slate}`)
  const edition = makeEdition(view.board)
  const made: string[] = []
  const kept: Envelope[] = []
  let socket: ReturnType<Client['bareSocket']> | undefined
  let [stopped, count] = [false, 0]

  const session = new SlateSession(
    {
      slate,
      edition,
      editionHash: view.edition,
      actor: view.actor,
      reader: view.reader,
      steps: view.steps,
      openness: view.openness,
      replica: receiveWhole({
        replica: emptyReplica,
        number: view.number,
        state: view.state,
        edition,
        actor: view.actor,
      }),
    },
    {
      send(message) {
        if (socket?.readyState !== socket?.OPEN) return false
        socket!.send(JSON.stringify(message))
        return true
      },
      renew: () => socket?.terminate(),
      after(milliseconds, then) {
        const timer = setTimeout(then, milliseconds / 4)
        return () => clearTimeout(timer)
      },
      newId: () => `${slate.slice(0, 13)}-${made.length}`,
      learn: async () => knowTexts(),
      store: {
        keep: async (_, envelopes) => void kept.push(...envelopes),
        of: async () => kept,
        forget: async () => {},
        setAside: async (_, envelope, code) => {
          throw new Error(`${envelope.id} was set aside: ${code}`)
        },
      },
      changed: () => {},
      about: () => {},
      outdated: () => {
        throw new Error('nobody has changed the board')
      },
    },
  )

  function connect(): void {
    if (stopped) return
    const next = client.bareSocket()
    socket = next
    next.on('open', () => session.connected())
    next.on('message', data => session.hear(JSON.parse(String(data)) as ServerMessage))
    next.on('error', () => {})
    next.on('close', () => void setTimeout(connect, RECONNECT_MS))
  }
  connect()
  return {
    slate,
    made,
    work() {
      const id = `${slate.slice(0, 13)}-${made.length}`
      if (session.make({ kind: 'put', piece: pieceId(`c${(seed + count++) % 6}`), x: 10 + (count % 900), y: 100 }))
        made.push(id)
    },
    unsent: () => session.unsent,
    stop() {
      stopped = true
      session.stop()
      socket?.terminate()
    },
  }
}
