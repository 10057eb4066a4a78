import type { Kysely, Transaction } from 'kysely'
import { withoutHeldBack } from '../../core/handout/heldBack'
import type { Board } from '../../core/board/board'
import { versionOf, type Version, type Without } from '../../core/handout/version'
import { ok, refuse, type Result } from '../../core/result'
import { keepEdition } from '../database/editions'
import type { Database } from '../database/tables'

type Db = Kysely<Database>
type Trx = Transaction<Database>

/**
 * The versions of a handout, frozen as they are now. Refused where one of them is a board that isn't the teacher's, or
 * leaves nothing.
 */
export async function keepVersions(
  trx: Trx,
  handout: string,
  versions: readonly Version[],
): Promise<Result<null, 'not-found' | 'nothing-left'>> {
  for (const [i, { name, board, without }] of versions.entries()) {
    const made = await boardFor(trx, handout, { board_id: board ?? null, without })
    if (!made.ok) return made
    const edition_hash = await keepEdition(trx, made.value)
    await trx
      .insertInto('handout_versions')
      .values({
        handout_id: handout,
        number: i + 1,
        name,
        board_id: board ?? null,
        without: JSON.stringify(without),
        edition_hash,
      })
      .execute()
  }
  return ok(null)
}

/** Boards are taken as they are on the shelf now; a version whose own board is gone is one of the handout's. */
async function boardFor(
  db: Db,
  handout: string,
  { board_id, without }: { board_id: string | null; without: Without },
): Promise<Result<Board, 'not-found' | 'nothing-left'>> {
  const row = await db
    .selectFrom('handouts')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .innerJoin('boards', 'boards.teacher_id', 'classes.teacher_id')
    .select(['boards.document', 'handouts.held_opened'])
    .where('handouts.id', '=', handout)
    .$if(board_id !== null, query => query.where('boards.id', '=', board_id!))
    .$if(board_id === null, query => query.whereRef('boards.id', '=', 'handouts.board_id'))
    .executeTakeFirst()
  return row ? versionOf(row.held_opened ? row.document : withoutHeldBack(row.document), without) : refuse('not-found')
}

/** Every version as the shelf has it now, by its number; null is what everybody else gets. */
export async function shelfVersions(db: Db, handout: string): Promise<Map<number | null, Board>> {
  const rows = await db
    .selectFrom('handout_versions')
    .select(['number', 'board_id', 'without'])
    .where('handout_id', '=', handout)
    .orderBy('number')
    .execute()
  const boards = new Map<number | null, Board>()
  for (const { number, ...row } of [{ number: null, board_id: null, without: { pages: [], pieces: [] } }, ...rows]) {
    const board = await boardFor(db, handout, row)
    // What would leave nothing any more, since the board was changed, stays as it is.
    if (board.ok) boards.set(number, board.value)
  }
  return boards
}

/** Those who get another version have it laid under their slates, before anything was done on them. */
export async function giveVersions(trx: Trx, handout: string, versions: readonly Version[]): Promise<void> {
  const rows = await trx
    .selectFrom('handout_versions')
    .select(['number', 'edition_hash'])
    .where('handout_id', '=', handout)
    .execute()
  for (const { number, edition_hash } of rows) {
    const students = versions[number - 1]?.students ?? []
    if (students.length === 0) continue
    await trx
      .updateTable('slates')
      .set({ version: number, edition_hash })
      .where('handout_id', '=', handout)
      .where('id', 'in', query =>
        query
          .selectFrom('slate_members')
          .select('slate_id')
          .where('handout_id', '=', handout)
          .where('student_id', 'in', [...students]),
      )
      .execute()
  }
}

/** The versions as their boards are now: for what was planned, and is given out early by hand. */
export async function freezeVersions(trx: Trx, handout: string): Promise<void> {
  for (const [number, board] of await shelfVersions(trx, handout)) {
    if (number === null) continue
    await trx
      .updateTable('handout_versions')
      .set({ edition_hash: await keepEdition(trx, board) })
      .where('handout_id', '=', handout)
      .where('number', '=', number)
      .execute()
  }
}
