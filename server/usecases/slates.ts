import type { Kysely } from 'kysely'
import { withoutAnswers, type Edition } from '../../core/board/edition'
import type { BalanceKey } from '../../core/board/key'
import { balanceSteps } from '../../core/keys/balanceSteps'
import { feedbackOn, feedbackShows, type Feedback } from '../../core/keys/feedback'
import { markSlate, withDecisions } from '../../core/keys/mark'
import { canHandBack, canHandIn, marginShows, type SlateStatus } from '../../core/slate/status'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { announce } from '../sync/channel'
import { loadStates } from '../sync/loadState'
import { marginOf, reviewOf } from './review'

const STEPS_FOR_UNDO = 200

/** A slate as its reader may see it: the holder without answers and with the margin only once it is handed back. */
export async function viewSlate(services: Services, id: string, reader: 'owner' | 'holder') {
  const { db, engine } = services
  return db.transaction().setIsolationLevel('repeatable read').execute(async (trx) => {
    const row = await trx.selectFrom('slates').innerJoin('handouts', 'handouts.id', 'slates.handout_id').innerJoin('students', 'students.id', 'slates.student_id')
      .select(['slates.id', 'slates.status', 'slates.handout_id as handout', 'handouts.edition_hash as edition', 'students.name'])
      .where('slates.id', '=', id).executeTakeFirstOrThrow()
    const edition = await engine.editions.get(trx, row.edition)
    const { number, state } = (await loadStates(trx, [{ id, edition }])).get(id)!
    const shows = reader === 'owner' || marginShows(row.status)
    return {
      ...row, number, state, keyed: edition.board.keys.length > 0,
      board: reader === 'owner' ? edition.board : withoutAnswers(edition.board),
      steps: reader === 'holder' ? await stepsOf(trx, id) : [],
      balanced: reader === 'owner' ? await balancedOn(trx, id, edition) : [],
      margin: shows ? await marginOf(trx, id) : [],
      review: shows ? await reviewOf(trx, id) : null,
    }
  })
}

/** What the key says of a student's own work as it is now, as far as the board lets students know. */
export async function feedbackFor({ db, engine }: Services, id: string): Promise<Result<Feedback[], SlateStatus>> {
  const row = await db.selectFrom('slates').innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select(['slates.status', 'handouts.edition_hash']).where('slates.id', '=', id).executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, row.edition_hash)
  if (!feedbackShows(edition.board.feedback, edition.board.keys.length > 0, row.status)) return refuse(row.status)
  const { state } = (await loadStates(db, [{ id, edition }])).get(id)!
  const { decisions } = row.status === 'handed-back' ? await reviewOf(db, id) : { decisions: {} }
  return ok(feedbackOn(withDecisions(markSlate(state, edition), decisions)))
}

/** The true equations that a student reached on each balance with an unknown, in the order of the keys. */
async function balancedOn(db: Kysely<Database>, slate: string, edition: Edition) {
  const keys = edition.board.keys.filter(key => key.kind === 'balance' && key.unknown !== undefined) as BalanceKey[]
  if (keys.length === 0) return []
  const moves = await db.selectFrom('moves').select('move').where('slate_id', '=', slate).orderBy('number').execute()
  return keys.map(key => ({ key: key.id, steps: balanceSteps(key, moves.map(m => m.move), edition) }))
}

async function stepsOf(db: Kysely<Database>, slate: string) {
  const rows = await db.selectFrom('moves').select(['id', 'inverse', 'undoes']).where('slate_id', '=', slate)
    .orderBy('number', 'desc').limit(STEPS_FOR_UNDO).execute()
  return rows.reverse().map(row => ({ ...row, undoes: row.undoes ?? undefined }))
}

export async function markOpened({ db }: Services, id: string): Promise<void> {
  const opened = await db.updateTable('slates').set({ status: 'under-way', opened_at: new Date() })
    .where('id', '=', id).where('status', '=', 'not-opened').returning(['handout_id']).executeTakeFirst()
  if (opened) await announce(db, [{ what: 'status', slate: id, handout: opened.handout_id, status: 'under-way' }])
}

export const handIn = (services: Services, id: string) => changeStatus(services, id, 'handed-in', canHandIn, { handed_in_at: new Date() })
export const handBack = (services: Services, id: string) => changeStatus(services, id, 'handed-back', canHandBack, { handed_back_at: new Date() })

/** The row lock sets this in one order with the moves: what came before it counts, what comes after is refused. */
async function changeStatus(
  { db }: Services, id: string, to: SlateStatus, allowed: (from: SlateStatus) => boolean,
  at: { handed_in_at: Date } | { handed_back_at: Date },
): Promise<Result<SlateStatus, SlateStatus>> {
  return db.transaction().execute(async (trx) => {
    const { status, handout_id } = await trx.selectFrom('slates').select(['status', 'handout_id']).where('id', '=', id).forUpdate().executeTakeFirstOrThrow()
    if (!allowed(status)) return refuse(status)
    await trx.updateTable('slates').set({ status: to, ...at }).where('id', '=', id).execute()
    await announce(trx, [{ what: 'status', slate: id, handout: handout_id, status: to }])
    return ok(to)
  })
}

export async function deskOf({ db, engine }: Services, student: string) {
  const rows = await db.selectFrom('slates').innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select(['slates.id', 'slates.status', 'slates.handout_id as handout', 'handouts.edition_hash', 'handouts.created_at'])
    .where('slates.student_id', '=', student).orderBy('handouts.created_at', 'desc').execute()
  return Promise.all(rows.map(async ({ edition_hash, created_at, ...row }) => {
    const { board } = await engine.editions.get(db, edition_hash)
    return { ...row, title: board.title, at: created_at.toISOString(), picture: withoutAnswers({ ...board, pages: board.pages.slice(0, 1) }) }
  }))
}
