import * as v from 'valibot'
import { MOST_PIECES } from '../../board/sizes'
import type { Edition } from '../../board/edition'
import { OnSlateIdSchema, type PieceId } from '../../board/ids'
import { changedThings, thingName, thingOf, type Thing, type ThingName } from '../hands'
import type { MoveRefusal, Operation } from '../operation'
import {
  MOST_ARROWS,
  MOST_LETTERS,
  MOST_STROKES,
  withEntry,
  withPieces,
  type OnPage,
  type SlateState,
  type Stroke,
} from '../state'
import { ArrowNameSchema, OnPageSchema, StrokeIdSchema, TextsSchema } from '../stateSchema'
import { refusalToConnect } from './connect'
import { onBoard, refusalFor } from './position'
import { MOST_OWN } from '../own'
import { OwnIdSchema } from '../ownSchema'
import { goneOr } from './own'
import { refusalToWrite } from './write'

/**
 * Some things as they were before: a piece's position, or null for the ledge; a text, empty for none; an arrow, there
 * or not; a stroke, seen or rubbed out. Whatever isn't named stays as it is, so part of it can be taken back alone.
 */
export const RevertSchema = v.object({
  kind: v.literal('revert'),
  pieces: v.pipe(v.record(OnSlateIdSchema, v.nullable(OnPageSchema)), v.maxEntries(MOST_PIECES)),
  texts: v.pipe(
    TextsSchema,
    v.check(
      all => Object.values(all).reduce((sum, text) => sum + text.length, 0) <= MOST_LETTERS,
      'Too much text in one move',
    ),
  ),
  arrows: v.pipe(v.record(ArrowNameSchema, v.boolean()), v.maxEntries(2 * MOST_ARROWS)),
  strokes: v.pipe(v.record(StrokeIdSchema, v.picklist(['seen', 'gone'])), v.maxEntries(MOST_STROKES)),
  own: v.optional(v.pipe(v.record(OwnIdSchema, v.picklist(['seen', 'gone'])), v.maxEntries(MOST_OWN)), {}),
})
export type Revert = v.InferOutput<typeof RevertSchema>

const positionsIn = (pieces: Revert['pieces']) => Object.entries(pieces) as [PieceId, OnPage | null][]

export const revert: Operation<'revert', Revert> = {
  kind: 'revert',
  things: move => namesIn(move),
  check: (_, { pieces, texts, arrows }, edition) =>
    refusalForAll(edition, { pieces, texts, arrows: Object.keys(arrows).filter(arrow => arrows[arrow]) }),
  perform(state, { pieces, texts, arrows, strokes, own = {} }, edition) {
    return {
      ...withPieces(state, onBoard(edition, positionsIn(pieces))),
      texts: Object.entries(texts).reduce((all, [item, text]) => withEntry(all, item, text || undefined), state.texts),
      arrows: Object.entries(arrows).reduce(
        (all, [arrow, there]) => withEntry(all, arrow, there || undefined),
        state.arrows,
      ),
      strokes: reverted(state.strokes, strokes),
      own: ownReverted(state.own, own),
    }
  },
  invert: (before, move) => ({ kind: 'revert', ...valuesOf(before, namesIn(move)) }),
  limitedTo(move, keep) {
    const kept = namesIn(move).filter(keep)
    if (kept.length === 0) return null
    const only = <T>(thing: Thing, things: { readonly [id: string]: T }) =>
      Object.fromEntries(Object.entries(things).filter(([id]) => keep(thingName(thing, id))))
    return {
      kind: 'revert',
      pieces: only('piece', move.pieces),
      texts: only('text', move.texts),
      arrows: only('arrow', move.arrows),
      strokes: only('stroke', move.strokes),
      own: only('own', move.own ?? {}),
    } as Revert
  },
}

/** The first of many things at once that the board doesn't have or let be; null when all of it may be. */
export function refusalForAll(
  edition: Edition,
  { pieces, texts, arrows }: { pieces: Revert['pieces']; texts: Revert['texts']; arrows: readonly string[] },
): MoveRefusal | null {
  for (const [id, position] of positionsIn(pieces)) {
    const refusal = refusalFor(edition, id, position ?? undefined)
    if (refusal) return refusal
  }
  for (const item of Object.keys(texts)) {
    const refusal = refusalToWrite(edition, item)
    if (refusal) return refusal
  }
  for (const arrow of arrows) {
    const [from, to] = arrow.split('>') as [PieceId, PieceId]
    const refusal = refusalToConnect(edition, from, to)
    if (refusal) return refusal
  }
  return null
}

/** The move that brings everything that differs `after` back to what it was `before`. */
export const revertTo = (before: SlateState, after: SlateState): Revert => ({
  kind: 'revert',
  ...valuesOf(before, changedThings(before, after)),
})

// Moves that were stored before there were own things don't name any.
function namesIn({ pieces, texts, arrows, strokes, own = {} }: Revert): ThingName[] {
  const names = (thing: Thing, things: object) => Object.keys(things).map(id => thingName(thing, id))
  return [
    ...names('piece', pieces),
    ...names('text', texts),
    ...names('arrow', arrows),
    ...names('stroke', strokes),
    ...names('own', own),
  ]
}

function valuesOf(state: SlateState, names: readonly ThingName[]): Omit<Revert, 'kind'> {
  const of = (thing: Thing) =>
    names
      .map(thingOf)
      .filter(name => name.thing === thing)
      .map(({ id }) => id)
  return {
    pieces: Object.fromEntries(of('piece').map(id => [id, state.pieces[id as PieceId] ?? null])),
    texts: Object.fromEntries(of('text').map(item => [item, state.texts[item] ?? ''])),
    arrows: Object.fromEntries(of('arrow').map(arrow => [arrow, state.arrows[arrow] ?? false])),
    own: Object.fromEntries(
      of('own').flatMap(id => (state.own[id] ? [[id, state.own[id].gone ? 'gone' : 'seen'] as const] : [])),
    ),
    strokes: Object.fromEntries(
      of('stroke').flatMap(id => (state.strokes[id] ? [[id, state.strokes[id].gone ? 'gone' : 'seen'] as const] : [])),
    ),
  }
}

function reverted(all: SlateState['strokes'], changes: Revert['strokes']): Record<string, Stroke> {
  return Object.fromEntries(
    Object.entries(all).map(([id, stroke]) => {
      const change = Object.hasOwn(changes, id) ? changes[id] : undefined
      return change
        ? [id, { place: stroke.place, points: stroke.points, ...(change === 'gone' && { gone: true as const }) }]
        : [id, stroke]
    }),
  )
}

function ownReverted(all: SlateState['own'], changes: Revert['own']): SlateState['own'] {
  return Object.fromEntries(
    Object.entries(all).map(([id, thing]) => [
      id,
      Object.hasOwn(changes, id) ? goneOr(thing, changes[id] === 'gone') : thing,
    ]),
  )
}
