import { readdirSync, readFileSync } from 'node:fs'
import type { Board } from '../core/board/board'
import { readBoardFile } from '../core/format/boardFile'
import type { SlateState } from '../core/slate/state'

const FOLDER = 'docs/formats/examples'
/** The documented boards, one of each kind. */
export const examples = readdirSync(FOLDER)
  .filter(f => f.endsWith('.board.json'))
  .map(file => ({ file, board: JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')) as Board }))

/** The same as the application reads them, in the order of their files. */
export const exampleBoards: readonly Board[] = examples
  .toSorted((a, b) => (a.file < b.file ? -1 : 1))
  .map(({ file, board }) => {
    const read = readBoardFile(board)
    if (!read.ok) throw new Error(file)
    return read.value.board
  })

/** All that lies moved by so much: onto edges, into other places, off them. */
export const moved = (state: SlateState, dx: number, dy: number): SlateState => ({
  ...state,
  pieces: Object.fromEntries(
    Object.entries(state.pieces).map(([piece, lies]) => [piece, { ...lies, x: lies.x + dx, y: lies.y + dy }]),
  ),
})

/** Each piece where the next but so many lies. */
export function exchanged(state: SlateState, by: number): SlateState {
  const all = Object.entries(state.pieces)
  return {
    ...state,
    pieces: Object.fromEntries(
      all.map(([piece, lies], i) => {
        const { x, y } = all[(i + by) % all.length]![1]
        return [piece, { ...lies, x, y }]
      }),
    ),
  }
}
