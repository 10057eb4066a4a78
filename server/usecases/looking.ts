import { withoutAnswers } from '../../core/board/edition'
import { ok, refuse } from '../../core/result'
import { loadStates } from '../database/loadState'
import { looksNow } from '../rights/hold'
import type { Services } from '../services'

/**
 * What others of the class have made, for a student to look at: pages in the order in which they came, frames by
 * theirs.
 * *never*: the teacher lets nobody look. *not-yet*: it is seen once one's own is handed in.
 */
export async function workOfOthers({ db, engine }: Pick<Services, 'db' | 'engine'>, handout: string, student: string) {
  const row = await db
    .selectFrom('handouts')
    .select(['looking', 'edition_hash'])
    .where('id', '=', handout)
    .where('given_at', 'is not', null)
    .executeTakeFirst()
  if (!row || row.looking === 'never') return refuse('never' as const)
  return db
    .transaction()
    .setIsolationLevel('repeatable read')
    .execute(async trx => {
      const [own] = await trx
        .selectFrom('slate_members')
        .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
        .select(['slates.id', 'slates.status'])
        .where('slate_members.handout_id', '=', handout)
        .where('slate_members.student_id', '=', student)
        .where('slate_members.until_at', 'is', null)
        .where('slates.kind', 'in', ['frame', 'page'])
        .execute()
      if (!looksNow(row.looking, own?.status)) return refuse('not-yet' as const)
      const slates = await trx
        .selectFrom('slates')
        .select(['id', 'kind', 'name', 'name_hidden_at', 'mark', 'edition_hash', 'last_number'])
        .where('handout_id', '=', handout)
        .where('kind', 'in', ['frame', 'page'])
        .orderBy('position')
        .orderBy('name')
        .execute()
      const people = await trx
        .selectFrom('slate_members')
        .innerJoin('students', 'students.id', 'slate_members.student_id')
        .select(['slate_members.slate_id as slate', 'students.name'])
        .where('slate_members.handout_id', '=', handout)
        .where('slate_members.until_at', 'is', null)
        .where('students.left_at', 'is', null)
        .orderBy('slate_members.hand')
        .execute()
      const states = await loadStates(
        trx,
        engine.editions,
        slates.map(one => ({ id: one.id, edition: one.edition_hash, last: one.last_number })),
      )
      const shown = slates.flatMap(({ last_number, edition_hash, name, name_hidden_at, ...slate }) => {
        const [loaded, names] = [
          states.get(slate.id),
          people.filter(one => one.slate === slate.id).map(one => one.name),
        ]
        // Frames that nobody has taken, and work of those who have left, are nobody's to look at.
        return loaded && names.length
          ? [
              {
                ...slate,
                heading: name_hidden_at && slate.id !== own?.id ? null : name,
                people: names,
                mine: slate.id === own?.id,
                edition: edition_hash,
                ...loaded,
              },
            ]
          : []
      })
      const boards = Object.fromEntries(
        await Promise.all(
          [...new Set(shown.map(one => one.edition))].map(
            async hash => [hash, withoutAnswers((await engine.editions.get(trx, hash)).board)] as const,
          ),
        ),
      )
      const { board } = await engine.editions.get(trx, row.edition_hash)
      return ok({ title: board.title, own: own?.id ?? null, boards, slates: shown })
    })
}
