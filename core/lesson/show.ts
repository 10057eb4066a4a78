import * as v from 'valibot'
import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { MOST_PAGES } from '../board/sizes'
import { LengthSchema } from '../geometry/shape'
import { answerSlate } from '../keys/answerSlate'
import { startOf, type SlateState } from '../slate/state'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
const number = (most: number) => v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(most))

export const MOST_PEN_STROKES = 60
export const MOST_PEN_POINTS = 400
const MOST_REVEALED = 2000

/** What stands on the class screen. */
const WhatSchema = v.variant('kind', [
  v.strictObject({ kind: v.literal('nothing') }),
  /** How students come in: code and QR. */
  v.strictObject({ kind: v.literal('way-in') }),
  /** The board as it is given out, with so many of its answers laid out. */
  v.strictObject({ kind: v.literal('board'), revealed: number(MOST_REVEALED) }),
  /** What the class has voted, and where it stands, all slates together. */
  v.strictObject({ kind: v.literal('class') }),
  /** A question from the jar. */
  v.strictObject({ kind: v.literal('question'), question: Id }),
  /** One slate, or two side by side. */
  v.strictObject({ kind: v.literal('slates'), slates: v.pipe(v.array(Id), v.minLength(1), v.maxLength(2)) }),
])

export const ShowSchema = v.strictObject({
  what: WhatSchema,
  /** Counted from 0. */
  page: number(MOST_PAGES - 1),
  names: v.boolean(),
  timer: v.boolean(),
  /** What the teacher's pen has left on it, in page points. */
  pen: v.pipe(
    v.array(v.pipe(v.array(v.strictTuple([LengthSchema, LengthSchema])), v.minLength(1), v.maxLength(MOST_PEN_POINTS))),
    v.maxLength(MOST_PEN_STROKES),
  ),
})
export type Show = v.InferOutput<typeof ShowSchema>
export type ShowKind = Show['what']['kind']

export const NOTHING_SHOWN: Show = { what: { kind: 'nothing' }, page: 0, names: false, timer: true, pen: [] }
/** A screen that was left open shows nothing of yesterday. */
export const SHOWN_FOR_MS = 12 * 60 * 60 * 1000

/** The things of a page that its keys lay out, in the order in which they stand on the ledge and on the page. */
function answersOf(page: Page, edition: Edition): { readonly whole: SlateState; readonly things: readonly string[] } {
  const [whole, start] = [answerSlate(page, edition), startOf(edition)]
  const moved = Object.keys(whole.pieces).filter(id => {
    const [to, from] = [whole.pieces[id as PieceId], start.pieces[id as PieceId]]
    return !from || from.x !== to!.x || from.y !== to!.y
  })
  const rank = new Map(page.ledge.map((id, i) => [id as string, i]))
  const written = Object.keys(whole.texts).filter(name => whole.texts[name] !== start.texts[name])
  const rest = (part: 'arrows' | 'strokes' | 'own') => Object.keys(whole[part]).filter(name => !(name in start[part]))
  return {
    whole,
    things: [
      ...moved.toSorted((a, b) => (rank.get(a) ?? Infinity) - (rank.get(b) ?? Infinity)),
      ...written,
      ...rest('arrows'),
      ...rest('strokes'),
      ...rest('own'),
    ],
  }
}

/** How many answers of a page can be revealed one by one; nought without keys. */
export const answersOn = (page: Page, edition: Edition): number => answersOf(page, edition).things.length

/** The board with the first so many of a page's answers laid out; nothing of the others is in it. */
export function withRevealed(page: Page, edition: Edition, count: number): SlateState {
  const start = startOf(edition)
  if (count <= 0) return start
  const { whole, things } = answersOf(page, edition)
  const shown = new Set(things.slice(0, count))
  const among = <T>(all: { readonly [name: string]: T }, before: { readonly [name: string]: T }) => ({
    ...before,
    ...Object.fromEntries(Object.entries(all).filter(([name]) => shown.has(name))),
  })
  return {
    ...start,
    pieces: among(whole.pieces, start.pieces),
    texts: among(whole.texts, start.texts),
    arrows: among(whole.arrows, start.arrows),
    strokes: among(whole.strokes, start.strokes),
    own: among(whole.own, start.own),
  }
}
