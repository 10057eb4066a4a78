import type { Kysely } from 'kysely'
import sharp from 'sharp'
import type { Board } from '../../core/board/board'
import { clipFilesOf, filesOf } from '../../core/board/files'
import type { FileHash } from '../../core/board/ids'
import type { PictureSource } from '../../core/drawing/primitive'
import type { SlateState } from '../../core/slate/state'
import type { Database } from '../database/tables'
import { shippedLibrary } from '../files/shippedLibrary'
import { pictureKey, type PictureBytes } from '../papers/pictureBytes'

type Db = Kysely<Database>
type Bytes = { readonly mediaType: 'image/png' | 'image/jpeg'; readonly bytes: Uint8Array }

/** Pixels of the longer side of a library's drawing, which is sharp on paper at the size of a hand. */
const LIBRARY_SIDE = 512

/** The pictures of a board, and of a slate over it, as papers take them. What can't be had is left out. */
export async function picturesFor(
  db: Db,
  board: Board,
  slate?: { readonly id: string; readonly state: SlateState },
): Promise<PictureBytes> {
  const heard = clipFilesOf(board)
  const files = filesOf(board).filter(file => !heard.has(file))
  const found = new Map<string, Bytes>()
  const add = (source: PictureSource, bytes: Bytes | null) => bytes && found.set(pictureKey(source), bytes)
  for (const file of await bytesOf(db, files)) add({ from: 'file', file: file.hash }, await printable(file))
  const own = Object.values(slate?.state.own ?? {}).flatMap(thing =>
    thing.kind === 'picture' && !thing.gone ? [thing] : [],
  )
  for (const { picture, from } of own)
    if (from === 'library') add({ from: 'library', name: picture }, await libraryBytes(picture))
  if (slate && own.some(thing => thing.from !== 'library')) {
    const rows = await db
      .selectFrom('slate_pictures')
      .innerJoin('files', 'files.hash', 'slate_pictures.file_hash')
      .select(['slate_pictures.id', 'files.hash', 'files.media_type', 'files.bytes'])
      .where('slate_id', '=', slate.id)
      .execute()
    for (const row of rows) add({ from: 'slate', id: row.id }, await printable(row))
  }
  return found
}

const bytesOf = async (db: Db, files: readonly FileHash[]) =>
  files.length
    ? await db.selectFrom('files').select(['hash', 'media_type', 'bytes']).where('hash', 'in', files).execute()
    : []

/** PDF knows JPEG and PNG alone. */
async function printable({
  media_type,
  bytes,
}: {
  readonly media_type: string
  readonly bytes: Buffer | null
}): Promise<Bytes | null> {
  if (!bytes) return null
  if (media_type === 'image/png' || media_type === 'image/jpeg') return { mediaType: media_type, bytes }
  return { mediaType: 'image/png', bytes: await sharp(bytes).png().toBuffer() }
}

async function libraryBytes(name: string): Promise<Bytes | null> {
  const svg = (await shippedLibrary()).svg(name)
  if (svg === null) return null
  const png = await sharp(Buffer.from(svg)).resize(LIBRARY_SIDE, LIBRARY_SIDE, { fit: 'inside' }).png().toBuffer()
  return { mediaType: 'image/png', bytes: png }
}

/** A board with all that is needed to put it on paper, and whose it is. */
export async function boardForPaper(db: Db, id: string) {
  const { document: board, author } = await db
    .selectFrom('boards')
    .innerJoin('teachers', 'teachers.id', 'boards.teacher_id')
    .select(['boards.document', 'teachers.name as author'])
    .where('boards.id', '=', id)
    .executeTakeFirstOrThrow()
  return { board, author, pictures: await picturesFor(db, board) }
}
