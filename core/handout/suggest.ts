import type { Board } from '../board/board'
import { partsOf } from '../board/parts'
import { kindHas } from '../keys/kind'
import { isCounted } from '../keys/kinds'
import { writtenSpots } from '../layout/written'
import type { HandoutMode } from '../slate/kind'

export interface Suggestion {
  readonly mode: HandoutMode
  readonly because: 'parts' | 'vote' | 'voice' | 'notes' | 'key' | 'usual'
}

/**
 * How a board asks to be given out, and why. Parts for members mean a frame for each group; what is only counted, as
 * votes are, is one for everyone, but where one single piece is what they vote with it is a copy each, so that each has
 * a voice; notes that nobody marks are for everyone, where nothing else is to be done; what has a key is each student's
 * own work; and a copy each can't go wrong.
 */
export function suggestMode(board: Board): Suggestion {
  if (partsOf(board) > 0) return { mode: 'frame-per-group', because: 'parts' }
  const pieces = board.pages.flatMap(page => page.pieces)
  if (board.keys.length > 0 && board.keys.every(isCounted))
    return pieces.length === 1 && !pieces[0]!.bin
      ? { mode: 'copy-each', because: 'voice' }
      : { mode: 'one-for-everyone', because: 'vote' }
  if (board.keys.length > 0) return { mode: 'copy-each', because: 'key' }
  return gathersNotes(board) ? { mode: 'one-for-everyone', because: 'notes' } : { mode: 'copy-each', because: 'usual' }
}

/** Notes are half of its pieces; or it has none, and nothing to write or draw in: their tool is what it is for. */
function gathersNotes({ masters, pages, tools = [] }: Board): boolean {
  const pieces = pages.flatMap(page => page.pieces)
  if (pieces.length === 0)
    return (
      pages.some(page => (page.tools ?? tools).includes('note'))
      && pages.every(page => writtenSpots(page).length === 0 && !kindHas(page, 'drawing'))
    )
  const ofNotes = new Set(masters.filter(master => master.kind === 'note').map(master => master.id))
  return 2 * pieces.filter(piece => ofNotes.has(piece.master)).length >= pieces.length
}
