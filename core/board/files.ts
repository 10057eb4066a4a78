import type { Board } from './board'
import type { FileHash } from './ids'

/** All files that a board shows, each once. */
export function filesOf(board: Board): FileHash[] {
  const all = board.pages.flatMap(page => [...page.backdrop.pictures.map(p => p.file), ...page.pieces.flatMap(piece => piece.kind === 'picture-card' ? [piece.file] : [])])
  return [...new Set(all)]
}

/**
 * The board with its files under other names. Where a file has none the picture is missing: it leaves the backdrop, and a
 * picture card becomes a card that says what the picture showed, so that its answers stay.
 */
export function withFiles(board: Board, files: ReadonlyMap<FileHash, FileHash>): { board: Board, missing: number } {
  const pages = board.pages.map(page => ({
    ...page,
    backdrop: { ...page.backdrop, pictures: page.backdrop.pictures.flatMap((picture) => {
      const file = files.get(picture.file)
      return file ? [{ ...picture, file }] : []
    }) },
    pieces: page.pieces.map((piece) => {
      if (piece.kind !== 'picture-card') return piece
      const file = files.get(piece.file)
      if (file) return { ...piece, file }
      const { id, master, bin, turns } = piece
      return { kind: 'card' as const, id, master, text: (piece.text || piece.alt).slice(0, 200), ...(bin && { bin }), ...(turns && { turns }) }
    }),
  }))
  return { board: { ...board, pages }, missing: filesOf(board).filter(file => !files.has(file)).length }
}
