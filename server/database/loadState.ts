import { sql, type Kysely } from 'kysely'
import { carry } from '../../core/slate/carry'
import { perform } from '../../core/slate/move'
import { knowTexts } from '../../core/slate/withTexts'
import { startOf, wholeState, type SlateState } from '../../core/slate/state'
import type { Edition } from '../../core/board/edition'
import type { EditionCache } from './editions'
import type { Database, Row } from './tables'
import { log } from '../log'

knowTexts()

export interface Numbered {
  readonly number: number
  readonly state: SlateState
}
/** `last` is the number that the slate's row has: fewer moves than that are damage. */
export interface SlateToLoad {
  readonly id: string
  readonly edition: string
  readonly last: number
}
/** Null for a slate of which something that is stored can't be read: it says so, and harms no other. */
export type Loaded = Numbered | null

type Db = Kysely<Database>
type StoredMove = Pick<Row<'moves'>, 'slate_id' | 'number' | 'move' | 'by'>

/**
 * The states of slates as the database has them: the latest snapshot and the moves after it, however many slates in
 * three questions. Where that can't be read, the whole history is gone through before a slate is given up.
 */
export async function loadStates(
  db: Db,
  editions: EditionCache,
  slates: readonly SlateToLoad[],
): Promise<Map<string, Loaded>> {
  if (slates.length === 0) return new Map()
  const ids = slates.map(s => s.id)
  const { rows: snapshots } = await sql<Row<'snapshots'>>`
    select s.* from unnest(${ids}::uuid[]) as asked (id)
    cross join lateral (select * from snapshots where slate_id = asked.id order by number desc limit 1) s`.execute(db)
  const from = new Map(snapshots.map(s => [s.slate_id, s]))
  const { rows: moves } = await sql<StoredMove>`
    select m.slate_id, m.number, m.move, m.by from unnest(${ids}::uuid[], ${ids.map(id => from.get(id)?.number ?? 0)}::int[]) as asked (id, number)
    join moves m on m.slate_id = asked.id and m.number > asked.number order by m.slate_id, m.number`.execute(db)
  const movesOf = new Map<string, StoredMove[]>(ids.map(id => [id, []]))
  for (const move of moves) movesOf.get(move.slate_id)!.push(move)

  const changed = new Set(
    (await db.selectFrom('edition_changes').select('slate_id').distinct().where('slate_id', 'in', ids).execute()).map(
      row => row.slate_id,
    ),
  )
  const states = new Map<string, Loaded>()
  for (const slate of slates) {
    const snapshot = from.get(slate.id)
    const usable = snapshot ? snapshot.edition_hash === slate.edition && isState(snapshot.state) : true
    const edition = await editions.get(db, slate.edition)
    const start = { number: snapshot?.number ?? 0, state: snapshot ? wholeState(snapshot.state) : startOf(edition) }
    // A slate without a snapshot has had one edition from the start, or its history says otherwise.
    const quick =
      usable && (snapshot || !changed.has(slate.id)) ? replayed(start, movesOf.get(slate.id)!, edition) : null
    const whole = (loaded: Loaded) => (loaded && loaded.number >= slate.last ? loaded : null)
    states.set(slate.id, whole(quick) ?? whole(await throughHistory(db, editions, slate)))
    if (!states.get(slate.id)) log.error({ slate: slate.id }, "what is stored of a slate can't be read")
  }
  return states
}

const isState = (state: unknown) =>
  typeof state === 'object' && state !== null && typeof (state as { pieces?: unknown }).pieces === 'object'

/** Null when a move is missing or can't be read (that can only mean damage), or was made by a later application. */
function replayed(start: Numbered, moves: readonly StoredMove[], edition: Edition): Loaded {
  let { number, state } = start
  try {
    for (const { number: next, move, by } of moves) {
      if (next !== number + 1) return null
      state = perform(state, move, { edition, author: by, number: next })
      number = next
    }
    return { number, state }
  } catch {
    return null
  }
}

/**
 * What a slate was after so many moves, when that edition lay under it; null where its history doesn't come by there.
 */
export async function stateAt(db: Db, editions: EditionCache, slate: SlateToLoad): Promise<SlateState | null> {
  const moves = await movesUpTo(db, slate)
  const changes = (await editionChangesOf(db, slate.id)).filter(({ number }) => number <= slate.last)
  // Editions may have been laid under it one after the other without a move between: only those before are passed.
  const last = changes.findLastIndex(change => change.to_hash === slate.edition)
  const passed = changes.filter((change, i) => change.number < slate.last || i <= last)
  if ((passed.at(-1)?.to_hash ?? changes[0]?.from_hash ?? slate.edition) !== slate.edition) return null
  const now = await through(db, editions, { first: passed[0]?.from_hash ?? slate.edition, moves, changes: passed })
  return now && now.number === slate.last ? now.state : null
}

/** All moves from the first, each under the edition that lay under the slate when it was made. */
async function throughHistory(db: Db, editions: EditionCache, slate: SlateToLoad): Promise<Loaded> {
  const [moves, changes] = [await movesUpTo(db, { id: slate.id, last: null }), await editionChangesOf(db, slate.id)]
  return through(db, editions, { first: changes[0]?.from_hash ?? slate.edition, moves, changes })
}

const movesUpTo = (db: Db, { id, last }: { readonly id: string; readonly last: number | null }) =>
  db
    .selectFrom('moves')
    .select(['slate_id', 'number', 'move', 'by'])
    .where('slate_id', '=', id)
    .$if(last !== null, query => query.where('number', '<=', last!))
    .orderBy('number')
    .execute()

const editionChangesOf = (db: Db, slate: string) =>
  db.selectFrom('edition_changes').selectAll().where('slate_id', '=', slate).orderBy('turn').execute()

interface History {
  /** The edition that lay under it at first. */
  readonly first: string
  readonly moves: readonly StoredMove[]
  readonly changes: readonly Pick<Row<'edition_changes'>, 'number' | 'to_hash'>[]
}

async function through(db: Db, editions: EditionCache, { first, moves, changes }: History): Promise<Loaded> {
  let edition = await editions.get(db, first)
  let now: Loaded = { number: 0, state: startOf(edition) }
  const upTo = (number: number) => {
    now =
      now
      && replayed(
        now,
        moves.filter(m => m.number > now!.number && m.number <= number),
        edition,
      )
  }
  for (const { number, to_hash } of changes) {
    upTo(number)
    const next = await editions.get(db, to_hash)
    now = now && { number: now.number, state: carry(now.state, edition, next).state }
    edition = next
  }
  upTo(Infinity)
  return now
}
