import type { Board, Page } from './board'
import type { FileHash } from './ids'

/** All files that a board shows or plays, each once. */
export function filesOf(board: Board): FileHash[] {
  const all = board.pages.flatMap(page => [
    ...page.backdrop.pictures.map(p => p.file),
    ...page.pieces.flatMap(piece => (piece.kind === 'picture-card' ? [piece.file] : [])),
    ...(page.backdrop.clips ?? []).flatMap(({ file, poster }) => (poster ? [file, poster] : [file])),
    ...spokenOn(page),
  ])
  return [...new Set([...(board.spoken ? [board.spoken.file] : []), ...all])]
}

/** Of these, what is heard or seen as it goes on, not a picture. */
export function clipFilesOf(board: Board): Set<FileHash> {
  return new Set([
    ...(board.spoken ? [board.spoken.file] : []),
    ...board.pages.flatMap(page => [...(page.backdrop.clips ?? []).map(clip => clip.file), ...spokenOn(page)]),
  ])
}

const spokenOn = (page: Page) => (page.steps ?? []).flatMap(({ spoken }) => (spoken ? [spoken.file] : []))

/**
 * The board with its files under other names. Where a file has none it is missing: a picture or a clip leaves the
 * backdrop, words are no longer spoken, and a picture card becomes a card that says what the picture showed, so that
 * its answers stay.
 */
export function withFiles(board: Board, files: ReadonlyMap<FileHash, FileHash>): { board: Board; missing: number } {
  const kept = <T extends { file: FileHash }>(things: readonly T[]) =>
    things.flatMap(thing => {
      const file = files.get(thing.file)
      return file ? [{ ...thing, file }] : []
    })
  const heard = <T extends { spoken?: Board['spoken'] }>({ spoken, ...rest }: T) => {
    const [again] = kept(spoken ? [spoken] : [])
    return { ...rest, ...(again && { spoken: again }) }
  }
  const pages = board.pages.map(page => ({
    ...page,
    backdrop: {
      ...page.backdrop,
      pictures: kept(page.backdrop.pictures),
      ...(page.backdrop.clips && {
        clips: kept(page.backdrop.clips).map(({ poster, ...clip }) => ({
          ...clip,
          ...(poster && files.has(poster) && { poster: files.get(poster)! }),
        })),
      }),
    },
    ...(page.steps && { steps: page.steps.map(heard) }),
    pieces: page.pieces.map(piece => {
      if (piece.kind !== 'picture-card') return piece
      const file = files.get(piece.file)
      if (file) return { ...piece, file }
      const { id, master, bin, turns } = piece
      return {
        kind: 'card' as const,
        id,
        master,
        text: (piece.text || piece.alt).slice(0, 200),
        ...(bin && { bin }),
        ...(turns && { turns }),
      }
    }),
  }))
  return { board: { ...heard(board), pages }, missing: filesOf(board).filter(file => !files.has(file)).length }
}
