import * as v from 'valibot'
import { emptyBoard, readBoard, type Board } from '../core/board/board'
import {
  FileHashSchema,
  KeyIdSchema,
  MasterIdSchema,
  PageIdSchema,
  PieceIdSchema,
  PlaceIdSchema,
  type FileHash,
  type PieceId,
  type PlaceId,
} from '../core/board/ids'
import { keepKey } from '../core/design/answers'
import { addClip, changeClip } from '../core/design/clips'
import { withPage } from '../core/design/lookup'
import { addCards, addPictureCards, setTextSize } from '../core/design/pieces'
import { setBoxes } from '../core/design/items'
import { addZone } from '../core/design/places'
import { readPicture, type Picture } from '../server/files/picture'
import { setExplain, setHints, setNotes, setReading } from '../core/design/around'
import { setBoardTools } from '../core/design/tools'
import { pictureSvg, type BoardPlan } from './boards'

export interface MadeBoard {
  readonly board: Board
  readonly pictures: readonly Picture[]
}
/** A sound that was kept, by its hash, and how long it is. */
export interface KeptSound {
  readonly file: FileHash
  readonly seconds: number
}

/** Builds a board as the workbench would, by the same functions of the core. */
export async function makeBoard(plan: BoardPlan, sound: KeptSound): Promise<MadeBoard> {
  const pictures: Picture[] = []
  const keep = async (svg: string) => {
    const read = await readPicture(Buffer.from(svg))
    if (!read.ok) throw new Error(`a demo picture was refused: ${read.reason}`)
    pictures.push(read.value)
    return {
      file: v.parse(FileHashSchema, read.value.hash),
      pixelWidth: read.value.width,
      pixelHeight: read.value.height,
    }
  }
  const page = v.parse(PageIdSchema, 'page-1')
  const ids = countedIds()
  const placeIds = new Map<string, PlaceId>()
  let board: Board = setBoardTools(
    {
      ...emptyBoard(plan.title, page, plan.seed),
      instructions: plan.instructions,
      ...(plan.subject && { subject: plan.subject }),
      ...(plan.tags && { tags: [...plan.tags] }),
    },
    plan.tools ?? [],
  )

  const { explain, notes = false, hints = [], readPieces = false } = plan.around ?? {}
  board = setReading(
    setHints(setNotes(setExplain(board, page, explain ?? null), page, notes), page, null, hints.join('\n')),
    { readPieces },
  )

  const { colour, ruling, picture } = plan.backdrop ?? {}
  const printed = picture
    ? [{ id: 'backdrop-1', ...(await keep(picture.svg)), x: 0, y: 0, width: 960, height: 480, alt: picture.alt }]
    : []
  board = withPage(board, page, p => ({
    ...p,
    backdrop: { colour: colour ?? p.backdrop.colour, ruling: ruling ?? p.backdrop.ruling, pictures: printed },
  }))

  plan.zones.forEach(({ heading, part, box }, i) => {
    const id = v.parse(PlaceIdSchema, `zone-${i + 1}`)
    placeIds.set(heading, id)
    board = addZone(board, page, id, heading)
    if (part)
      board = withPage(board, page, p => ({
        ...p,
        places: p.places.map(place => (place.id === id ? { ...place, part } : place)),
      }))
    if (box) board = setBoxes(board, page, new Map([[id, box]]))
  })
  if (plan.sound) {
    const { name, words, box } = plan.sound
    board = addClip(board, page, { id: 'sound-1', kind: 'sound', name, ...sound, pixels: { width: 0, height: 0 } })
    board = setBoxes(
      changeClip(board, page, 'sound-1', clip => ({ ...clip, words })),
      page,
      new Map([['sound-1', box]]),
    )
  }

  const homes: Record<PieceId, PlaceId[]> = {}
  for (const { heading, words = [], pictures: names = [] } of plan.zones) {
    const before = board.pages[0]!.pieces.length
    board = addCards(board, page, words, ids)
    if (names.length) {
      const cards = await Promise.all(
        names.map(async name => ({ ...(await keep(pictureSvg(name))), text: '', alt: name.replaceAll('-', ' ') })),
      )
      board = addPictureCards(board, page, cards, ids)
    }
    for (const piece of board.pages[0]!.pieces.slice(before)) homes[piece.id] = [placeIds.get(heading)!]
  }
  for (const { word, homes: right } of plan.special ?? []) {
    board = addCards(board, page, [word], ids)
    homes[board.pages[0]!.pieces.at(-1)!.id] = right.map(heading => placeIds.get(heading)!)
  }
  if (plan.textSize) for (const { id } of board.masters) board = setTextSize(board, id, plan.textSize)
  // A master is made when the first card is; boards of pictures alone have no use for one of cards.
  board = {
    ...board,
    masters: board.masters.filter(m => board.pages.some(p => p.pieces.some(piece => piece.master === m.id))),
  }
  const keyed = Object.keys(homes).length
    ? keepKey(board, { kind: 'sort', id: v.parse(KeyIdSchema, 'key-1'), page, homes })
    : board
  const read = readBoard(keyed)
  if (!read.ok) throw new Error(`${plan.title}: ${JSON.stringify(read.reason)}`)
  return { board: read.value, pictures }
}

function countedIds() {
  let n = 0
  return { piece: () => v.parse(PieceIdSchema, `piece-${++n}`), master: () => v.parse(MasterIdSchema, `master-${++n}`) }
}
