import type { Transaction, Updateable } from 'kysely'
import { clockOf } from '../../database/clock'
import type { Database } from '../../database/tables'
import type { News } from '../../news/news'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'
import { switchHandoutIn, switchSlate } from '../openness'

export type Trx = Transaction<Database>
type Told = Pick<Services, 'db' | 'wire'>

/** Pencils down or up for all, with news for whoever looks on. */
export async function pauseHandout(trx: Trx, news: News[], handout: string, on: boolean): Promise<void> {
  await switchHandoutIn(trx, news, handout, { what: 'paused_at', on })
  news.push({ scope: 'handout', handout, changed: 'lesson' })
}

/**
 * Down or up for all slates of a handout, or for some of them beside what holds for all; slates of others are passed
 * over. Up for all is up for those too that were put down alone. Up for some while they are down for all leaves the
 * others down, one by one: those go on, and nobody else.
 */
export async function pencils(
  services: Told,
  handout: string,
  { down, slates }: { readonly down: boolean; readonly slates?: readonly string[] | undefined },
): Promise<void> {
  if (!slates)
    return withNews(services, async (trx, news) => {
      await pauseHandout(trx, news, handout, down)
      if (!down) await upAlone(trx, news, handout)
    })
  const some = await theirs(services, handout, slates)
  if (!down) await withNews(services, (trx, news) => downForOthers(trx, news, handout, some))
  for (const slate of some) await switchSlate(services, slate, 'paused_at', down)
}

async function upAlone(trx: Trx, news: News[], handout: string): Promise<void> {
  const { numUpdatedRows } = await trx
    .updateTable('slates')
    .set({ paused_at: null })
    .where('handout_id', '=', handout)
    .where('paused_at', 'is not', null)
    .executeTakeFirst()
  if (numUpdatedRows > 0n) news.push({ scope: 'handout', handout, changed: 'status' })
}

/** What is down for all becomes down for all but these, in one order with whoever puts pencils down or up for all. */
async function downForOthers(trx: Trx, news: News[], handout: string, slates: readonly string[]): Promise<void> {
  const { paused_at } = await trx
    .selectFrom('handouts')
    .select('paused_at')
    .where('id', '=', handout)
    .forUpdate()
    .executeTakeFirstOrThrow()
  if (paused_at === null || slates.length === 0) return
  await trx
    .updateTable('slates')
    .set({ paused_at })
    .where('handout_id', '=', handout)
    .where('paused_at', 'is', null)
    .where('id', 'not in', slates)
    .execute()
  await pauseHandout(trx, news, handout, false)
}

const theirs = async ({ db }: Told, handout: string, slates: readonly string[]) =>
  (
    await db.selectFrom('slates').select('id').where('handout_id', '=', handout).where('id', 'in', slates).execute()
  ).map(row => row.id)

/**
 * Hands in for all, or for some: what is under way, and nobody's shared board. It stands in one order with the moves of
 * each slate, by its row; rows are taken in one order, so that two at once wait for each other. How many there were.
 */
export async function collectSlates(
  trx: Trx,
  news: News[],
  handout: string,
  slates?: readonly string[] | undefined,
): Promise<number> {
  const rows = await trx
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .where('status', '=', 'under-way')
    .where('kind', '<>', 'class')
    .$if(slates !== undefined, query => query.where('id', 'in', slates!))
    .orderBy('id')
    .forUpdate()
    .execute()
  const now = await clockOf(trx)
  return become(trx, news, handout, {
    slates: rows,
    set: { status: 'handed-in', handed_in_at: now, collected_at: now, said: null },
  })
}

/** The same for many slates, which are locked; how many they are. */
async function become(
  trx: Trx,
  news: News[],
  handout: string,
  {
    slates,
    set,
  }: { readonly slates: readonly { readonly id: string }[]; readonly set: Updateable<Database['slates']> },
): Promise<number> {
  if (slates.length === 0) return 0
  const ids = slates.map(slate => slate.id)
  await trx.updateTable('slates').set(set).where('id', 'in', ids).execute()
  news.push({ scope: 'handout', handout, changed: 'status' })
  return slates.length
}

export const handInFor = (services: Told, handout: string, slates?: readonly string[]) =>
  withNews(services, (trx, news) => collectSlates(trx, news, handout, slates))

/**
 * Gives back to work what was handed in for all, as long as it isn't reviewed: moves that waited on devices come then.
 * How many there were.
 */
export function letGoOn(services: Told, handout: string, slates?: readonly string[]): Promise<number> {
  return withNews(services, async (trx, news) => {
    const rows = await trx
      .selectFrom('slates')
      .select('id')
      .where('handout_id', '=', handout)
      .where('status', '=', 'handed-in')
      .where('collected_at', 'is not', null)
      .where(eb =>
        eb.not(eb.exists(eb.selectFrom('reviews').whereRef('slate_id', '=', 'slates.id').select('slate_id'))),
      )
      .$if(slates !== undefined, query => query.where('id', 'in', slates!))
      .orderBy('id')
      .forUpdate()
      .execute()
    return become(trx, news, handout, {
      slates: rows,
      set: { status: 'under-way', handed_in_at: null, collected_at: null },
    })
  })
}
