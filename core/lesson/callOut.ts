import * as v from 'valibot'
import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import type { Piece } from '../board/piece'
import { MOST_PIECES } from '../board/sizes'
import type { Grid } from '../board/place'
import { readMeasure, type Dimension, type Measure } from '../exact/measure'
import { fewestTiles, supplyOf } from '../exact/change'
import { equalPolynomials, polynomialText, readPolynomial, readTerm, type Polynomial } from '../exact/polynomial'
import { quantity, sum, type Quantity } from '../exact/quantity'
import { contextOn, measureOf, termOf, type MarkContext } from '../keys/context'
import { coveredCells } from '../keys/cover/cells'
import { expressionOf } from '../keys/expression/tiles'
import { someReading } from '../keys/readings'
import { readingOrder } from '../layout/arrange'
import { boxAround } from '../geometry/outline'
import { ok, refuse, type Result } from '../result'
import type { SlateState } from '../slate/state'
import { storedText } from '../text/storedText'

export const LONGEST_CALL = 60
export const CallSchema = v.pipe(storedText(LONGEST_CALL), v.trim(), v.minLength(1))

/** What is called, as the page's pieces can mean it. */
export type Called =
  | { readonly kind: 'amount'; readonly amount: Quantity; readonly dimension: Dimension }
  | { readonly kind: 'expression'; readonly terms: Polynomial }
  | { readonly kind: 'word'; readonly letters: string }
  | { readonly kind: 'cells'; readonly grid: Grid; readonly cells: readonly string[] }
export type CalledKind = Called['kind']

/**
 * *nothing-to-build-with*: no tiles with values, no letters, no chart with covers. *not-read*: this is no number,
 * amount, expression, word or list of cells that such pieces can make. *cannot-be-made*: it is one, and no choice of
 * the pieces makes it.
 */
export type CallRefusal = 'nothing-to-build-with' | 'not-read' | 'cannot-be-made'

/**
 * How a slate stands to what was called. `way`: how it was built, the same text for the same way; empty for nothing.
 */
export interface Built {
  readonly is: 'there' | 'not-yet' | 'unsure'
  readonly way: string
}

interface Builds<C extends Called> {
  /** Whether this page's pieces build such things. */
  readonly suits: (page: Page) => boolean
  readonly read: (
    text: string,
    page: Page,
    language?: string,
  ) => Result<C, Exclude<CallRefusal, 'nothing-to-build-with'>>
  readonly built: (called: C, context: MarkContext) => Built
}

/** In the order in which a page is asked: tiles that count letters are no plain numbers, and letters come last. */
const KINDS: { readonly [Kind in CalledKind]: Builds<Extract<Called, { kind: Kind }>> } = {
  expression: {
    suits: page => page.pieces.some(piece => piece.kind === 'tile' && readTerm(piece.term ?? '1') !== '1'),
    read(text, page) {
      const terms = readPolynomial(text)
      if (!terms) return refuse('not-read')
      return canMakeExpression(terms, page.pieces) ? ok({ kind: 'expression', terms }) : refuse('cannot-be-made')
    },
    built: ({ terms }, context) =>
      builtOf(context, {
        holds: tiles => equalPolynomials(expressionOf(tiles, context), terms),
        way: tiles => counted(tiles.flatMap(id => termText(context, id) ?? [])),
        counts: id => termOf(context, id) !== null,
      }),
  },
  amount: {
    suits: page => page.pieces.some(piece => piece.kind === 'tile'),
    read(text, page, language) {
      const meant = readMeasure(text, language)
      if (!meant) return refuse('not-read')
      return canMakeAmount(meant, page.pieces) ? ok({ kind: 'amount', ...meant }) : refuse('cannot-be-made')
    },
    built: ({ amount, dimension }, context) =>
      builtOf(context, {
        holds(tiles) {
          const measures = tiles.map(id => measureOf(context, id)!)
          return (
            measures.every(one => one.dimension === dimension) && sum(measures.map(one => one.amount)).equals(amount)
          )
        },
        way: tiles => counted(largestFirst(tiles, context).map(id => writtenValue(context, id))),
        counts: id => measureOf(context, id) !== null,
      }),
  },
  cells: {
    suits: page =>
      page.places.some(place => place.kind === 'grid' && place.printed?.some(text => text.trim()))
      && page.pieces.some(piece => piece.kind === 'cover' || piece.kind === 'token'),
    read(text, page) {
      const grid = page.places.find((place): place is Grid => place.kind === 'grid' && !!place.printed)!
      const wanted = text.split(/[,;،、\s]+/u).filter(Boolean)
      const at = new Map((grid.printed ?? []).map((printed, i) => [printed.trim(), i]))
      const found = wanted.map(name => at.get(name))
      if (found.length === 0 || found.includes(undefined)) return refuse('not-read')
      const cells = [...new Set(found)].map(i => `${Math.floor(i! / grid.columns)},${i! % grid.columns}`)
      const covers = page.pieces.filter(piece => piece.kind === 'cover' || piece.kind === 'token')
      if (!covers.some(piece => piece.bin) && covers.length < cells.length) return refuse('cannot-be-made')
      return ok({ kind: 'cells', grid, cells })
    },
    built({ grid, cells }, context) {
      const { covered, unsure } = coveredCells(grid, context)
      const wanted = new Set(cells)
      const [over, missing] = [[...covered].filter(cell => !wanted.has(cell)), cells.filter(cell => !covered.has(cell))]
      const way = cellsText([...covered], grid)
      if (over.length > 0 || !missing.every(cell => unsure.has(cell))) return { is: 'not-yet', way }
      return { is: missing.length > 0 || unsure.size > 0 ? 'unsure' : 'there', way }
    },
  },
  word: {
    // Cards with words on them are no letters, though a short one may be among them.
    suits: page => page.pieces.length > 0 && page.pieces.every(isLetters),
    read(text, page) {
      const letters = folded(text)
      if (!letters || /\s/.test(letters)) return refuse('not-read')
      return canSpell(letters, page.pieces) ? ok({ kind: 'word', letters }) : refuse('cannot-be-made')
    },
    built({ letters }, context) {
      // Letters are written in a line: what lies on the page is read as it stands there.
      const boxes = new Map(
        lying(context).map(id => [
          id as string,
          boxAround(context.state.pieces[id]!, context.edition.pieces.get(id)!.master),
        ]),
      )
      const way = readingOrder(boxes)
        .map(([id]) => context.edition.pieces.get(id as PieceId)!.piece.text)
        .join('')
      return { is: folded(way) === letters ? 'there' : 'not-yet', way }
    },
  },
}
const ORDER = ['expression', 'amount', 'cells', 'word'] as const satisfies readonly CalledKind[]

const kindFor = (page: Page) => ORDER.find(kind => KINDS[kind].suits(page)) ?? null
/** Whether something can be called for a page at all. */
export const canBeCalled = (page: Page): boolean => kindFor(page) !== null

/** What a call means on a page, or why it can't be called; said before it is. */
export function readCall(text: string, page: Page, language?: string): Result<Called, CallRefusal> {
  const kind = kindFor(page)
  if (!kind) return refuse('nothing-to-build-with')
  return KINDS[kind].read(text, page, language)
}

/** How a slate stands to what was called on a page. */
export function builtOn(called: Called, page: Page, state: SlateState, edition: Edition): Built {
  const builds = KINDS[called.kind] as Builds<Called>
  return builds.built(called, contextOn(page, state, edition))
}

/**
 * Says how slates stand to a call on a page (counted from 0); null where it means nothing there. What it means is read
 * once for each edition, however many slates lie over it, for that is a search.
 */
export function builder(target: string, number: number): (state: SlateState, edition: Edition) => Built | null {
  const read = new WeakMap<Edition, Called | null>()
  return (state, edition) => {
    const page = edition.board.pages[number]
    if (!page) return null
    let called = read.get(edition)
    if (called === undefined) {
      const meant = readCall(target, page, edition.board.language)
      called = meant.ok ? meant.value : null
      read.set(edition, called)
    }
    return called && builtOn(called, page, state, edition)
  }
}

/** A way of building, and on how many slates. */
export interface Way {
  readonly way: string
  readonly slates: readonly string[]
}
/** The ways of those who have it, the commonest first; of like ones the one that came first in the list. */
export function waysOf(builds: readonly { readonly slate: string; readonly built: Built }[]): Way[] {
  const ways = new Map<string, string[]>()
  for (const { slate, built } of builds)
    if (built.is === 'there') ways.set(built.way, [...(ways.get(built.way) ?? []), slate])
  return [...ways].map(([way, slates]) => ({ way, slates })).toSorted((a, b) => b.slates.length - a.slates.length)
}

/** What lies on the page: in a place where the page has any that hold pieces, surely or perhaps. */
function builtOf(
  context: MarkContext,
  how: {
    readonly holds: (tiles: readonly PieceId[]) => boolean
    readonly way: (tiles: readonly PieceId[]) => string
    readonly counts: (id: PieceId) => boolean
  },
): Built {
  const housed = context.page.places.some(place => HOLD.has(place.kind))
  const on = context.placements.filter(({ piece, at }) => at === 'page' && how.counts(piece))
  const surely = (housed ? on.filter(({ shares }) => shares.some(share => share.certainty === 'in')) : on).map(
    p => p.piece,
  )
  const perhaps = housed
    ? on.filter(({ shares }) => shares.length > 0 && !shares.some(share => share.certainty === 'in')).map(p => p.piece)
    : []
  const way = how.way(surely)
  if (perhaps.length === 0) return { is: surely.length > 0 && how.holds(surely) ? 'there' : 'not-yet', way }
  const could = someReading(perhaps, more => how.holds([...surely, ...more]))
  return { is: could ? 'unsure' : 'not-yet', way }
}
const HOLD: ReadonlySet<string> = new Set(['zone', 'lane', 'slot', 'grid', 'pan'])

const lying = ({ placements }: MarkContext) => placements.filter(p => p.at === 'page').map(p => p.piece)

/** "2 × 100 + 5 × 10 + 6": alike ones counted, in the order in which each first stands. */
function counted(names: readonly string[]): string {
  const counts = new Map<string, number>()
  for (const name of names) counts.set(name, (counts.get(name) ?? 0) + 1)
  return [...counts].map(([name, count]) => (count === 1 ? name : `${count} × ${name}`)).join(' + ')
}
const largestFirst = (tiles: readonly PieceId[], context: MarkContext) =>
  tiles.toSorted((a, b) => measureOf(context, b)!.amount.compare(measureOf(context, a)!.amount))
/** As its maker wrote it: a half stays 1/2. */
function writtenValue({ edition, state }: MarkContext, id: PieceId): string {
  const { piece } = edition.pieces.get(id)!
  if (piece.kind !== 'tile') return ''
  return (state.pieces[id]?.flipped && piece.other ? piece.other.value : piece.value).trim()
}
function termText(context: MarkContext, id: PieceId): string | null {
  const term = termOf(context, id)
  return term && polynomialText(new Map([term]))
}

function cellsText(cells: readonly string[], grid: Grid): string {
  const index = (cell: string) => {
    const [row, column] = cell.split(',').map(Number) as [number, number]
    return row * grid.columns + column
  }
  return cells
    .map(index)
    .toSorted((a, b) => a - b)
    .map(i => grid.printed?.[i]?.trim() || `${Math.floor(i / grid.columns) + 1},${(i % grid.columns) + 1}`)
    .join(', ')
}

interface Offered {
  /** What the tile is worth, on each side that it has. */
  readonly sides: readonly Quantity[]
  readonly bin: boolean
}
const sidesOf = (tile: Extract<Piece, { kind: 'tile' }>) => [tile.value, ...(tile.other ? [tile.other.value] : [])]

/** Tiles of a measure make an amount of it; those of others can't be added. */
function canMakeAmount({ amount, dimension }: Measure, pieces: readonly Piece[]): boolean {
  const offered = pieces.flatMap((piece): Offered[] => {
    if (piece.kind !== 'tile' || readTerm(piece.term ?? '1') !== '1') return []
    const sides = sidesOf(piece).flatMap(text => readMeasure(text) ?? [])
    const fitting = sides.filter(side => side.dimension === dimension).map(side => side.amount)
    return fitting.length ? [{ sides: fitting, bin: piece.bin ?? false }] : []
  })
  return canMake(amount, offered)
}

/** With negatives, more tiles than these are taken to make whatever is called. */
const MOST_SIGNED = 20
/**
 * Whether some choice of tiles makes an amount, at least one of them and no more than a page holds. Quick, for it is
 * asked while a class waits: where it can't be told so it is taken to be possible.
 */
function canMake(target: Quantity, tiles: readonly Offered[]): boolean {
  if (tiles.length === 0) return false
  if (tiles.every(tile => tile.sides.every(side => side.compare(0) > 0))) {
    if (target.compare(0) <= 0) return false
    const largest = tiles.flatMap(tile => tile.sides).reduce((a, b) => (a.compare(b) > 0 ? a : b))
    if (largest.mul(MOST_PIECES).compare(target) < 0) return false
    const supply = supplyOf(tiles.flatMap(({ sides, bin }) => sides.map(value => ({ value, bin }))))
    const fewest = fewestTiles(target, supply)
    return fewest === undefined || (fewest !== null && fewest <= MOST_PIECES)
  }
  if (tiles.length > MOST_SIGNED || tiles.some(tile => tile.bin)) return true
  // Every sum of every choice, the empty one left out.
  let sums = new Map<string, Quantity>()
  for (const { sides } of tiles) {
    const next = new Map(sums)
    for (const side of sides)
      for (const more of [side, ...[...sums.values()].map(before => before.add(side))])
        next.set(more.toFraction(), more)
    if (next.size > MOST_SUMS) return true
    sums = next
  }
  return sums.has(target.toFraction())
}
const MOST_SUMS = 20_000

/** Tiles of each term are enough, bins without end; a negative is a tile's other side, or has its own. */
function canMakeExpression(terms: Polynomial, pieces: readonly Piece[]): boolean {
  return [...terms].every(([term, wanted]) => {
    const sides = pieces.flatMap(piece =>
      piece.kind === 'tile' && readTerm(piece.term ?? '1') === term
        ? [{ sides: sidesOf(piece).map(quantity), bin: piece.bin ?? false }]
        : [],
    )
    // Letters count like ones: as many tiles of the term as make its number.
    return canMake(wanted, sides)
  })
}

const LONGEST_LETTERS = 4
const isLetters = (piece: Piece) =>
  (piece.kind === 'card' || piece.kind === 'tile')
  && piece.text.trim() !== ''
  && [...piece.text.trim()].length <= LONGEST_LETTERS
const folded = (text: string) => text.normalize('NFC').trim().toLocaleLowerCase('en')

/**
 * Whether the pieces spell it, each used once, bins as often as wanted. Bounded: no call is longer than its longest.
 */
function canSpell(letters: string, pieces: readonly Piece[]): boolean {
  const supply = new Map<string, number>()
  for (const piece of pieces.filter(isLetters)) {
    const text = folded(piece.text)
    supply.set(text, piece.bin ? Infinity : (supply.get(text) ?? 0) + 1)
  }
  const names = [...supply.keys()]
  const failed = new Set<string>()
  let steps = 0
  const spell = (at: number): boolean => {
    if (at === letters.length) return true
    if (++steps > MOST_STEPS) return true
    // Where it stands, and what is left of what runs out, decide what can still be spelt.
    const state = `${at} ${names.map(name => supply.get(name)).join()}`
    if (failed.has(state)) return false
    for (const name of names) {
      const left = supply.get(name)!
      if (left === 0 || !letters.startsWith(name, at)) continue
      supply.set(name, left - 1)
      const done = spell(at + name.length)
      supply.set(name, left)
      if (done) return true
    }
    failed.add(state)
    return false
  }
  return spell(0)
}
/** Beyond so many tries it is taken to be possible rather than the teacher made to wait. */
const MOST_STEPS = 20_000
