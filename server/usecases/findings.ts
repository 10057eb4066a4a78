import { sql } from 'kysely'
import type { Board } from '../../core/board/board'
import { groupsAlone, type GroupAlone } from '../../core/findings/alone'
import type { FindingsData } from '../../core/findings/findings'
import type { MadeOrder } from '../../core/findings/orders'
import type { FirstPut } from '../../core/findings/pace'
import { scoresOf, type Scores } from '../../core/findings/scores'
import { keyName } from '../../core/keys/context'
import type { KeyMark } from '../../core/keys/outcome'
import { loadStates } from '../database/loadState'
import type { Services } from '../services'
import { namesOf } from './slates'

/**
 * What findings are worked out from: what the keys and the teacher say of each slate on which something was done, where
 * each piece lies there, and what was said of first tries. Nothing is marked again that was marked before.
 */
export async function findingsOn(
  services: Services,
  handout: string,
): Promise<
  FindingsData & {
    hints: { slates: number; looks: number }
    unmarked: number
    handIn: boolean
    idle: string[]
    alone: GroupsAlone | null
  }
> {
  const { db, engine, outcomes } = services
  const every = await db
    .selectFrom('slates')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select([
      'slates.id',
      'slates.mark',
      'slates.status',
      'slates.last_number as last',
      'slates.edition_hash as edition',
      'reviews.decisions',
    ])
    .where('slates.handout_id', '=', handout)
    .orderBy('slates.id')
    .execute()
  const names = await namesOf(
    db,
    every.map(row => row.id),
  )
  const rows = every.filter(row => row.last > 0)
  const ids = rows.map(row => row.id)
  const marked = await outcomes.of(ids)
  const found = rows.flatMap(row => {
    const one = marked.get(row.id)
    return one?.ok ? [{ ...row, ...one.value }] : []
  })
  const { edition_hash, hand_in } = await db
    .selectFrom('handouts')
    .select(['edition_hash', 'hand_in'])
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  const { board } = await engine.editions.get(db, edition_hash)
  const scores = scoresOf(found.map(({ id, keys, decisions }) => ({ slate: id, keys, decisions: decisions ?? {} })))
  return {
    board,
    slates: found.map(({ id, mark, status }) => ({ slate: id, name: names.get(id) ?? '', group: mark, status })),
    scores,
    alone: await besideAlone(services, handout, scores),
    lies: found.map(one => one.lies),
    headings: await headingsOn(services, board, found),
    orders: found.flatMap(({ id, keys }) => madeOrders(keys).map(one => ({ ...one, slate: id }))),
    before: await firstTries(services, ids),
    puts: await firstPuts(db, ids),
    hints: await hintsOf(db, ids),
    /** Slates of which nothing can be said. */
    unmarked: rows.length - found.length,
    handIn: hand_in,
    idle: every.filter(row => row.last === 0).flatMap(row => names.get(row.id) ?? []),
  }
}

export interface GroupsAlone {
  /** The handout in which they worked alone. */
  readonly handout: string
  readonly groups: readonly GroupAlone[]
}

/** Groups in frames beside the same students alone, in the latest handout of the same board as a copy each. */
async function besideAlone(
  { db, outcomes }: Pick<Services, 'db' | 'outcomes'>,
  handout: string,
  frames: Scores,
): Promise<GroupsAlone | null> {
  const other = await db
    .selectFrom('handouts')
    .innerJoin('handouts as alone', join =>
      join.onRef('alone.board_id', '=', 'handouts.board_id').onRef('alone.class_id', '=', 'handouts.class_id'),
    )
    .select('alone.id')
    .where('handouts.id', '=', handout)
    .where('handouts.mode', '=', 'frame-per-group')
    .where('alone.mode', '=', 'copy-each')
    .where('alone.given_at', 'is not', null)
    .orderBy('alone.given_at', 'desc')
    .limit(1)
    .executeTakeFirst()
  if (!other) return null
  const hands = await db
    .selectFrom('slate_members')
    .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select(['slates.id', 'slates.handout_id', 'slates.last_number', 'slate_members.student_id', 'reviews.decisions'])
    .where('slates.handout_id', 'in', [handout, other.id])
    .where('slate_members.until_at', 'is', null)
    .execute()
  const copies = hands.filter(one => one.handout_id === other.id && one.last_number > 0)
  const marked = await outcomes.of(copies.map(one => one.id))
  const alone = scoresOf(
    copies.flatMap(({ id, decisions }) => {
      const one = marked.get(id)
      return one?.ok ? [{ slate: id, keys: one.value.keys, decisions: decisions ?? {} }] : []
    }),
  )
  const members: Record<string, string[]> = {}
  for (const { id, handout_id, student_id } of hands)
    if (handout_id === handout) members[id] = [...(members[id] ?? []), student_id]
  const makers = Object.fromEntries(copies.map(one => [one.id, one.student_id]))
  const groups = groupsAlone(frames, alone, { members, makers })
  return groups.length ? { handout: other.id, groups } : null
}

/** The orders that were made in lanes, as the keys have read them. */
const madeOrders = (keys: readonly KeyMark[]): MadeOrder[] =>
  keys.flatMap(({ items }) =>
    items.flatMap(({ item, reason: { words } }): MadeOrder[] =>
      typeof words.order === 'object' && 'pieces' in words.order
        ? [{ place: item, pieces: words.order.pieces.map(keyName) }]
        : [],
    ),
  )

/** What students called the places of a board that has places without a heading; nothing is read for all others. */
async function headingsOn(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  board: Board,
  slates: readonly { readonly id: string; readonly edition: string; readonly last: number }[],
): Promise<Record<string, string>[]> {
  const nameless = board.pages.flatMap(page => page.places.filter(place => !place.heading).map(place => place.id))
  if (nameless.length === 0) return slates.map(() => ({}))
  const states = await loadStates(db, engine.editions, slates)
  return slates.map(({ id }) => {
    const texts = states.get(id)?.state.texts ?? {}
    return Object.fromEntries(nameless.flatMap(place => (texts[place] ? [[place, texts[place]]] : [])))
  })
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
