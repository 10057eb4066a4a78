import { sql } from 'kysely'
import { emptyTrail, LONGEST_TRAIL, onTrail, type MadeMove, type Trail } from '../../../core/lesson/trail'
import type { Move } from '../../../core/slate/move'
import type { Services } from '../../services'

/** Moves that leave a trail; whatever is drawn stays in the database. */
const LEAVE_ONE = ['put', 'shelve', 'arrange', 'hint'] as const satisfies readonly Move['kind'][]

/**
 * The trail of each slate of a handout that is under way, by the slate's id; of those without any move there is none.
 */
export async function trailsOf(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  handout: string,
): Promise<Record<string, Trail>> {
  const { rows } = await sql<{ id: string; edition_hash: string; move: Move; at: Date }>`
    select slates.id, slates.edition_hash, last.move, last.at
    from slates cross join lateral (
      select number, move, at from moves where slate_id = slates.id order by number desc limit ${LONGEST_TRAIL}
    ) last
    where slates.handout_id = ${handout} and slates.status = 'under-way'
      and last.move ->> 'kind' in (${sql.join(LEAVE_ONE)})
    order by slates.id, last.number`.execute(db)
  const moves = new Map<string, { edition: string; made: MadeMove[] }>()
  for (const { id, edition_hash, move, at } of rows) {
    const known = moves.get(id) ?? { edition: edition_hash, made: [] }
    known.made.push({ move, at: at.toISOString() })
    moves.set(id, known)
  }
  const trails = await Promise.all(
    [...moves].map(async ([id, { edition, made }]) => {
      return [id, onTrail(emptyTrail, made, await engine.editions.get(db, edition))] as const
    }),
  )
  return Object.fromEntries(trails)
}
