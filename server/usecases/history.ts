import type { Kysely } from 'kysely'
import type { Board } from '../../core/board/board'
import type { MadeMove } from '../../core/slate/replay'
import type { Built } from '../../core/lesson/callOut'
import type { EditionCache } from '../database/editions'
import type { Database } from '../database/tables'

/** A slate with more is shown from its latest so many. */
const MOST_MOVES = 20_000

export interface HistoryView {
  /** Whether the first moves are among them. */
  readonly whole: boolean
  readonly chapters: readonly { readonly board: Board; readonly moves: readonly MadeMove[] }[]
  /** What was called out in class while it was made, and how it stood to it in the end. */
  readonly calls: readonly {
    readonly target: string
    /** The last move that belongs to it. */
    readonly number: number
    readonly is: Built['is']
    readonly way: string
    readonly after: number | null
  }[]
}

/** How a slate came about: its moves in their order, each under the edition that lay under it then. */
export async function historyOf(db: Kysely<Database>, editions: EditionCache, slate: string): Promise<HistoryView> {
  return db
    .transaction()
    .setIsolationLevel('repeatable read')
    .execute(async trx => {
      const { edition_hash, last_number } = await trx
        .selectFrom('slates')
        .select(['edition_hash', 'last_number'])
        .where('id', '=', slate)
        .executeTakeFirstOrThrow()
      const rows = await trx
        .selectFrom('moves')
        .select(['number', 'move', 'by', 'at'])
        .where('slate_id', '=', slate)
        .where('number', '>', last_number - MOST_MOVES)
        .orderBy('number')
        .execute()
      const moves = rows.map(({ at, ...row }) => ({ ...row, at: at.getTime() }))
      const changes = await trx
        .selectFrom('edition_changes')
        .select(['number', 'from_hash', 'to_hash'])
        .where('slate_id', '=', slate)
        .orderBy('turn')
        .execute()
      const hashes = [changes[0]?.from_hash ?? edition_hash, ...changes.map(change => change.to_hash)]
      const ends = [...changes.map(change => change.number), Infinity]
      const chapters = await Promise.all(
        hashes.map(async (hash, i) => ({
          board: (await editions.get(trx, hash)).board,
          moves: moves.filter(({ number }) => number > (ends[i - 1] ?? 0) && number <= ends[i]!),
        })),
      )
      const calls = await trx
        .selectFrom('builds')
        .innerJoin('callouts', 'callouts.id', 'builds.callout_id')
        .select(['callouts.target', 'builds.number', 'builds.is_there as is', 'builds.way', 'builds.after_s as after'])
        .where('builds.slate_id', '=', slate)
        .orderBy('callouts.number')
        .execute()
      return { whole: last_number <= MOST_MOVES, chapters, calls }
    })
}
