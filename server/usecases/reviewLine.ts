import { decisionName } from '../../core/keys/mark'
import type { InLine } from '../../core/review/line'
import type { Services } from '../services'
import { namesOf } from './slates'

/** The slates of a handout as they stand in the line of those to review; those that nobody has or had are left out. */
export async function reviewLineOf({ db, outcomes }: Pick<Services, 'db' | 'outcomes'>, handout: string) {
  const rows = await db
    .selectFrom('slates')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select(eb => [
      'slates.id',
      'slates.kind',
      'slates.mark',
      'slates.status',
      'slates.last_number as number',
      'slates.handed_in_at',
      'reviews.updated_at',
      'reviews.decisions',
      eb
        .exists(
          eb
            .selectFrom('slate_members')
            .select('slate_members.hand')
            .whereRef('slate_members.slate_id', '=', 'slates.id')
            .where('slate_members.until_at', 'is', null),
        )
        .as('somebodys'),
    ])
    .where('slates.handout_id', '=', handout)
    .execute()
  const those = rows.filter(row => row.somebodys || row.number > 0 || row.kind === 'frame' || row.kind === 'class')
  const ids = those.map(row => row.id)
  const names = await namesOf(db, ids)
  const marked = await outcomes.of(ids)
  return those.map(({ id, mark, status, handed_in_at, updated_at, decisions }): InLine => {
    const one = marked.get(id)
    const unsure = (one?.ok ? one.value.keys : []).flatMap(key =>
      key.items.filter(item => item.verdict === 'on-the-line' && !decisions?.[decisionName(key.key, item.item)]),
    )
    return {
      id,
      name: names.get(id) ?? '',
      mark,
      status,
      reviewed: updated_at !== null && (handed_in_at === null || updated_at > handed_in_at),
      unsure: unsure.length,
    }
  })
}
