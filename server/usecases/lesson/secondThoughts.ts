import { binOf } from '../../../core/board/binOf'
import type { PieceId } from '../../../core/board/ids'
import type { Lay } from '../../../core/margin/item'
import { ok, refuse, type Result } from '../../../core/result'
import type { Author } from '../../../core/slate/actor'
import { loadStates } from '../../database/loadState'
import { noteChange, withNews } from '../../news/wire'
import type { Actor } from '../../rights/actor'
import type { Services } from '../../services'
import { noteSentence } from '../sentences'

/**
 * *unknown*: the slate has no such piece, or it is a bin, or a copy from one. *not-now*: nobody works on it any more.
 */
export type SettingAsideRefusal = 'unknown' | 'not-now'

interface Setting {
  readonly who: Actor
  readonly author: Author
  readonly pieces: readonly { readonly piece: PieceId; readonly lay: Lay }[]
  readonly why: string
}

/**
 * Takes pieces off a page at which somebody works, by a move as all others are, and says why. It is in their order with
 * the student's own: a piece that the student has taken off meanwhile is set aside all the same.
 */
export async function setAside(
  services: Pick<Services, 'db' | 'engine' | 'wire'>,
  slate: string,
  { who, author, pieces, why }: Setting,
): Promise<Result<{ ids: string[] }, SettingAsideRefusal>> {
  const { db, engine } = services
  const { edition_hash } = await db
    .selectFrom('slates')
    .select('edition_hash')
    .where('id', '=', slate)
    .executeTakeFirstOrThrow()
  const edition = await engine.editions.get(db, edition_hash)
  const known = pieces.map(({ piece, lay }) => ({ lay, entry: binOf(piece) ? undefined : edition.pieces.get(piece) }))
  if (known.some(({ entry }) => !entry || entry.piece.bin)) return refuse('unknown')
  const led = await engine.lead(
    slate,
    { who, author },
    pieces.map(({ piece }) => ({ kind: 'shelve', piece })),
  )
  if (!led) return refuse('not-now')
  return withNews(services, async (trx, news) => {
    const added = await trx
      .insertInto('margins')
      .values(
        known.map(({ entry, lay }) => ({
          slate_id: slate,
          teacher_id: who.id,
          item: JSON.stringify({ kind: 'second-thought', page: entry!.page.id, piece: entry!.piece.id, lay, why }),
          removed_at: null,
          shown: true,
        })),
      )
      .returning('id')
      .execute()
    if (why) await noteSentence(trx, who.id, why, known.length === 1 ? known[0]!.entry!.piece.id : null)
    await noteChange(trx, news, slate, 'margin')
    return ok({ ids: added.map(row => row.id) })
  })
}

/**
 * A second thought that is taken away puts the piece back where it lay, if it still waits; one that is put back takes
 * it off again. What is no second thought is none of this.
 */
export async function followMargin(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  { slate, entry, removed }: { readonly slate: string; readonly entry: string; readonly removed: boolean },
  leads: { readonly who: Actor; readonly author: Author },
): Promise<void> {
  const { item, edition_hash, last_number } = await db
    .selectFrom('margins')
    .innerJoin('slates', 'slates.id', 'margins.slate_id')
    .select(['item', 'edition_hash', 'last_number'])
    .where('margins.id', '=', entry)
    .executeTakeFirstOrThrow()
  if (item.kind !== 'second-thought') return
  const loaded = (await loadStates(db, engine.editions, [{ id: slate, edition: edition_hash, last: last_number }])).get(
    slate,
  )
  const lies = loaded?.state.pieces[item.piece]
  if (!loaded || removed === !!lies) return
  await engine.lead(slate, leads, [
    removed ? { kind: 'put', piece: item.piece, ...item.lay } : { kind: 'shelve', piece: item.piece },
  ])
}
