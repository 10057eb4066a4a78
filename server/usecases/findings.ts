import { sql } from 'kysely'
import type { Board } from '../../core/board/board'
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
): Promise<FindingsData & { hints: { slates: number; looks: number }; unmarked: number; idle: string[] }> {
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
  const { edition_hash } = await db
    .selectFrom('handouts')
    .select('edition_hash')
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  const { board } = await engine.editions.get(db, edition_hash)
  return {
    board,
    slates: found.map(({ id, mark, status }) => ({ slate: id, name: names.get(id) ?? '', group: mark, status })),
    scores: scoresOf(found.map(({ id, keys, decisions }) => ({ slate: id, keys, decisions: decisions ?? {} }))),
    lies: found.map(one => one.lies),
    headings: await headingsOn(services, board, found),
    orders: found.flatMap(({ id, keys }) => madeOrders(keys).map(one => ({ ...one, slate: id }))),
    before: await firstTries(services, ids),
    puts: await firstPuts(db, ids),
    hints: await hintsOf(db, ids),
    /** Slates of which nothing can be said. */
    unmarked: rows.length - found.length,
    idle: every.filter(row => row.last === 0).flatMap(row => names.get(row.id) ?? []),
  }
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
