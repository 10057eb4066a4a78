import type { Board } from '../board/board'
import { partsOf } from '../board/parts'
import type { HandoutMode } from '../slate/kind'

export interface Suggestion {
  readonly mode: HandoutMode
  readonly because: 'parts' | 'vote' | 'voice' | 'notes' | 'key' | 'usual'
}

/**
 * How a board asks to be given out, and why. Parts for members mean a frame for each group; a vote or a spectrum is one
 * for everyone, but where one single piece is what they vote with it is a copy each, so that each has a voice; notes
 * that nobody marks are for everyone; what has a key is each student's own work; and a copy each can't go wrong.
 */
export function suggestMode(board: Board): Suggestion {
  if (partsOf(board) > 0) return { mode: 'frame-per-group', because: 'parts' }
  const pieces = board.pages.flatMap(page => page.pieces)
  const kinds = new Set(board.keys.map(key => key.kind))
  const shared = kinds.has('vote') || kinds.has('spectrum')
  if (shared && kinds.size <= 2 && [...kinds].every(kind => kind === 'vote' || kind === 'spectrum'))
    return pieces.length === 1 && !pieces[0]!.bin
      ? { mode: 'copy-each', because: 'voice' }
      : { mode: 'one-for-everyone', because: 'vote' }
  if (kinds.size > 0) return { mode: 'copy-each', because: 'key' }
  const masters = new Map(board.masters.map(master => [master.id, master.kind]))
  const notes = pieces.filter(piece => 'master' in piece && masters.get(piece.master) === 'note').length
  const given = pieces.length === 0 && board.tools?.includes('note')
  return given || (notes > 0 && notes * 2 >= pieces.length)
    ? { mode: 'one-for-everyone', because: 'notes' }
    : { mode: 'copy-each', because: 'usual' }
}
