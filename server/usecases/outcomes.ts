import { sql } from 'kysely'
import { withDecisions } from '../../core/keys/mark'
import type { KeyMark, Verdict } from '../../core/keys/outcome'
import { ok, type Result } from '../../core/result'
import type { MarkingRefusal } from '../marking/markingPool'
import type { SlateOutcomes } from '../marking/outcomes'
import type { Services } from '../services'
import { tryBefore } from './tries'

type Asked = Pick<Services, 'db' | 'outcomes'>

export interface VerdictsOf {
  readonly number: number
  readonly verdicts: Readonly<Record<string, Verdict>>
}

/**
 * The verdicts on the items of slates of one handout, by slate; of two keys about one item the later one's. What can't
 * be marked is left out.
 */
export async function verdictsOn(
  { db, outcomes }: Asked,
  handout: string,
  some?: readonly string[],
): Promise<Record<string, VerdictsOf>> {
  const slates = await db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .$if(some !== undefined, query => query.where('id', 'in', [...some!]))
    .execute()
  const all = await outcomes.of(slates.map(slate => slate.id))
  return Object.fromEntries(
    [...all].flatMap(([slate, marked]) => {
      if (!marked.ok) return []
      const { number, keys } = marked.value
      const verdicts = Object.fromEntries(keys.flatMap(key => key.items.map(item => [item.item, item.verdict])))
      return [[slate, { number, verdicts }]]
    }),
  )
}

type Marking = Pick<Services, 'db' | 'engine' | 'marking'>

/**
 * What the keys of this edition say of the try before, with what the teacher decided on it; null for a first try, and
 * where it can't be marked.
 */
export async function marksBefore(
  { db, engine, marking }: Marking,
  slate: string,
  hash: string,
): Promise<KeyMark[] | null> {
  const edition = await engine.editions.get(db, hash)
  const earlier = await tryBefore(db, engine, slate, edition)
  if (!earlier) return null
  const slates = [{ id: slate, number: 0, state: earlier.state }]
  const marked = (await marking.mark({ edition: hash, board: edition.board, slates })).get(slate)
  return marked?.ok ? withDecisions(marked.value.keys, earlier.review?.decisions ?? {}) : null
}

export interface OutcomesForReview extends SlateOutcomes {
  /** What the keys said when it was last reviewed, where that is something else by now. */
  readonly reviewed: readonly KeyMark[] | null
  /** What they say of the try before, by the keys as they are now; null for a first. */
  readonly before: readonly KeyMark[] | null
  /** How many moves each student made, by hand. */
  readonly moves: Readonly<Record<string, number>>
}

export async function outcomesForReview(
  services: Asked & Marking,
  slate: string,
): Promise<Result<OutcomesForReview, MarkingRefusal>> {
  const { db, outcomes } = services
  const now = await outcomes.ofOne(slate)
  if (!now.ok) return now
  const before = await db
    .selectFrom('reviews')
    .innerJoin('outcomes', join =>
      join
        .onRef('outcomes.slate_id', '=', 'reviews.slate_id')
        .onRef('outcomes.number', '=', 'reviews.number')
        .onRef('outcomes.turn', '=', 'reviews.turn')
        .onRef('outcomes.marker', '=', 'reviews.marker'),
    )
    .select(['outcomes.number', 'outcomes.turn', 'outcomes.marker', 'outcomes.keys'])
    .where('reviews.slate_id', '=', slate)
    .executeTakeFirst()
  const { number, turn, marker } = now.value
  const hands = await db
    .selectFrom('moves')
    .select(eb => ['by', eb.fn.countAll<string>().as('count')])
    .where('slate_id', '=', slate)
    .where(sql<string>`by`, 'like', 'student:%')
    .groupBy('by')
    .execute()
  const moves = Object.fromEntries(hands.map(({ by, count }) => [by, Number(count)]))
  const same = !before || (before.number === number && before.turn === turn && before.marker === marker)
  return ok({
    ...now.value,
    reviewed: same ? null : before.keys,
    before: await marksBefore(services, slate, now.value.edition),
    moves,
  })
}
