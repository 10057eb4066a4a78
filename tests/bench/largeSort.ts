import { makeEdition, type Edition } from '../../core/board/edition'
import type { PieceId } from '../../core/board/ids'
import { keepKey } from '../../core/design/answers'
import type { Random } from '../../core/layout/random'
import type { OnPage } from '../../core/slate/state'
import { keyId, pageId, sortBoard } from '../boards'

/** A sort with so many pieces and zones, each piece at home in one of them, and the same without a key. */
export function largeSort(pieces: number, zones: number) {
  const plain = sortBoard(
    Array.from({ length: zones }, (_, i) => `Zone ${i}`),
    Array.from({ length: pieces }, (_, i) => `word ${i}`),
  )
  const page = plain.pages[0]!
  const homes = Object.fromEntries(page.pieces.map(({ id }, i) => [id, [page.places[i % zones]!.id]]))
  const edition = makeEdition(keepKey(plain, { kind: 'sort', id: keyId('k'), page: pageId('page'), homes }))
  return { plain, page, edition }
}

/** All pieces strewn over the page. */
export const strewn = (page: Edition['board']['pages'][number], random: Random) =>
  Object.fromEntries(
    page.pieces.map(({ id }, z) => [id, { x: random() * page.width, y: random() * page.height, z }]),
  ) as Record<PieceId, OnPage>
