import { strToU8, zipSync } from 'fflate'
import type { Board } from '../../core/board/board'
import { makeEdition } from '../../core/board/edition'
import { drawPage } from '../../core/drawing/page'
import { qtiPackage } from '../../core/format/qti/package'
import { emptySlate } from '../../core/slate/state'
import type { PictureBytes } from './pictureBytes'
import { pngOf } from './png'
import { knowSyllablesOf } from './textRules'

/** Dots to a point of the page: their items say in points how large it is shown. */
const SHARPNESS = 2

/** A board's answers as a zip of QTI 3.0, with the pictures of pages that its items show, without any piece on them. */
export async function qtiZip({ board, pictures }: { board: Board; pictures: PictureBytes }): Promise<Buffer> {
  await knowSyllablesOf(board)
  const edition = makeEdition(board)
  const made = qtiPackage(edition)
  const drawn = await Promise.all(
    made.pictures.map(async ({ name, page }) => {
      const drawing = drawPage({ edition, page, state: emptySlate })
      return [name, await pngOf(drawing, pictures, { title: board.title, scale: SHARPNESS })] as const
    }),
  )
  const texts = Object.entries(made.files).map(([name, text]) => [name, strToU8(text)] as const)
  return Buffer.from(
    zipSync(Object.fromEntries([...texts, ...drawn.map(([name, png]) => [name, new Uint8Array(png)])])),
  )
}
