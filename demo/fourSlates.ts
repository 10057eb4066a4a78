import type { Edition } from '../core/board/edition'
import type { PieceId } from '../core/board/ids'
import { answerSlate } from '../core/keys/answerSlate'
import { markSlate } from '../core/keys/mark'
import { HOLDER } from '../core/slate/actor'
import { apply, invert, type Move } from '../core/slate/move'
import { arrowsOf, startOf, strokesOf, withEntry, type OnPage, type SlateState } from '../core/slate/state'
import type { Played } from './lesson'
import { knowTexts } from '../core/slate/withTexts'

knowTexts()

/** How four students may have met a board: all right, all mixed up, one thing not quite in, nothing done. */
export const FATES = ['right', 'wrong', 'unsure', 'empty'] as const
export type Fate = (typeof FATES)[number]

/** The slate of each; `solved` is a right one where the key itself leaves open how (a total, an expression, ink). */
export function slateOf(fate: Fate, edition: Edition, solved: SlateState): SlateState {
  const laidOut = answerSlate(edition.board.pages[0]!, edition)
  const right = [solved, laidOut].toSorted((a, b) => pointsOf(b, edition) - pointsOf(a, edition))[0]!
  switch (fate) {
    case 'right':
      return right
    case 'wrong':
      return mixedUp(right, edition)
    case 'unsure':
      return doubtful(right, edition)
    case 'empty':
      return startOf(edition)
  }
}

const pointsOf = (state: SlateState, edition: Edition) =>
  markSlate(state, edition).reduce((sum, m) => sum + m.points, 0)
const undecided = (state: SlateState, edition: Edition) =>
  markSlate(state, edition).reduce((sum, m) => sum + m.undecided, 0)

/**
 * Every piece lies where its neighbour should, every answer in another space, every arrow the wrong way; one piece is
 * left.
 */
function mixedUp(right: SlateState, edition: Edition): SlateState {
  const start = startOf(edition)
  const moved = (Object.entries(right.pieces) as [PieceId, OnPage][]).filter(
    ([id, at]) => start.pieces[id]?.x !== at.x || start.pieces[id]?.y !== at.y,
  )
  const pieces = {
    ...right.pieces,
    ...Object.fromEntries(
      moved.map(([id, at], i) => [
        id,
        { ...at, x: moved[(i + 1) % moved.length]![1].x, y: moved[(i + 1) % moved.length]![1].y },
      ]),
    ),
  }
  const spaces = Object.keys(right.texts)
  const texts = Object.fromEntries(spaces.map((space, i) => [space, right.texts[spaces[(i + 1) % spaces.length]!]!]))
  const arrows = Object.fromEntries(arrowsOf(right).map(([from, to]) => [`${to}>${from}`, true as const]))
  const strokes = Object.fromEntries(
    strokesOf(right).map(([id, stroke]) => [
      id,
      { ...stroke, points: stroke.points.map(([x, y]): [number, number] => [x + 45, y]) },
    ]),
  )
  const mixed: SlateState = { ...right, pieces, texts, arrows, strokes }
  const isWrong = (state: SlateState) => pointsOf(state, edition) < pointsOf(right, edition)
  if (isWrong(mixed)) return mixed
  // Alike tiles may change places and be right still: then one of them is missing.
  const without = (Object.keys(right.pieces) as PieceId[]).map(id => ({
    ...right,
    pieces: withEntry(right.pieces, id, undefined),
  }))
  return without.find(isWrong) ?? mixed
}

/**
 * One thing put a little aside, only so far that the teacher must say. Where nothing can be in doubt, half of it is
 * done.
 */
function doubtful(right: SlateState, edition: Edition): SlateState {
  for (const [id, at] of Object.entries(right.pieces) as [PieceId, OnPage][]) {
    const { page } = edition.pieces.get(id)!
    for (let off = 4; off < 240; off += 4) {
      for (const [dx, dy] of [
        [off, 0],
        [-off, 0],
        [0, off],
        [0, -off],
      ] as const) {
        const there = { ...at, x: at.x + dx, y: at.y + dy }
        if (there.x < 0 || there.y < 0 || there.x > page.width || there.y > page.height) continue
        const state = { ...right, pieces: { ...right.pieces, [id]: there } }
        if (undecided(state, edition) > 0) return state
      }
    }
  }
  // What only makes sense together, as a rectangle of tiles does, is put aside together.
  for (let off = 4; off < 400; off += 4) {
    for (const [dx, dy] of [
      [off, 0],
      [-off, 0],
      [0, off],
      [0, -off],
    ] as const) {
      const pieces = Object.fromEntries(
        Object.entries(right.pieces).map(([id, at]) => [id, { ...at, x: at.x + dx, y: at.y + dy }]),
      )
      const state = { ...right, pieces }
      const onPage = (Object.entries(pieces) as [PieceId, OnPage][]).every(([id, { x, y }]) => {
        const { page } = edition.pieces.get(id)!
        return x >= 0 && y >= 0 && x <= page.width && y <= page.height
      })
      if (onPage && undecided(state, edition) > 0) return state
    }
  }
  for (const [space, text] of Object.entries(right.texts)) {
    const state = { ...right, texts: { ...right.texts, [space]: text.slice(0, -1) } }
    if (undecided(state, edition) > 0) return state
  }
  for (const [id, stroke] of strokesOf(right)) {
    for (let off = 2; off < 60; off += 2) {
      const state = {
        ...right,
        strokes: {
          ...right.strokes,
          [id]: { ...stroke, points: stroke.points.map(([x, y]): [number, number] => [x + off, y]) },
        },
      }
      if (undecided(state, edition) > 0) return state
    }
  }
  const half = <T>(record: { readonly [name: string]: T }) =>
    Object.fromEntries(Object.entries(record).slice(0, Math.ceil(Object.keys(record).length / 2)))
  return { ...right, arrows: half(right.arrows), texts: half(right.texts) }
}

/** The moves that lead from the start to a slate, some seconds between them. */
export function movesTo(target: SlateState, edition: Edition): Played[] {
  const start = startOf(edition)
  const moves: Move[] = [
    ...(Object.keys(start.pieces) as PieceId[])
      .filter(piece => !target.pieces[piece])
      .map((piece): Move => ({ kind: 'shelve', piece })),
    ...(Object.entries(target.pieces) as [PieceId, OnPage][])
      .filter(([piece, at]) => start.pieces[piece]?.x !== at.x || start.pieces[piece]?.y !== at.y)
      .flatMap(([piece, { x, y, turn, flipped }]): Move[] => [
        { kind: 'put', piece, x, y },
        ...(turn || flipped ? [{ kind: 'turn', piece, turn: turn ?? 0, flipped: flipped ?? false } as const] : []),
      ]),
    ...Object.entries(target.texts).map(([space, text]): Move => ({ kind: 'write', in: space, text })),
    ...strokesOf(target).map(([stroke, { place, points }]): Move => ({ kind: 'draw', stroke, place, points })),
    ...arrowsOf(target).map(([from, to]): Move => ({ kind: 'connect', from, to })),
  ]
  let state = start
  return moves.map((move, i) => {
    const result = apply(state, move, { edition, actor: HOLDER })
    if (!result.ok) throw new Error(`${move.kind}: ${result.reason.code} ${result.reason.item}`)
    const played = { move, inverse: invert(state, move, edition), after: 9 * (i + 1) }
    state = result.value
    return played
  })
}
