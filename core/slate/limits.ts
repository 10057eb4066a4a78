import { MOST_PIECES } from '../board/sizes'
import type { Edition } from '../board/edition'
import { binOf } from '../board/binOf'
import type { PieceId } from '../board/ids'
import { thingOf, type ThingName } from './hands'
import type { MoveRefusal } from './operation'
import { MOST_OWN, MOST_OWN_PICTURES, type OwnOnSlate } from './own'
import { MOST_ARROWS, MOST_INK_POINTS, MOST_LETTERS, MOST_STROKES, type OnPage, type SlateState } from './state'

/**
 * What may never come out of a move, whichever it was: a piece turned or flipped that can't be, more copies, letters, ink
 * or arrows than a slate holds. Only what the move changed is looked at; null when all of it may be.
 */
export function refusalForResult(before: SlateState, after: SlateState, changed: readonly ThingName[], edition: Edition): MoveRefusal | null {
  for (const name of changed) {
    const { thing, id } = thingOf(name)
    if (thing !== 'piece') continue
    const position = after.pieces[id as PieceId]
    if (position && !mayLieSo(id as PieceId, position, edition)) return { code: 'not-allowed', item: id }
  }
  const over = LIMITS.some(({ of, size, most }) => of(after) !== of(before) && size(after) > most && size(after) > size(before))
  return over ? { code: 'full', item: changed[0] ? thingOf(changed[0]).id : '' } : null
}

/** Whether the board lets the piece be turned and flipped so. */
export function mayLieSo(id: PieceId, { turn, flipped }: OnPage, edition: Edition): boolean {
  if (!turn && !flipped) return true
  const known = edition.pieces.get(id)
  if (!known) return false
  const staged = known.page.staged?.[binOf(id) ?? id]
  const mayTurn = !turn || !!known.piece.turns || staged?.turn === turn
  const mayFlip = !flipped || (known.piece.kind === 'tile' && !!known.piece.other)
  return mayTurn && mayFlip
}

interface Limit { readonly of: (state: SlateState) => object, readonly size: (state: SlateState) => number, readonly most: number }
const count = (things: object) => Object.keys(things).length
const sum = <T>(things: { readonly [id: string]: T }, size: (thing: T) => number) => Object.values(things).reduce((all, thing) => all + size(thing), 0)

const lettersOf = (own: OwnOnSlate) => 'text' in own ? own.text.length : 0
const pictures = (own: SlateState['own']) => Object.values(own).filter(({ kind }) => kind === 'picture').length
const pointsOf = (own: OwnOnSlate) => own.kind === 'ink' ? own.points.length : 0

/** A slate that holds more already, by an older rule, may still be made smaller. */
const LIMITS: readonly Limit[] = [
  { of: s => s.pieces, size: s => count(s.pieces), most: MOST_PIECES },
  { of: s => s.texts, size: s => sum(s.texts, text => text.length), most: MOST_LETTERS },
  { of: s => s.strokes, size: s => count(s.strokes), most: MOST_STROKES },
  { of: s => s.strokes, size: s => sum(s.strokes, stroke => stroke.points.length), most: MOST_INK_POINTS },
  { of: s => s.arrows, size: s => count(s.arrows), most: MOST_ARROWS },
  { of: s => s.own, size: s => count(s.own), most: MOST_OWN },
  { of: s => s.own, size: s => pictures(s.own), most: MOST_OWN_PICTURES },
  { of: s => s.own, size: s => sum(s.own, lettersOf), most: MOST_LETTERS },
  { of: s => s.own, size: s => sum(s.own, pointsOf), most: MOST_INK_POINTS },
]
