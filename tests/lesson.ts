import type { Envelope, SentEnvelope, ServerMessage } from '../core/sync/messages'
import type { Board } from '../core/board/board'
import { loadStates } from '../server/database/loadState'
import { postgresWire } from '../server/news/postgres'
import type { NewsWire } from '../server/news/wire'
import { OutcomeStore } from '../server/marking/outcomes'
import type { Actor } from '../server/rights/actor'
import { holdToMove } from '../server/rights/hold'
import type { Connection } from '../server/database/connect'
import { connect } from '../server/database/connect'
import type { Reply } from '../server/sync/commit'
import { Engine } from '../server/sync/engine'
import type { Listener } from '../server/sync/hub'
import { makeFrame } from '../server/usecases/giveOut'
import { addMember } from '../server/usecases/members'
import { pieceId } from './boards'
import { migratedDatabase } from './database'
import { markHere } from './markHere'
import { makeSchool, type School } from './school'

/** One school, and the engines of two processes on its database. */
export interface TwoProcesses {
  readonly connection: Connection
  readonly engines: readonly [Engine, Engine]
  readonly school: School
  readonly as: (student: string) => Actor
  readonly owner: Actor
  readonly submit: (slate: string, who: Actor, envelopes: readonly SentEnvelope[], engine?: Engine) => Promise<Reply>
  readonly stateOf: (
    slate: string,
  ) => Promise<{ number: number; state: import('../core/slate/state').SlateState } | null>
  readonly services: { db: Connection['db']; wire: NewsWire; engine: Engine; outcomes: OutcomeStore }
  readonly close: () => Promise<void>
}

export async function twoProcesses(
  board: Board,
  students: number,
  wireFor: (url: string) => NewsWire = postgresWire,
): Promise<TwoProcesses> {
  const connection = await migratedDatabase()
  const second = connect(connection.url)
  const school = await makeSchool(connection.db, board, students)
  const engines = [new Engine(connection, wireFor(connection.url)), new Engine(second, wireFor(second.url))] as const
  await Promise.all(engines.map(e => e.start()))
  return {
    connection,
    engines,
    school,
    as: student => ({
      kind: 'student',
      id: student,
      classId: school.classId,
      name: '',
      session: `session of ${student}`,
    }),
    owner: { kind: 'teacher', id: school.teacher, name: 'T. Est', session: 'session of the teacher' },
    submit: async (slate, who, envelopes, engine = engines[0]) =>
      engine.submit({ slate, who, hold: await holdToMove(connection.db, who, slate), envelopes }),
    async stateOf(slate) {
      const row = await connection.db
        .selectFrom('slates')
        .select(['edition_hash', 'last_number'])
        .where('id', '=', slate)
        .executeTakeFirstOrThrow()
      return (
        (
          await loadStates(connection.db, engines[0].editions, [
            { id: slate, edition: row.edition_hash, last: row.last_number },
          ])
        ).get(slate) ?? null
      )
    },
    services: {
      db: connection.db,
      wire: engines[0].wire,
      engine: engines[0],
      outcomes: new OutcomeStore(connection.db, engines[0].editions, markHere()),
    },
    async close() {
      await Promise.all(engines.map(e => e.stop()))
      await second.close()
      await connection.close()
    },
  }
}

let made = 0
export const put = (piece: string, x: number): Envelope => ({
  id: `move-${made++}-xxxx`,
  move: { kind: 'put', piece: pieceId(piece), x, y: 100 },
})
/** What became of each move: its number, or why not. */
export const said = (reply: Reply) => reply.outcomes.map(o => (o.ok ? o.move.number : o.code))

export function listener(
  id: string,
  session = '00000000-0000-4000-8000-00000000000f',
): Listener & { heard: ServerMessage[]; asked: object[]; over: boolean } {
  const heard: ServerMessage[] = []
  const asked: object[] = []
  const made = {
    id,
    session,
    heard,
    asked,
    over: false,
    open: () => [],
    tell: (message: ServerMessage) => void heard.push(message),
    askAgain: (about: object) => void asked.push(about),
    ended: () => {
      made.over = true
    },
  }
  return made
}

export async function until(condition: () => boolean): Promise<void> {
  while (!condition()) await new Promise(resolve => setTimeout(resolve, 5))
}

/** A frame of these students, in their order, each with a part or none. */
export async function frameWith(
  two: TwoProcesses,
  members: readonly { student: string; part?: number | null }[],
): Promise<{ frame: string; people: Actor[] }> {
  const frame = await makeFrame(two.connection.db, two.school.handout, 'Oak')
  for (const { student, part = null } of members) {
    const added = await addMember(two.services, frame, student, part)
    if (!added.ok) throw new Error(added.reason)
  }
  return { frame, people: members.map(({ student }) => two.as(student)) }
}

/** More students on the class's list, without a slate of the handout. */
export async function moreStudents(two: TwoProcesses, count: number): Promise<string[]> {
  const { rows } = await two.connection.pool.query<{ id: string }>(
    `insert into students (class_id, name, picture_password)
    select $1, 'Free ' || i + (select count(*) from students), array['sun', 'cat', 'key'] from generate_series(1, $2) i returning id`,
    [two.school.classId, count],
  )
  return rows.map(row => row.id)
}
