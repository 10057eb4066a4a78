import type { Kysely } from 'kysely'
import { emptyBoard, type Board } from '../../core/board/board'
import { withoutAnswers } from '../../core/board/edition'
import type { PageId } from '../../core/board/ids'
import { ok, refuse, type Result } from '../../core/result'
import { filesOf } from '../database/editions'
import type { Database } from '../database/tables'

type Db = Kysely<Database>

export async function createBoard(db: Db, teacher: string, title: string, page: PageId, seed: number): Promise<string> {
  const document = emptyBoard(title, page, seed)
  const { id } = await db.insertInto('boards').values({ teacher_id: teacher, title, document: JSON.stringify(document), updated_at: new Date() })
    .returning('id').executeTakeFirstOrThrow()
  return id
}

export async function boardsOf(db: Db, teacher: string) {
  const boards = await db.selectFrom('boards').select(['id', 'title', 'document', 'updated_at'])
    .where('teacher_id', '=', teacher).orderBy('updated_at', 'desc').execute()
  const given = await db.selectFrom('handouts').innerJoin('boards', 'boards.id', 'handouts.board_id').innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['handouts.id', 'handouts.board_id', 'classes.name as className', 'handouts.created_at'])
    .where('boards.teacher_id', '=', teacher).orderBy('handouts.created_at', 'desc').execute()
  return boards.map(({ document, updated_at, ...board }) => ({
    ...board,
    updatedAt: updated_at.toISOString(),
    pieces: document.pages.reduce((n, page) => n + page.pieces.length, 0),
    // The first page is enough for its picture on the shelf.
    picture: withoutAnswers({ ...document, pages: document.pages.slice(0, 1) }),
    handouts: given.filter(h => h.board_id === board.id).map(h => ({ id: h.id, className: h.className, at: h.created_at.toISOString() })),
  }))
}

export async function boardById(db: Db, id: string) {
  const row = await db.selectFrom('boards').select(['id', 'document', 'version', 'updated_at']).where('id', '=', id).executeTakeFirstOrThrow()
  return { id: row.id, board: row.document, version: row.version, updatedAt: row.updated_at.toISOString() }
}

export type SaveRefusal = { code: 'changed-elsewhere', version: number } | { code: 'not-yours' }

/**
 * Keeps a board if nobody else has changed it since `version`. A board may only show files that its teacher has put in:
 * knowing a file's hash is not owning it.
 */
export async function saveBoard(db: Db, id: string, teacher: string, board: Board, version: number): Promise<Result<{ version: number }, SaveRefusal>> {
  const files = filesOf(board)
  if (files.length) {
    const owned = await db.selectFrom('file_owners').select('file_hash').where('teacher_id', '=', teacher).where('file_hash', 'in', files).execute()
    if (owned.length < files.length) return refuse({ code: 'not-yours' })
  }
  const saved = await db.updateTable('boards')
    .set(eb => ({ document: JSON.stringify(board), title: board.title, version: eb('version', '+', 1), updated_at: new Date() }))
    .where('id', '=', id).where('version', '=', version).returning('version').executeTakeFirst()
  if (saved) return ok(saved)
  const current = await db.selectFrom('boards').select('version').where('id', '=', id).executeTakeFirstOrThrow()
  return refuse({ code: 'changed-elsewhere', version: current.version })
}
