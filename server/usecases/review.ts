import type { Kysely } from 'kysely'
import type { Decisions } from '../../core/keys/mark'
import type { MarginItem } from '../../core/margin/item'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { withNews } from '../news/wire'

type Db = Kysely<Database>

export async function marginOf(db: Db, slate: string) {
  return db.selectFrom('margins').select(['id', 'item']).where('slate_id', '=', slate).where('removed_at', 'is', null).orderBy('at').execute()
}

export async function reviewOf(db: Db, slate: string) {
  const row = await db.selectFrom('reviews').select(['decisions', 'comment']).where('slate_id', '=', slate).executeTakeFirst()
  return row ?? { decisions: {}, comment: '' }
}

/** Adds to the teacher's layer. A note must be pinned to a piece, and ink drawn on a page, that this slate's edition has. */
export async function addToMargin(services: Services, slate: string, teacher: string, item: MarginItem): Promise<Result<{ id: string }, 'unknown'>> {
  return withNews(services, async (trx, news) => {
    const row = await trx.selectFrom('slates').select(['edition_hash', 'handout_id']).where('id', '=', slate).executeTakeFirstOrThrow()
    const { board, pieces } = await services.engine.editions.get(trx, row.edition_hash)
    const known = board.pages.some(p => p.id === item.page) && (item.kind !== 'note' || pieces.get(item.piece)?.page.id === item.page)
    if (!known) return refuse('unknown')
    const added = await trx.insertInto('margins').values({ slate_id: slate, teacher_id: teacher, item: JSON.stringify(item), removed_at: null })
      .returning('id').executeTakeFirstOrThrow()
    news.push({ scope: 'slate', slate, handout: row.handout_id, changed: 'margin' })
    return ok(added)
  })
}

/** Taken away or put back: nothing in a margin is ever lost to a wrong click. False when there is no such item. */
export async function setMarginRemoved(services: Services, slate: string, item: string, removed: boolean): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const changed = await trx.updateTable('margins').set({ removed_at: removed ? new Date() : null })
      .where('id', '=', item).where('slate_id', '=', slate).executeTakeFirst()
    if (changed.numUpdatedRows === 0n) return false
    const { handout_id } = await trx.selectFrom('slates').select('handout_id').where('id', '=', slate).executeTakeFirstOrThrow()
    news.push({ scope: 'slate', slate, handout: handout_id, changed: 'margin' })
    return true
  })
}

export async function saveReview({ db }: Services, slate: string, teacher: string, decisions: Decisions, comment: string): Promise<void> {
  const values = { decisions: JSON.stringify(decisions), comment, updated_at: new Date() }
  await db.insertInto('reviews').values({ slate_id: slate, teacher_id: teacher, ...values })
    .onConflict(c => c.column('slate_id').doUpdateSet(values)).execute()
}
