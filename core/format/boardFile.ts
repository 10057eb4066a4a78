import * as v from 'valibot'
import { readBoard, type Board, type BoardFault } from '../board/board'
import { FileHashSchema, type FileHash } from '../board/ids'
import { ok, refuse, type Result } from '../result'

const PictureSchema = v.object({
  mediaType: v.picklist(['image/png', 'image/jpeg', 'image/webp']),
  base64: v.pipe(v.string(), v.maxLength(40_000_000), v.regex(/^[A-Za-z0-9+/]*={0,2}$/)),
})

const CLIP_TYPES = [
  'audio/mpeg',
  'audio/wav',
  'audio/mp4',
  'audio/webm',
  'audio/ogg',
  'video/mp4',
  'video/webm',
] as const
const ClipFileSchema = v.object({
  mediaType: v.picklist(CLIP_TYPES),
  base64: v.pipe(v.string(), v.maxLength(72_000_000), v.regex(/^[A-Za-z0-9+/]*={0,2}$/)),
})

const WholeSchema = v.object({
  format: v.literal('dappled-slate/board-file'),
  version: v.literal(1),
  board: v.unknown(),
  pictures: v.record(FileHashSchema, PictureSchema),
  clips: v.optional(v.record(FileHashSchema, ClipFileSchema)),
})

/** A board with the pictures, sounds and films on it, in one file that a colleague can be given. */
export interface BoardFile {
  readonly board: Board
  readonly pictures: Readonly<Record<FileHash, v.InferOutput<typeof PictureSchema>>>
  readonly clips: Readonly<Record<FileHash, v.InferOutput<typeof ClipFileSchema>>>
}
export type BoardFileFault = BoardFault | { readonly code: 'no-file' }

export function writeBoardFile({ board, pictures, clips }: BoardFile): string {
  return JSON.stringify(
    { format: 'dappled-slate/board-file', version: 1, board, pictures, ...(Object.keys(clips).length && { clips }) },
    null,
    1,
  )
}

/** Reads such a file, or a bare board document; of that its pictures and clips are not known. */
export function readBoardFile(data: unknown): Result<BoardFile, BoardFileFault> {
  const whole = v.safeParse(WholeSchema, data)
  const isDocument =
    typeof data === 'object' && data !== null && 'format' in data && data.format === 'dappled-slate/board'
  if (!whole.success && !isDocument) return refuse({ code: 'no-file' })
  const read = readBoard(whole.success ? whole.output.board : data)
  return read.ok
    ? ok({
        board: read.value,
        pictures: whole.success ? whole.output.pictures : {},
        clips: whole.success ? (whole.output.clips ?? {}) : {},
      })
    : read
}
