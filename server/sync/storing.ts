import type pg from 'pg'
import type { StoredMove } from './working'

/** What one statement stores for a slate: its moves, if the slate is still as this process knows it. */
export interface Storing {
  readonly slate: string
  readonly number: number
  readonly epoch: number
  readonly moves: readonly StoredMove[]
}
export const MOST_STORED = 150

/**
 * One statement, one way to the database and back, one commit: the slates' heads go on where number and epoch are what
 * is known here, none of the ids is there already, and nobody holds the row; the moves of those are stored. Slates that
 * don't come back were left as they were. Other processes are told afterwards: a NOTIFY in here would hold a lock that
 * all commits share for as long as the disk takes, so that no two could share its turn.
 *
 * Rows that somebody holds are passed over, not waited for: a slate that is stuck delays its own moves only, and since
 * this statement never waits, no two processes ever wait for each other in a circle. Held as an update of these columns
 * holds them: whoever only refers to a slate (a member, a word, a picture) is in nobody's way.
 */
export const STORE_MOVES = `
with wanted as materialized (
  select * from json_to_recordset($1::json) as w (slate uuid, number int, epoch int, last int, ids text[], moves json)
), free as materialized (
  select s.id, w.last, w.moves from wanted w join slates s on s.id = w.slate
  where s.last_number = w.number and s.epoch = w.epoch
    and not exists (select from moves m where m.slate_id = w.slate and m.id = any (w.ids))
  for no key update of s skip locked
), heads as (
  update slates s set last_number = free.last, moved_at = $2::timestamptz, opened_at = coalesce(s.opened_at, $2::timestamptz),
    status = case s.status when 'not-opened' then 'under-way' else s.status end
  from free where s.id = free.id
  returning s.id, s.handout_id, s.last_number, s.epoch, free.moves
), stored as (
  insert into moves (slate_id, number, id, move, inverse, undoes, by, at)
  select heads.id, m.number, m.id, m.move, m.inverse, m.undoes, m.by, $2::timestamptz
  from heads cross join lateral json_to_recordset(heads.moves) as m (number int, id text, move json, inverse json, undoes text, by text)
)
select id, epoch from heads`

/** Runs the statement, prepared or inside a transaction. */
export type RunStatement = (values: unknown[]) => Promise<readonly { id: string; epoch: number }[]>

/** The statement prepared once on each connection of a pool. */
export const prepared =
  (pool: pg.Pool): RunStatement =>
  async values =>
    (await pool.query<{ id: string; epoch: number }>({ name: 'store-moves', text: STORE_MOVES, values })).rows

/** The slates that were stored, with their epochs. Throws when the database is away, or won't have one of the moves. */
export async function store(run: RunStatement, storings: readonly Storing[], at: Date): Promise<Map<string, number>> {
  const wanted = storings.map(({ slate, number, epoch, moves }) => ({
    slate,
    number,
    epoch,
    last: number + moves.length,
    ids: moves.map(m => m.id),
    moves: moves.map(({ at: _, ...move }) => move),
  }))
  const rows = await run([JSON.stringify(wanted), at])
  return new Map(rows.map(row => [row.id, row.epoch]))
}
