import { setTimeout as delay } from 'node:timers/promises'
import type { RawBuilder, Transaction } from 'kysely'
import type { Due, Looking } from '../../core/handout/settings'
import type { Rules } from '../../core/handout/rules'
import { canHandBack, canHandIn, type SlateStatus } from '../../core/slate/status'
import { ok, refuse, type Result } from '../../core/result'
import { NOW } from '../database/clock'
import type { Database } from '../database/tables'
import type { News } from '../news/news'
import { withNews, type WithNews } from '../news/wire'
import type { Services } from '../services'
import { othersAreDone, othersAreHere, rulesOf } from './together'

type Told = Pick<Services, 'db' | 'wire'>

export async function markOpened(services: Told, id: string): Promise<void> {
  const { status } = await services.db
    .selectFrom('slates')
    .select('status')
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  if (status !== 'not-opened') return
  await withNews(services, async (trx, news) => {
    const opened = await trx
      .updateTable('slates')
      .set({ status: 'under-way', opened_at: new Date() })
      .where('id', '=', id)
      .where('status', '=', 'not-opened')
      .returning(['handout_id'])
      .executeTakeFirst()
    if (opened) news.push({ scope: 'slate', slate: id, handout: opened.handout_id, changed: 'status' })
  })
}

/** Long enough for a telling and its answer, short enough for a hand that waits. */
const CLOSING_MS = 1200

/** *not-all-done*: by the handout's rules a frame is handed in once all of its members have said that they are done. */
export type HandInRefusal = SlateStatus | 'not-all-done'

/**
 * With a word to the teacher, if there is one. One board for everyone is nobody's to hand in: there each only says to
 * be done.
 * Whoever hands a frame in is done. The others who work on it just now have a moment in which what they are typing
 * comes.
 */
export async function handIn(
  services: Told,
  id: string,
  student: string,
  word = '',
): Promise<Result<SlateStatus, HandInRefusal>> {
  const { kind, status, handout_id } = await services.db
    .selectFrom('slates')
    .select(['kind', 'status', 'handout_id'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  if (kind === 'class') return refuse(status)
  if (
    kind === 'frame'
    && (await rulesOf(services.db, id)).handInBy === 'all-done'
    && !(await othersAreDone(services.db, id, student))
  )
    return refuse('not-all-done')
  if (kind === 'frame' && canHandIn(status) && (await othersAreHere(services.db, id, student))) {
    await withNews(services, async (_, news) => {
      news.push({ scope: 'slate', slate: id, handout: handout_id, changed: 'closing' })
    })
    await delay(CLOSING_MS)
  }
  return withNews(services, (trx, news) =>
    changeStatus({
      within: { trx, news },
      id,
      to: 'handed-in',
      allowed: canHandIn,
      at: { handed_in_at: NOW, said: word.trim() || null },
    }),
  )
}
export const handBack = (services: Told, id: string) =>
  withNews(services, (trx, news) => handBackWithin({ trx, news }, id))
/** The same as a part of what else is done with it. */
export const handBackWithin = (within: WithNews, id: string) =>
  changeStatus({ within, id, to: 'handed-back', allowed: canHandBack, at: { handed_back_at: NOW } })

/** The row lock sets this in one order with the moves: what came before it counts, what comes after is refused. */
async function changeStatus({
  within: { trx, news },
  id,
  to,
  allowed,
  at,
}: {
  readonly within: WithNews
  readonly id: string
  readonly to: SlateStatus
  readonly allowed: (from: SlateStatus) => boolean
  readonly at: { handed_in_at: RawBuilder<Date>; said: string | null } | { handed_back_at: RawBuilder<Date> }
}): Promise<Result<SlateStatus, SlateStatus>> {
  const { status, handout_id } = await trx
    .selectFrom('slates')
    .select(['status', 'handout_id'])
    .where('id', '=', id)
    .forUpdate()
    .executeTakeFirstOrThrow()
  if (!allowed(status)) return refuse(status)
  await trx
    .updateTable('slates')
    .set({ status: to, ...at })
    .where('id', '=', id)
    .execute()
  news.push({ scope: 'slate', slate: id, handout: handout_id, changed: 'status' })
  return ok(to)
}

export const SWITCHES = ['paused_at', 'closed_at'] as const
/** Pencils down and up (`paused_at`), and closing for good or opening again (`closed_at`). */
export type Switch = (typeof SWITCHES)[number]

/**
 * For all slates of a handout at once, those included that come later. The slates' rows are changed with it (a trigger
 * counts their epochs on), so it stands in one order with the moves of each. Pressed twice it keeps its first time.
 */
export const switchHandout = (services: Told, handout: string, what: Switch, on: boolean): Promise<void> =>
  withNews(services, (trx, news) => switchHandoutIn(trx, news, handout, { what, on }))

export async function switchHandoutIn(
  trx: Transaction<Database>,
  news: News[],
  handout: string,
  { what, on }: { readonly what: Switch; readonly on: boolean },
): Promise<void> {
  const row = await trx
    .selectFrom('handouts')
    .select(what)
    .where('id', '=', handout)
    .forUpdate()
    .executeTakeFirstOrThrow()
  if ((row[what] !== null) === on) return
  await trx
    .updateTable('handouts')
    .set({ [what]: on ? new Date() : null })
    .where('id', '=', handout)
    .execute()
  news.push({ scope: 'handout', handout, changed: 'status' })
}

/** What may still be changed of a handout once it is given out. */
export interface HandoutChange {
  readonly word?: string
  readonly due?: Due | null
  readonly handIn?: boolean
  readonly looking?: Looking
  readonly rules?: Rules
}

export async function changeHandout(
  services: Told,
  handout: string,
  { word, due, handIn, looking, rules }: HandoutChange,
): Promise<void> {
  const change = {
    ...(word !== undefined && { word }),
    ...(handIn !== undefined && { hand_in: handIn }),
    ...(looking !== undefined && { looking }),
    ...(rules !== undefined && { rules: JSON.stringify(rules) }),
    ...(due !== undefined && { due_on: due?.day ?? null, due_time: due?.time ?? null }),
  }
  if (Object.keys(change).length === 0) return
  await withNews(services, async (trx, news) => {
    const row = await trx
      .updateTable('handouts')
      .set(change)
      .where('id', '=', handout)
      .returning('class_id')
      .executeTakeFirstOrThrow()
    news.push({ scope: 'handout', handout, changed: 'words' })
    // Whoever looks at what others have made may do so no longer.
    if (looking !== undefined) news.push({ scope: 'class', class: row.class_id })
  })
}

/** For one slate alone, beside what holds for all. */
export async function switchSlate(services: Told, slate: string, what: Switch, on: boolean): Promise<void> {
  await withNews(services, async (trx, news) => {
    const row = await trx
      .selectFrom('slates')
      .select(['handout_id', what])
      .where('id', '=', slate)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if ((row[what] !== null) === on) return
    await trx
      .updateTable('slates')
      .set({ [what]: on ? new Date() : null })
      .where('id', '=', slate)
      .execute()
    news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'status' })
  })
}
