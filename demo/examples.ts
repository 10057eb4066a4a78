import { readdirSync, readFileSync } from 'node:fs'
import type { BackdropPicture } from '../core/board/backdrop'
import { readBoard, type Board } from '../core/board/board'
import { withPage } from '../core/design/lookup'

const folder = new URL('../docs/formats/examples/', import.meta.url)
/** Shown by the demo's own boards already. */
const LEFT_OUT = new Set(['sort.board.json'])

/** On this one labels point at a picture, which the example itself, being one file, can't hold. */
const WITH_BOAT = 'label.board.json'

/** The worked examples of the open format: one board for each further kind of key. */
export function exampleBoards(boat: BackdropPicture): Board[] {
  return readdirSync(folder).filter(file => file.endsWith('.board.json') && !LEFT_OUT.has(file)).sort().map((file) => {
    const read = readBoard(JSON.parse(readFileSync(new URL(file, folder), 'utf8')))
    if (!read.ok) throw new Error(`${file}: ${JSON.stringify(read.reason)}`)
    const [page] = read.value.pages
    return file === WITH_BOAT ? withPage(read.value, page!.id, p => ({ ...p, backdrop: { ...p.backdrop, pictures: [boat] } })) : read.value
  })
}
