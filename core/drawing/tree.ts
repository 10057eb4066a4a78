import type { Page, Step } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId, PlaceId } from '../board/ids'
import type { Gaps, Grid, Place } from '../board/place'
import { isBlank } from '../board/whatPlacesTake'
import { bounds, boxAround, boxOf, outline } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { readingOrder } from '../layout/readingOrder'
import { laneOrder } from '../placement/contents'
import { inkIn } from '../placement/ink'
import { ownInPlaces } from '../placement/ownIn'
import { innermost } from '../placement/nesting'
import { placePieces, type Placement, type Share } from '../placement/placement'
import { stepAround } from '../placement/tasks'
import { boxOfOwn, ownOn, type OwnOnSlate } from '../slate/own'
import type { SlateState } from '../slate/state'
import { readsFromRight } from '../text/spoken'
import { fixedOn, joinsOn } from './layers'

/**
 * A page as a tree of things, in the order in which it is read: what it is for whoever doesn't see it. Words are those
 * of the board and of students; whoever tells of it has the others. `id` is that of the drawn thing, or of the spot
 * that is written in.
 */
export type Branch =
  | { readonly is: 'printed' | 'picture' | 'pressed'; readonly id: string; readonly words: string }
  | { readonly is: 'step'; readonly id: string; readonly number: number; readonly words: string; readonly within: Tree }
  | {
      readonly is: 'place'
      readonly id: PlaceId
      readonly place: Place
      readonly pieces: number
      /** Of what students drew, wrote or laid there themselves. */
      readonly things: number
      readonly within: Tree
    }
  /** What lies in several places at once, as where rings cross. */
  | { readonly is: 'both'; readonly id: string; readonly places: readonly PlaceId[]; readonly within: Tree }
  /** Counted from 0. Of a grid without anything printed in it only cells that hold something are told of. */
  | {
      readonly is: 'cell'
      readonly id: string
      readonly row: number
      readonly column: number
      readonly words: string
      readonly within: Tree
    }
  /** What is printed in a row of a grid of which nothing holds anything. */
  | { readonly is: 'row'; readonly id: string; readonly row: number; readonly words: string }
  /** A part of a sentence between its gaps, with the spaces around it. */
  | { readonly is: 'words'; readonly id: string; readonly words: string }
  /** From 1. `words` is what was typed in it. */
  | {
      readonly is: 'gap'
      readonly id: string
      readonly number: number
      readonly words: string
      readonly typed: boolean
      readonly within: Tree
    }
  /** A writing space, or the heading that students write. */
  | { readonly is: 'written'; readonly id: string; readonly words: string }
  | { readonly is: 'ink'; readonly id: string; readonly lines: number }
  | { readonly is: 'piece'; readonly id: PieceId }
  /** What lies outside of every place, or nobody can say in which. */
  | { readonly is: 'loose'; readonly id: string; readonly within: Tree }
  | { readonly is: 'join'; readonly id: string; readonly from: PieceId; readonly to: PieceId }
  | { readonly is: 'own'; readonly id: string; readonly thing: OwnOnSlate }
export type Tree = readonly Branch[]
export type BranchOf<Is extends Branch['is']> = Extract<Branch, { is: Is }>

export interface Shown {
  readonly edition: Edition
  readonly page: Page
  readonly state: SlateState
  /** Where the pieces are, for whoever has worked it out already. */
  readonly placements?: readonly Placement[] | undefined
}

/** What of a branch stands below it; nothing below most. */
export const withinBranch = (branch: Branch): Tree => ('within' in branch ? branch.within : [])

/** The whole page. Of pieces those that lie on it, each once; places also where nothing lies in them. */
export function treeOf(shown: Shown): Tree {
  const { edition, page, state } = shown
  const { pictures, figures = [] } = page.backdrop
  const filled = filledOf(shown)
  const fromRight = readsFromRight(edition.board.language)
  const ordered = <T>(things: readonly T[], boxOfThing: (thing: T) => Box) =>
    readingOrder(things, boxOfThing, fromRight)
  const branchOf = (place: Place): Boxed => ({ box: boxOf(place), branch: placeBranch(place, filled, shown) })
  const steps = page.steps ?? []
  const stepOf = new Map(page.places.map(place => [place.id, stepAround(place, page)?.id]))
  const stepBranch = (step: Step, i: number): Boxed => ({
    box: step,
    branch: {
      is: 'step',
      id: step.id,
      number: i + 1,
      words: step.instructions,
      within: branches(page.places.filter(place => stepOf.get(place.id) === step.id).map(branchOf)),
    },
  })
  const branches = (boxed: readonly Boxed[]): Branch[] => ordered(boxed, one => one.box).map(one => one.branch)
  const printed = figures
    .filter(figure => figure.text)
    .map(({ id, text, shape }): Boxed => ({ box: bounds(outline(shape)), branch: { is: 'printed', id, words: text } }))
  const pressed = fixedOn(page).pressed.map((one): Boxed => ({
    box: one,
    branch: { is: 'pressed', id: one.id, words: one.name },
  }))
  const alone = page.places.filter(place => !stepOf.get(place.id))
  const inPlaces = new Set([...filled.own.values()].flat().map(([id]) => id))
  const own = ownOn(state.own, page.id).filter(([id]) => !inPlaces.has(id))
  const boxOfPiece = (id: PieceId) => boxAround(state.pieces[id]!, edition.pieces.get(id)!.master)
  return [
    // What is printed under everything else is told of first.
    ...ordered(pictures, one => one).map(({ id, alt }): Branch => ({ is: 'picture', id, words: alt })),
    ...branches([...printed, ...pressed, ...alone.map(branchOf), ...steps.map(stepBranch)]),
    ...[...filled.both].map(([id, { places, pieces }]): Branch => ({
      is: 'both',
      id,
      places,
      within: ordered(pieces, boxOfPiece).map(pieceBranch),
    })),
    ...(filled.loose.length
      ? [{ is: 'loose' as const, id: 'loose', within: ordered(filled.loose, boxOfPiece).map(pieceBranch) }]
      : []),
    ...joinsOn(state, page, edition).map(([from, to]): Branch => ({ is: 'join', id: `${from}>${to}`, from, to })),
    ...ordered(own, boxOfEntry).map(ownBranch),
  ]
}

interface Boxed {
  readonly box: Box
  readonly branch: Branch
}
const NOWHERE: Box = { x: 0, y: 0, width: 0, height: 0 }
const pieceBranch = (id: PieceId): Branch => ({ is: 'piece', id })
type OwnEntry = readonly [string, OwnOnSlate]
const ownBranch = ([id, thing]: OwnEntry): Branch => ({ is: 'own', id, thing })
const boxOfEntry = ([, thing]: OwnEntry): Box => boxOfOwn(thing) ?? NOWHERE

interface Filled {
  readonly placements: readonly Placement[]
  /** What surely lies in one place alone. */
  readonly alone: ReadonlyMap<PlaceId, readonly Lying[]>
  readonly both: ReadonlyMap<string, { readonly places: readonly PlaceId[]; readonly pieces: readonly PieceId[] }>
  readonly loose: readonly PieceId[]
  readonly own: ReadonlyMap<PlaceId, readonly OwnEntry[]>
}
interface Lying {
  readonly piece: PieceId
  readonly share: Share
}

function filledOf({ edition, page, state, placements = placePieces(state, page, edition) }: Shown): Filled {
  const alone = new Map<PlaceId, Lying[]>()
  const both = new Map<string, { places: PlaceId[]; pieces: PieceId[] }>()
  const loose: PieceId[] = []
  for (const { piece, at, shares } of placements) {
    if (at === 'ledge') continue
    const sure = innermost(shares, page).filter(share => share.certainty === 'in')
    const [only, more] = sure
    if (!only) loose.push(piece)
    else if (!more) addTo(alone, only.place, { piece, share: only })
    else {
      const places = page.places.map(place => place.id).filter(id => sure.some(share => share.place === id))
      const there = both.get(places.join('+'))
      if (there) there.pieces.push(piece)
      else both.set(places.join('+'), { places, pieces: [piece] })
    }
  }
  return { placements, alone, both, loose, own: ownInPlaces(state, page) }
}

function addTo<Key, Value>(lists: Map<Key, Value[]>, key: Key, value: Value): void {
  const there = lists.get(key)
  if (there) there.push(value)
  else lists.set(key, [value])
}

function placeBranch(place: Place, filled: Filled, shown: Shown): Branch {
  const { edition, page, state } = shown
  const things = filled.own.get(place.id) ?? []
  const there = filled.alone.get(place.id) ?? []
  const heading: Tree = isBlank(place) ? [{ is: 'written', id: place.id, words: state.texts[place.id] ?? '' }] : []
  const branch = (within: Tree): Branch => ({
    is: 'place',
    id: place.id,
    place,
    pieces: there.length,
    things: things.length,
    within: [
      ...heading,
      ...within,
      ...readingOrder(things, boxOfEntry, readsFromRight(edition.board.language)).map(ownBranch),
    ],
  })
  switch (place.kind) {
    case 'writing':
      return branch([{ is: 'written', id: place.id, words: state.texts[place.id] ?? '' }])
    case 'drawing':
      return branch([{ is: 'ink', id: place.id, lines: inkIn(state, place.id, page).length }])
    case 'gaps':
      return branch(sentence(place, there, state))
    case 'grid':
      return branch(cells(place, there))
    case 'lane':
    case 'scale':
    case 'zone':
    case 'slot':
    case 'pin':
    case 'pan':
      return branch(inPlace(place, there, filled, shown).map(pieceBranch))
  }
}

/** A lane as the key reads it, a scale from its least value, anything else as a page is read. */
function inPlace(place: Place, there: readonly Lying[], filled: Filled, { edition, state }: Shown): PieceId[] {
  const sizeOf = (id: PieceId) => edition.pieces.get(id)!.master
  if (place.kind === 'lane') {
    const here = new Set(there.map(one => one.piece))
    return laneOrder(place, filled.placements, sizeOf).filter(id => here.has(id))
  }
  const ids = there.map(one => one.piece)
  const box = (id: PieceId) => boxAround(state.pieces[id]!, sizeOf(id))
  if (place.kind !== 'scale') return readingOrder(ids, box, readsFromRight(edition.board.language))
  return there.toSorted((a, b) => (a.share.value ?? 0) - (b.share.value ?? 0)).map(one => one.piece)
}

function cells({ id, rows, columns, printed = [] }: Grid, there: readonly Lying[]): Branch[] {
  return Array.from({ length: rows }, (_, row) => row).flatMap((row): Branch[] => {
    const here = there.filter(({ share }) => share.cell?.row === row)
    const words = printed.slice(row * columns, (row + 1) * columns)
    if (here.length === 0) {
      const line = words.filter(Boolean).join(' ')
      return line ? [{ is: 'row', id: `${id}:${row}`, row, words: line }] : []
    }
    return Array.from({ length: columns }, (_, column) => column).flatMap((column): Branch[] => {
      const within = here.filter(({ share }) => share.cell?.column === column).map(one => pieceBranch(one.piece))
      const text = words[column] ?? ''
      return within.length || text
        ? [{ is: 'cell', id: `${id}:${row}:${column}`, row, column, words: text, within }]
        : []
    })
  })
}

/** A gap without anything in it, as it is written. */
const EMPTY_GAP = '___'

/** A text with gaps as it is read: its words with what is in its gaps, as pieces are called. */
export function sentenceOf(within: Tree, nameOf: (piece: PieceId) => string): string {
  return within
    .map(branch => {
      if (branch.is === 'words') return branch.words
      if (branch.is === 'piece') return nameOf(branch.id)
      if (branch.is !== 'gap') return ''
      return branch.within.length ? sentenceOf(branch.within, id => `${nameOf(id)} `).trim() : branch.words || EMPTY_GAP
    })
    .join('')
}

/** The sentence as it stands there, its gaps with what is in them. */
function sentence(place: Gaps, there: readonly Lying[], state: SlateState): Branch[] {
  return place.text.split(/_{2,}/).flatMap((part, i): Branch[] => {
    const text: Branch[] = part ? [{ is: 'words', id: `${place.id}#${i}`, words: part }] : []
    if (i === 0) return text
    const id = `${place.id}:${i - 1}`
    const within = there.filter(({ share }) => share.cell?.column === i - 1).map(one => pieceBranch(one.piece))
    return [{ is: 'gap', id, number: i, words: state.texts[id] ?? '', typed: place.typed, within }, ...text]
  })
}
