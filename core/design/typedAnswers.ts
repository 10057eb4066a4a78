import type { Board, Page } from '../board/board'
import type { KeyId, PageId, PieceId, PlaceId } from '../board/ids'
import type { Piece } from '../board/piece'
import type { Grid } from '../board/place'
import { measureText, readMeasure, type Measure } from '../exact/measure'
import { boxOf } from '../geometry/outline'
import { keysOn, type Key, type KeyOf } from '../keys/key'
import { fitsText, ruleFault, type RuleFault, type SortRule } from '../keys/rule'
import { slotsOn } from '../keys/slots/kind'
import { readingOrder } from '../layout/arrange'
import { ok, refuse, type Result } from '../result'
import { keepKeys } from './answers'

/**
 * What the tiles in a place must make, typed instead of laid: a number or an amount as the board's language writes it.
 * What the place's key says otherwise (as few as can be, so many tiles) stays; empty, the place is asked no more.
 * Totals of other places stay as they are; a place that was another way of one of them is asked by itself then.
 */
export function typedTotal({
  board,
  pageId,
  place,
  text,
  newId,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly place: PlaceId
  readonly text: string
  readonly newId: () => KeyId
}): Result<Board, 'not-an-amount'> {
  const target = text.trim()
  const totals = keysOn(board.keys, pageId, 'total')
  const others = totals.filter(key => key.place !== place).map(key => withoutWay(key, place))
  if (!target) return ok(keepKeys(board, pageId, 'total', others))
  // A key is kept in one way of writing, so a number of the board's language is written anew if need be.
  const meant = readMeasure(target, board.language)
  if (!meant) return refuse('not-an-amount')
  const kept = [target, measureText(meant.amount, meant.dimension)].find(text => means(text, meant))
  if (kept === undefined) return refuse('not-an-amount')
  const former = totals.find(key => key.place === place)
  const key: Key = { ...(former ?? { kind: 'total', id: newId(), page: pageId, place }), target: kept }
  return ok(keepKeys(board, pageId, 'total', [...others, key]))
}

function withoutWay(key: KeyOf<'total'>, place: PlaceId): KeyOf<'total'> {
  if (!key.ways?.includes(place)) return key
  const { ways, ...alone } = key
  const left = ways.filter(way => way !== place)
  return left.length ? { ...alone, ways: left } : alone
}

/** Whether a text without a language means just that. */
function means(text: string, { amount, dimension }: Measure): boolean {
  const read = readMeasure(text)
  return read !== null && read.dimension === dimension && read.amount.equals(amount)
}

/**
 * The cells whose print fits a rule, row by row, as "row,column" from 0. Empty cells fit nothing; so does what the rule
 * can say nothing about.
 */
export function cellsByRule(grid: Grid, rule: SortRule, language?: string): Result<string[], RuleFault> {
  const fault = ruleFault(rule)
  if (fault) return refuse(fault)
  const reading = language ? { language } : {}
  return ok(
    (grid.printed ?? [])
      .slice(0, grid.rows * grid.columns)
      .flatMap((text, i) =>
        text.trim() && fitsText(rule, text, reading) === true
          ? [`${Math.floor(i / grid.columns)},${i % grid.columns}`]
          : [],
      ),
  )
}

/** Kinds of key that follow from the order in which the pieces were listed. */
export const LISTED_KINDS = ['order', 'slots'] as const
export type ListedKind = (typeof LISTED_KINDS)[number]

/**
 * The key that the list of pieces gives: the page's one lane takes them in that order; slots, gaps and cells take one
 * each, from the left, row by row, and further pieces belong in none. Null where that says nothing: several lanes, or
 * fewer than two pieces for a lane, or none at all. Bins never run out, so they stand for no place of their own.
 */
export function keyByList(page: Page, kind: ListedKind, keys: readonly Key[], newId: () => KeyId): Key | null {
  const pieces = page.pieces.filter(isListed).map(piece => piece.id)
  switch (kind) {
    case 'order': {
      const lanes = page.places.filter(place => place.kind === 'lane')
      if (lanes.length !== 1 || pieces.length < 2) return null
      const before = pieces.slice(1).map((id, i): [PieceId, PieceId] => [pieces[i]!, id])
      const former = keysOn(keys, page.id, 'order').find(key => key.lane === lanes[0]!.id)
      const common = former ?? { kind, id: newId(), page: page.id, lane: lanes[0]!.id, credit: 'neighbours' as const }
      return { ...common, before }
    }
    case 'slots': {
      const slots = slotsOn(inReadingOrder(page)).slice(0, pieces.length)
      if (slots.length === 0) return null
      const former = keysOn(keys, page.id, 'slots')[0]
      return {
        kind,
        id: former?.id ?? newId(),
        page: page.id,
        fits: Object.fromEntries(slots.map((slot, i) => [slot, [pieces[i]!]])),
      }
    }
  }
}

const isListed = (piece: Piece) =>
  !piece.bin && (piece.kind === 'card' || piece.kind === 'picture-card' || piece.kind === 'tile')

/** The page with its places from the left, row by row. */
function inReadingOrder(page: Page): Page {
  const places = new Map(page.places.map(place => [place.id as string, place]))
  const boxes = new Map(page.places.map(place => [place.id as string, boxOf(place)]))
  return { ...page, places: readingOrder(boxes).map(([id]) => places.get(id)!) }
}
