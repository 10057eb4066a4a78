import type { Board } from '../board/board'
import { partsOf } from '../board/parts'
import type { HandoutMode } from '../slate/kind'

export interface Suggestion {
  readonly mode: HandoutMode
  readonly because: 'parts' | 'vote' | 'notes' | 'key' | 'usual'
}

/**
 * How a board asks to be given out, and why. Parts for members mean a frame for each group; a vote or a spectrum is one
 * for everyone; so are notes that nobody marks; what has a key is each student's own work; and a copy each can't go
 * wrong.
 */
export function suggestMode(board: Board): Suggestion {
  if (partsOf(board) > 0) return { mode: 'frame-per-group', because: 'parts' }
  const kinds = new Set(board.keys.map(key => key.kind))
  const shared = kinds.has('vote') || kinds.has('spectrum')
  if (shared && kinds.size <= 2 && [...kinds].every(kind => kind === 'vote' || kind === 'spectrum'))
    return { mode: 'one-for-everyone', because: 'vote' }
  if (kinds.size > 0) return { mode: 'copy-each', because: 'key' }
  const masters = new Map(board.masters.map(master => [master.id, master.kind]))
  const pieces = board.pages.flatMap(page => page.pieces)
  const notes = pieces.filter(piece => 'master' in piece && masters.get(piece.master) === 'note').length
  return notes > 0 && notes * 2 >= pieces.length
    ? { mode: 'one-for-everyone', because: 'notes' }
    : { mode: 'copy-each', because: 'usual' }
}
