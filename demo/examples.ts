import { readdirSync, readFileSync } from 'node:fs'
import type { BackdropPicture } from '../core/board/backdrop'
import { readBoard, type Board } from '../core/board/board'
import { makeEdition } from '../core/board/edition'
import { withPage } from '../core/design/lookup'
import { readWork } from '../core/format/work'
import type { SlateState } from '../core/slate/state'

const folder = new URL('../docs/formats/examples/', import.meta.url)
/** Shown by the demo's own boards already. */
const LEFT_OUT = new Set(['sort.board.json'])

/** On this one labels point at a picture, which the example itself, being one file, can't hold. */
const WITH_BOAT = 'label.board.json'

export interface Example {
  readonly board: Board
  readonly work: SlateState
}

/** The worked examples of the open format, with the work that stands beside each: one board for each kind of key. */
export function examples(): { readonly file: string; readonly example: Example }[] {
  return readdirSync(folder)
    .filter(file => file.endsWith('.board.json'))
    .sort()
    .map(file => {
      const json = (part: string): unknown =>
        JSON.parse(readFileSync(new URL(file.replace('.board.', `.${part}.`), folder), 'utf8'))
      const board = readBoard(json('board'))
      if (!board.ok) throw new Error(`${file}: ${JSON.stringify(board.reason)}`)
      const work = readWork(json('work'), makeEdition(board.value))
      if (!work.ok) throw new Error(`${file}: ${work.reason}`)
      return { file, example: { board: board.value, work: work.value } }
    })
}

/** Those that the demo has no board of its own for. */
export function exampleBoards(boat: BackdropPicture): Example[] {
  return examples()
    .filter(({ file }) => !LEFT_OUT.has(file))
    .map(({ file, example: { board, work } }) => {
      const [page] = board.pages
      return {
        board:
          file === WITH_BOAT
            ? withPage(board, page!.id, p => ({ ...p, backdrop: { ...p.backdrop, pictures: [boat] } }))
            : board,
        work,
      }
    })
}
