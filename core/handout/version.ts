import * as v from 'valibot'
import { checkBoard, type Board } from '../board/board'
import { pageWithout } from '../board/pagePieces'
import { PageIdSchema, PieceIdSchema } from '../board/ids'
import { withoutPiece } from '../keys/key'
import { MOST_STUDENTS } from '../roster/classList'
import { ok, refuse, type Result } from '../result'
import { storedText } from '../text/storedText'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
export const MOST_VERSIONS = 8

/** What of a board some students don't get: whole pages (a page of hints, say), and pieces. */
export const WithoutSchema = v.strictObject({
  pages: v.optional(v.pipe(v.array(PageIdSchema), v.maxLength(60)), []),
  pieces: v.optional(v.pipe(v.array(PieceIdSchema), v.maxLength(500)), []),
})
export type Without = v.InferOutput<typeof WithoutSchema>

/** Another version for some students: another board, or this one with less of it. */
export const VersionSchema = v.strictObject({
  name: v.pipe(storedText(40), v.trim(), v.minLength(1)),
  board: v.optional(Id),
  without: v.optional(WithoutSchema, { pages: [], pieces: [] }),
  students: v.pipe(v.array(Id), v.maxLength(MOST_STUDENTS)),
})
export type Version = v.InferOutput<typeof VersionSchema>

/**
 * The board without these pages and pieces, and without the answers about them: everything else stays as it was, the
 * size of cards too, so that two students with two versions see the same cards. What isn't there is passed over.
 * Refused where no page would be left.
 */
export function versionOf(board: Board, { pages: leftOut, pieces }: Without): Result<Board, 'nothing-left'> {
  const pages = board.pages.filter(page => !leftOut.includes(page.id))
  if (pages.length === 0) return refuse('nothing-left')
  const gone = new Set(pieces)
  const cut = pages.map(page => pageWithout(page, gone))
  const there = new Set(pages.map(page => page.id))
  const keys = board.keys
    .filter(key => there.has(key.page))
    .flatMap(key => [...gone].reduce<typeof key | null>((rest, id) => rest && withoutPiece(rest, id), key) ?? [])
  const version = { ...board, pages: cut, keys }
  // A key that can't do without what is left out goes with it.
  const fault = checkBoard(version)
  return ok(
    fault ? { ...version, keys: keys.filter(key => checkBoard({ ...version, keys: [key] }) === null) } : version,
  )
}
