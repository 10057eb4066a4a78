import { sql } from 'kysely'
import type { FirstPut } from '../../core/findings/pace'
import { scoresOf, type MarkedSlate, type Scores } from '../../core/findings/scores'
import type { Lies } from '../../core/keys/outcomes'
import type { SlateStatus } from '../../core/slate/status'
import type { Services } from '../services'
import { namesOf } from './slates'

export interface FindingsSlate {
  readonly slate: string
  readonly name: string
  /** Its group's mark, for a frame. */
  readonly group: string | null
  readonly status: SlateStatus
}

/**
 * What findings are worked out from: what the keys and the teacher say of each slate on which something was done, where
 * each piece lies there, and what was said of first tries. Nothing is marked again that was marked before.
 */
export async function findingsOn({ db, engine, outcomes }: Services, handout: string) {
  const rows = await db
    .selectFrom('slates')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select(['slates.id', 'slates.mark', 'slates.status', 'reviews.decisions'])
    .where('slates.handout_id', '=', handout)
    .where('slates.last_number', '>', 0)
    .orderBy('slates.id')
    .execute()
  const ids = rows.map(row => row.id)
  const [marked, names] = [await outcomes.of(ids), await namesOf(db, ids)]
  const slates: FindingsSlate[] = []
  const lies: Lies[] = []
  const all: MarkedSlate[] = []
  for (const { id, mark, status, decisions } of rows) {
    const one = marked.get(id)
    if (!one?.ok) continue
    slates.push({ slate: id, name: names.get(id) ?? '', group: mark, status })
    lies.push(one.value.lies)
    all.push({ slate: id, keys: one.value.keys, decisions: decisions ?? {} })
  }
  const { edition_hash } = await db
    .selectFrom('handouts')
    .select('edition_hash')
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  const { board } = await engine.editions.get(db, edition_hash)
  return {
    board,
    slates,
    scores: scoresOf(all),
    lies,
    before: await firstTries({ db, outcomes }, ids),
    puts: await firstPuts(db, ids),
    hints: await hintsOf(db, ids),
    /** Slates of which nothing can be said. */
    unmarked: rows.length - slates.length,
  }
}

/** When each piece was first put down, in seconds after the first move of its slate. */
async function firstPuts(db: Services['db'], slates: readonly string[]): Promise<FirstPut[]> {
  const { rows } = await sql<FirstPut>`
    with first as (select slate_id, min(at) as at from moves where slate_id = any(${[...slates]}::uuid[]) group by 1)
    select m.slate_id as slate, m.move->>'piece' as piece,
      round(extract(epoch from min(m.at) - first.at))::int as seconds
    from moves m join first on first.slate_id = m.slate_id
    where m.slate_id = any(${[...slates]}::uuid[]) and m.move->>'kind' = 'put'
    group by m.slate_id, m.move->>'piece', first.at order by 1, 3, 2`.execute(db)
  return rows
}

/** On how many slates a hint was looked at, and how many there were together. */
async function hintsOf(db: Services['db'], slates: readonly string[]): Promise<{ slates: number; looks: number }> {
  const { rows } = await sql<{ slates: number; looks: number }>`
    select count(distinct slate_id)::int as slates, count(*)::int as looks from moves
    where slate_id = any(${[...slates]}::uuid[]) and move->>'kind' = 'hint'`.execute(db)
  return rows[0]!
}

/** What the keys and the teacher say of the first tries of slates that have further ones; null where none has. */
async function firstTries(
  { db, outcomes }: Pick<Services, 'db' | 'outcomes'>,
  slates: readonly string[],
): Promise<Scores | null> {
  const tries = await outcomes.ofFirstTries(slates)
  if (tries.size === 0) return null
  const rows = await db
    .selectFrom('tries')
    .select(['slate_id', 'review'])
    .where('slate_id', 'in', [...tries.keys()])
    .where('turn', '=', 1)
    .execute()
  const decided = new Map(rows.map(row => [row.slate_id, row.review?.decisions]))
  return scoresOf([...tries].map(([slate, { keys }]) => ({ slate, keys, decisions: decided.get(slate) ?? {} })))
}
