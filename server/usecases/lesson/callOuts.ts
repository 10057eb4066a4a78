import type { Kysely, Transaction } from 'kysely'
import { builder, readCall, type CallRefusal } from '../../../core/lesson/callOut'
import { ok, refuse, type Result } from '../../../core/result'
import type { Author } from '../../../core/slate/actor'
import { loadStates } from '../../database/loadState'
import type { Database } from '../../database/tables'
import type { Actor } from '../../rights/actor'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'

type Db = Kysely<Database>
const TEACHER: Author = 'teacher:0'
type Lesson = Pick<Services, 'db' | 'wire' | 'engine'>

/** A target as whoever works on a slate sees it. */
export interface CallOut {
  readonly id: string
  readonly number: number
  readonly page: number
  readonly target: string
  /** Milliseconds since it was called. */
  readonly since: number
}

/** What is called now; null while nothing is. */
export async function callOutOf(db: Db, handout: string, now = new Date()): Promise<CallOut | null> {
  const row = await db
    .selectFrom('callouts')
    .select(['id', 'number', 'page', 'target', 'called_at'])
    .where('handout_id', '=', handout)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (!row) return null
  const { called_at, ...call } = row
  return { ...call, since: Math.max(0, now.getTime() - called_at.getTime()) }
}

/**
 * Calls a target: what was called before is over and what was built for it is kept; the pieces of everybody go back.
 * Refused, before anything is changed, where the board's pieces can't make it.
 */
export async function callOut(
  services: Lesson,
  { handout, who, target, page }: { handout: string; who: Actor; target: string; page: number },
): Promise<Result<CallOut, CallRefusal>> {
  const { db, engine } = services
  const { edition_hash } = await db
    .selectFrom('handouts')
    .select('edition_hash')
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  const { board } = await engine.editions.get(db, edition_hash)
  const on = board.pages[page]
  if (!on) return refuse('nothing-to-build-with')
  const meant = readCall(target, on, board.language)
  if (!meant.ok) return meant
  await withNews(services, async (trx, news) => {
    await endCurrent(trx, engine, handout)
    const { last } = await trx
      .selectFrom('callouts')
      .select(eb => eb.fn.max('number').as('last'))
      .where('handout_id', '=', handout)
      .executeTakeFirstOrThrow()
    await trx
      .insertInto('callouts')
      .values({ handout_id: handout, number: (last ?? 0) + 1, page, target })
      .execute()
    news.push({ scope: 'handout', handout, changed: 'lesson' })
  })
  // Each slate in its own order with its moves; one that is held or handed in keeps nobody waiting. What students have
  // made themselves, notes say, stays.
  const slates = await db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .where('status', '=', 'under-way')
    .execute()
  const leads = { who, author: TEACHER }
  await Promise.all(slates.map(({ id }) => engine.lead(id, leads, [{ kind: 'start-again', by: TEACHER }])))
  return ok((await callOutOf(db, handout))!)
}

/** Nothing is called any more; what was built is kept. */
export const endCallOut = (services: Lesson, handout: string): Promise<void> =>
  withNews(services, async (trx, news) => {
    await endCurrent(trx, services.engine, handout)
    news.push({ scope: 'handout', handout, changed: 'lesson' })
  })

/** Under the handout's lock, so that two teachers who call at once call one after the other. */
async function endCurrent(trx: Transaction<Database>, engine: Services['engine'], handout: string): Promise<void> {
  await trx.selectFrom('handouts').select('id').where('id', '=', handout).forUpdate().executeTakeFirstOrThrow()
  const call = await trx
    .selectFrom('callouts')
    .select(['id', 'page', 'target', 'called_at'])
    .where('handout_id', '=', handout)
    .where('ended_at', 'is', null)
    .executeTakeFirst()
  if (!call) return
  const slates = await trx
    .selectFrom('slates')
    .select(['id', 'edition_hash', 'last_number', 'moved_at'])
    .where('handout_id', '=', handout)
    .where('status', '<>', 'not-opened')
    .execute()
  const states = await loadStates(
    trx,
    engine.editions,
    slates.map(slate => ({ id: slate.id, edition: slate.edition_hash, last: slate.last_number })),
  )
  const built = builder(call.target, call.page)
  const rows = await Promise.all(
    slates.map(async slate => {
      const loaded = states.get(slate.id)
      const edition = await engine.editions.get(trx, slate.edition_hash)
      const made = loaded && built(loaded.state, edition)
      if (!loaded || !made) return []
      const { is, way } = made
      const after = slate.moved_at && Math.round((slate.moved_at.getTime() - call.called_at.getTime()) / 1000)
      return [
        {
          callout_id: call.id,
          slate_id: slate.id,
          number: loaded.number,
          is_there: is,
          way,
          after_s: after !== null && after >= 0 ? after : null,
        },
      ]
    }),
  )
  const builds = rows.flat()
  if (builds.length) await trx.insertInto('builds').values(builds).execute()
  await trx.updateTable('callouts').set({ ended_at: new Date() }).where('id', '=', call.id).execute()
}

/** All that was called, the last first, with how many had it and the ways in which they built it. */
export async function calledBefore(db: Db, handout: string) {
  const calls = await db
    .selectFrom('callouts')
    .select(['id', 'number', 'target'])
    .where('handout_id', '=', handout)
    .where('ended_at', 'is not', null)
    .orderBy('number', 'desc')
    .limit(MOST_CALLS)
    .execute()
  if (calls.length === 0) return []
  const builds = await db
    .selectFrom('builds')
    .select(['callout_id', 'slate_id as slate', 'is_there', 'way', 'after_s'])
    .where(
      'callout_id',
      'in',
      calls.map(call => call.id),
    )
    .execute()
  return calls.map(call => ({
    ...call,
    builds: builds.filter(one => one.callout_id === call.id).map(({ callout_id: _, ...build }) => build),
  }))
}
const MOST_CALLS = 60
