import type { Kysely } from 'kysely'
import { emptyBoard, type Board } from '../../core/board/board'
import { withoutAnswers, withoutSeed } from '../../core/board/edition'
import { filesOf, withFiles } from '../../core/board/files'
import type { FileHash, PageId } from '../../core/board/ids'
import type { BoardFile } from '../../core/format/boardFile'
import { ok, refuse, type Result } from '../../core/result'
import type { Database } from '../database/tables'
import { keepPicture } from '../files/keep'
import { keepClip } from '../files/keepClip'
import type { ReadFile } from '../labour/tasks'

type Db = Kysely<Database>

/** A new board: an empty page, or what the teacher starts from. It may only show the teacher's own files. */
export async function createBoard(
  db: Db,
  teacher: string,
  title: string,
  { organizer = false, ...from }: { page: PageId; organizer?: boolean } | { board: Board; organizer?: boolean },
): Promise<Result<string, { code: 'not-yours' }>> {
  const document = withoutSeed('page' in from ? emptyBoard(title, from.page, 0) : { ...from.board, title })
  if (!(await ownsAll(db, teacher, filesOf(document)))) return refuse({ code: 'not-yours' })
  const { id } = await db
    .insertInto('boards')
    .values({ teacher_id: teacher, title, document: JSON.stringify(document), organizer, updated_at: new Date() })
    .returning('id')
    .executeTakeFirstOrThrow()
  return ok(id)
}

async function ownsAll(db: Db, teacher: string, files: readonly FileHash[]): Promise<boolean> {
  return (await owned(db, teacher, files)).length === files.length
}
async function owned(db: Db, teacher: string, files: readonly FileHash[]): Promise<FileHash[]> {
  if (files.length === 0) return []
  const rows = await db
    .selectFrom('file_owners')
    .select('file_hash')
    .where('teacher_id', '=', teacher)
    .where('file_hash', 'in', files)
    .execute()
  return rows.map(row => row.file_hash as FileHash)
}

/**
 * The board of a file that was read, with its pictures and clips kept as the teacher's: of those that it came without,
 * what came `beside` it, by the names it has for them, or what the teacher has is found again.
 */
export async function keepRead(
  db: Db,
  teacher: string,
  { board, pictures, clips }: ReadFile,
  beside: ReadonlyMap<FileHash, FileHash> = new Map(),
): Promise<{ board: Board; missing: number }> {
  const files = new Map([...(await owned(db, teacher, filesOf(board))).map(file => [file, file] as const), ...beside])
  for (const { name, picture } of pictures) {
    await keepPicture(db, teacher, picture)
    files.set(name, picture.hash as FileHash)
  }
  for (const { name, clip, path } of clips) {
    const kept = await keepClip(db, teacher, clip, path)
    if (kept.ok) files.set(name, clip.hash as FileHash)
  }
  return withFiles(board, files)
}

/** A board from a file that was read. */
export async function importBoard(
  db: Db,
  teacher: string,
  read: ReadFile,
  beside?: ReadonlyMap<FileHash, FileHash>,
): Promise<{ id: string; missing: number }> {
  const found = await keepRead(db, teacher, read, beside)
  const made = await createBoard(db, teacher, found.board.title, { board: found.board })
  if (!made.ok) throw new Error("a board was left with a file that is not its teacher's")
  return { id: made.value, missing: found.missing }
}

/**
 * Bytes of sound and film in one board file: with the letters that they are written in it stays below what can be read
 * again.
 */
const MOST_CLIPS_IN_FILE = 55 * 1024 * 1024

/**
 * The board with its pictures and clips, as one file. Clips that it has no room for stay out of it, the largest first.
 */
export async function exportBoard(db: Db, id: string): Promise<BoardFile> {
  const { document: board } = await db
    .selectFrom('boards')
    .select('document')
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  return filesIn(db, board)
}

/** A board, or an edition of one, with the pictures and clips that it shows. */
async function filesIn(db: Db, board: Board): Promise<BoardFile> {
  const files = filesOf(board)
  const rows = files.length
    ? await db.selectFrom('files').select(['hash', 'media_type', 'bytes', 'size']).where('hash', 'in', files).execute()
    : []
  const pictures: Record<string, BoardFile['pictures'][FileHash]> = {}
  const clips: Record<string, BoardFile['clips'][FileHash]> = {}
  let room = MOST_CLIPS_IN_FILE
  for (const { hash, media_type, bytes, size } of rows.toSorted((a, b) => (a.size ?? 0) - (b.size ?? 0))) {
    if (bytes) pictures[hash] = { mediaType: media_type as 'image/png', base64: bytes.toString('base64') }
    else if (size! <= room) {
      room -= size!
      const pieces = await db
        .selectFrom('file_pieces')
        .select('bytes')
        .where('file_hash', '=', hash)
        .orderBy('number')
        .execute()
      clips[hash] = {
        mediaType: media_type as 'audio/wav',
        base64: Buffer.concat(pieces.map(piece => piece.bytes)).toString('base64'),
      }
    }
  }
  return { board, pictures, clips }
}

/** What a board shows and plays that its file has no room for. */
export const leftOutOf = ({ board, pictures, clips }: BoardFile): FileHash[] =>
  filesOf(board).filter(hash => !pictures[hash] && !clips[hash])

/** Put away and taken back, kept as an organizer or no longer. */
export async function setOnShelf(
  db: Db,
  id: string,
  { archived, organizer }: { archived?: boolean | undefined; organizer?: boolean | undefined },
): Promise<void> {
  await db
    .updateTable('boards')
    .set({
      ...(archived !== undefined && { archived_at: archived ? new Date() : null }),
      ...(organizer !== undefined && { organizer }),
    })
    .where('id', '=', id)
    .execute()
}

export async function boardsOf(db: Db, teacher: string) {
  const boards = await db
    .selectFrom('boards')
    .select(['id', 'title', 'document', 'updated_at', 'archived_at', 'organizer'])
    .where('teacher_id', '=', teacher)
    .orderBy('updated_at', 'desc')
    .execute()
  const given = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .select(['handouts.id', 'handouts.board_id', 'classes.name as className', 'handouts.created_at'])
    .where('boards.teacher_id', '=', teacher)
    // A draft is with nobody yet, nor is what goes out later.
    .where('handouts.given_at', 'is not', null)
    .orderBy('handouts.given_at', 'desc')
    .execute()
  return boards.map(({ document, updated_at, archived_at, ...board }) => ({
    ...board,
    archived: archived_at !== null,
    subject: document.subject ?? '',
    tags: document.tags ?? [],
    pages: document.pages.length,
    updatedAt: updated_at.toISOString(),
    pieces: document.pages.reduce((n, page) => n + page.pieces.length, 0),
    // The first page is enough for its picture on the shelf.
    picture: withoutAnswers({ ...document, pages: document.pages.slice(0, 1) }),
    handouts: given
      .filter(h => h.board_id === board.id)
      .map(h => ({ id: h.id, className: h.className, at: h.created_at.toISOString() })),
  }))
}

export async function boardById(db: Db, id: string) {
  const row = await db
    .selectFrom('boards')
    .select(['id', 'document', 'version', 'updated_at'])
    .where('id', '=', id)
    .executeTakeFirstOrThrow()
  return { id: row.id, board: row.document, version: row.version, updatedAt: row.updated_at.toISOString() }
}

export type SaveRefusal = { code: 'changed-elsewhere'; version: number } | { code: 'not-yours' }

/**
 * Keeps a board if nobody else has changed it since `version`. A board may only show files that its teacher has put in:
 * knowing a file's hash is not owning it.
 */
export async function saveBoard({
  db,
  id,
  teacher,
  board,
  version,
}: {
  readonly db: Db
  readonly id: string
  readonly teacher: string
  readonly board: Board
  readonly version: number
}): Promise<Result<{ version: number }, SaveRefusal>> {
  if (!(await ownsAll(db, teacher, filesOf(board)))) return refuse({ code: 'not-yours' })
  const saved = await db
    .updateTable('boards')
    .set(eb => ({
      document: JSON.stringify(withoutSeed(board)),
      title: board.title,
      version: eb('version', '+', 1),
      updated_at: new Date(),
    }))
    .where('id', '=', id)
    .where('version', '=', version)
    .returning('version')
    .executeTakeFirst()
  if (saved) return ok(saved)
  const current = await db.selectFrom('boards').select('version').where('id', '=', id).executeTakeFirstOrThrow()
  return refuse({ code: 'changed-elsewhere', version: current.version })
}
