import type { Transaction, Updateable } from 'kysely'
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

/** For all slates of a handout, or for some of them beside what holds for all. Slates of others are passed over. */
export async function pencils(
  services: Told,
  handout: string,
  { down, slates }: { readonly down: boolean; readonly slates?: readonly string[] | undefined },
): Promise<void> {
  if (!slates) return withNews(services, (trx, news) => pauseHandout(trx, news, handout, down))
  for (const slate of await theirs(services, handout, slates)) await switchSlate(services, slate, 'paused_at', down)
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
  const now = new Date()
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
