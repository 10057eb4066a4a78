import type { Page } from '../board/board'
import { pieceName } from '../board/pieceName'
import { isBlank } from '../board/whatPlacesTake'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { itemBox } from '../layout/itemBox'
import type { ItemMark } from '../keys/outcome'
import type { MarginItem } from '../margin/item'
import { anchorOf, pinnedItems, stillAsks } from '../margin/pinned'
import { spotOf } from '../margin/spot'
import type { OwnOnSlate } from '../slate/own'
import type { SlateState } from '../slate/state'
import { USUAL_LANGUAGE, type Language } from '../text/spoken'
import { drawFigure, drawLine, drawPrintedPicture } from './backdrop'
import { drawClipCard } from './clipCard'
import { drawStroke } from './ink'
import { drawJoin } from './joins'
import { fixedOn, joinsOn, lyingPieces, ownLayers, strokesOn, type OwnThing } from './layers'
import { drawMarginInk, drawMarginTick, drawPinned } from './margin'
import { drawOwn } from './own'
import { chosen } from './palette'
import { drawPiece } from './piece'
import { drawPart, drawPlace, drawVeiledOutline } from './place'
import { boxPath, type Primitive } from './primitive'
import { drawStep } from './steps'
import { drawRuling } from './ruling'
import { treeOf, type Tree } from './tree'
import { drawSign, kindSign } from './verdict'
import { drawWritten } from './written'

/** What a thing on the page is, for those who take a drawing apart. */
export type ThingKind =
  | 'ground'
  | 'ruling'
  | 'printed'
  | 'step'
  | 'colour'
  | 'place'
  | 'clip'
  | 'written'
  | 'stroke'
  | 'shape'
  | 'join'
  | 'piece'
  | 'own'
  | 'verdict'
  | 'margin'

/** One thing with all that is drawn of it. `at` is where the origin of its marks lies, and its turn to the right. */
export interface Thing {
  readonly id: string
  readonly kind: ThingKind
  /** What it is called; empty where there is nothing to say of it. */
  readonly name: string
  readonly at?: { readonly x: number; readonly y: number; readonly turn?: number | undefined }
  readonly marks: readonly Primitive[]
}

/** A page with all that lies on it, the lowest first. Points. */
export interface PageDrawing {
  readonly width: number
  readonly height: number
  readonly language: Language
  readonly things: readonly Thing[]
  /** The same page as it is read by whoever doesn't see it. */
  readonly tree: Tree
}

export type SeenMark = Pick<ItemMark, 'item' | 'is' | 'verdict'>

interface Drawn {
  readonly edition: Edition
  readonly page: Page
  readonly state: SlateState
  /** What the key says, shown on each: to students kindly. */
  readonly marks?: readonly SeenMark[]
  readonly kindly?: boolean
  readonly margin?: readonly { readonly id: string; readonly item: MarginItem }[]
}

/** A page as it is seen everywhere, nothing of it in anybody's hand. */
export function drawPage(drawn: Drawn): PageDrawing {
  const { edition, page, state, margin = [] } = drawn
  const fixed = fixedOn(page)
  const own = ownLayers(state, page)
  const language = edition.board.language ?? USUAL_LANGUAGE
  return {
    width: page.width,
    height: page.height,
    language,
    // Worked out only where it is read.
    get tree() {
      return treeOf({ edition, page, state })
    },
    things: [
      ...backdropThings(page),
      ...(page.steps ?? []).map((step, i) => thing('step', step.id, step.instructions, drawStep(step, i + 1, false))),
      ...ownThings('colour', own.colours, drawn),
      ...page.places.map(place => {
        const look = { lit: false, clear: own.coloured.has(place.id) }
        const heading = (isBlank(place) && state.texts[place.id]) || place.heading
        return thing('place', place.id, heading, [...drawPlace(place, look), ...drawPart(place, page)])
      }),
      ...fixed.veiled.map(place => thing('place', `outline ${place.id}`, '', drawVeiledOutline(place))),
      ...fixed.pressed.map(clip => thing('clip', clip.id, clip.name, drawClipCard(clip))),
      ...fixed.spots.flatMap(spot => {
        const text = state.texts[spot.name]
        return text ? [thing('written', spot.name, text, drawWritten(spot, text))] : []
      }),
      ...strokesOn(state, page).map(([id, stroke]) => thing('stroke', id, '', drawStroke(stroke.points))),
      ...ownThings('shape', own.shapes, drawn),
      ...joinsOn(state, page, edition).map(join => thing('join', join.join('>'), '', drawJoin(join, drawn))),
      ...lyingPieces(state, page, edition).map(({ piece, master, at }) => {
        const written = state.texts[piece.id]
        const marks = drawPiece({ piece, master, language, flipped: at.flipped, written })
        return { ...thing('piece', piece.id, written || pieceName(piece), marks), at }
      }),
      ...ownThings('own', own.above, drawn),
      ...verdictThings(drawn),
      ...marginThings(margin, drawn),
    ],
  }
}

const thing = (kind: ThingKind, id: string, name: string, marks: readonly Primitive[]): Thing => ({
  id,
  kind,
  name,
  marks,
})

function backdropThings(page: Page): Thing[] {
  const { colour, ruling, pictures, figures, lines } = page.backdrop
  const ground = boxPath({ x: 0, y: 0, width: page.width, height: page.height })
  return [
    thing('ground', 'ground', '', [{ kind: 'path', d: ground, fill: chosen(colour) }]),
    ...(ruling.kind === 'none' ? [] : [thing('ruling', 'ruling', '', drawRuling(page))]),
    ...pictures.map(picture => thing('printed', picture.id, picture.alt, drawPrintedPicture(picture))),
    ...(figures ?? []).map(figure => thing('printed', figure.id, figure.text, drawFigure(figure))),
    ...(lines ?? []).map(line => thing('printed', line.id, '', drawLine(line))),
  ]
}

function nameOfOwn(own: OwnOnSlate): string {
  return 'text' in own ? own.text : own.kind === 'picture' ? own.alt : ''
}
const ownThings = (kind: ThingKind, own: readonly OwnThing[], look: Drawn): Thing[] =>
  own.map(({ id, thing: made }) => thing(kind, id, nameOfOwn(made), drawOwn(made, look)))

/** A little within the lower left corner of a piece, the upper right one of anything else. */
const FROM_PIECE = 2
const FROM_PLACE = 6

function verdictThings({ edition, page, state, marks = [], kindly = false }: Drawn): Thing[] {
  return marks.flatMap(({ item, is, verdict }, i) => {
    const spot = verdictSpot(item, is)
    if (!spot) return []
    return [{ ...thing('verdict', `verdict ${i}`, '', drawSign(kindly ? kindSign(verdict) : verdict)), at: spot }]
  })
  function verdictSpot(item: string, is: SeenMark['is']) {
    if (is === 'piece') {
      const [at, entry] = [state.pieces[item as PieceId], edition.pieces.get(item as PieceId)]
      if (!at || entry?.page !== page) return null
      const { width, height } = entry.master
      return { x: at.x - width / 2 + FROM_PIECE, y: at.y + height / 2 - FROM_PIECE }
    }
    const box = is === 'place' || is === 'figure' ? itemBox(item, page) : null
    return box && { x: box.x + box.width - FROM_PLACE, y: box.y + FROM_PLACE }
  }
}

function marginThings(margin: Drawn['margin'] & object, { edition, page, state }: Drawn): Thing[] {
  const seen = { edition, page, state }
  const here = margin.filter(({ item }) => item.page === page.id)
  const placed = (id: string, item: Parameters<typeof anchorOf>[0], marks: readonly Primitive[]): Thing[] => {
    const at = spotOf(anchorOf(item), seen)
    return at ? [{ ...thing('margin', id, '', marks), at }] : []
  }
  return [
    ...here.flatMap(({ id, item }) =>
      item.kind === 'ink' ? [thing('margin', id, '', drawMarginInk(item.points, item.tip))] : [],
    ),
    ...here.flatMap(({ id, item }) => {
      if (item.kind !== 'tick') return []
      const at = spotOf(item.at, seen)
      return at ? [{ ...thing('margin', id, '', drawMarginTick()), at }] : []
    }),
    ...pinnedItems(margin)
      .filter(({ item }) => item.page === page.id && stillAsks(item, state))
      .flatMap(({ id, number, item }) => placed(id, item, drawPinned(item.kind, number))),
  ]
}
