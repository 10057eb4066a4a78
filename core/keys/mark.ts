import * as v from 'valibot'
import type { Edition } from '../board/edition'
import type { KeyId } from '../board/ids'
import type { Key } from '../board/key'
import type { SlateState } from '../slate/state'
import { markArrows } from './arrows'
import { markBalance } from './balance'
import { contextOf, type MarkContext } from './context'
import { markCover } from './cover'
import { markExpression } from './expression'
import { markInk } from './ink'
import { markLabel } from './label'
import { markMatch } from './match'
import { markOrder } from './order'
import { markScale } from './scale'
import { markSlots } from './slots'
import { markSort } from './sort'
import { markSpectrum } from './spectrum'
import { markTotal } from './total'
import { markVote } from './vote'
import { markWrite } from './write'

/** *noted*: counted, never scored. */
export const VERDICTS = ['right', 'wrong', 'on-the-line', 'not-placed', 'noted'] as const
export type Verdict = typeof VERDICTS[number]

/** Why: a code that the message catalogue has words for, and the names and numbers to put into them. */
export interface Reason { readonly code: string, readonly words: Readonly<Record<string, string | number>> }

/** What a key says of one thing: a piece, a place, a cell or gap of one ("place:row,column"), a fixed figure, or the key as a whole. */
export interface ItemMark {
  readonly item: string
  readonly is: 'piece' | 'place' | 'figure' | 'key'
  readonly verdict: Verdict
  /** On the line these are nought: the teacher decides. */
  readonly points: number
  readonly of: number
  readonly reason: Reason
}

export interface KeyMark {
  readonly key: KeyId
  readonly kind: Key['kind']
  readonly points: number
  readonly of: number
  /** Points that the teacher has still to decide on. */
  readonly undecided: number
  readonly items: readonly ItemMark[]
}

type Markers = { readonly [Kind in Key['kind']]: (key: Extract<Key, { kind: Kind }>, context: MarkContext) => ItemMark[] }
const markers: Markers = {
  sort: markSort, order: markOrder, slots: markSlots, match: markMatch, total: markTotal, balance: markBalance, expression: markExpression,
  scale: markScale, label: markLabel, cover: markCover, arrows: markArrows, write: markWrite, ink: markInk, vote: markVote, spectrum: markSpectrum,
}

/** What each key says of a slate, in the order of the keys. A board without keys gives an empty list: it is not scored. */
export function markSlate(state: SlateState, edition: Edition): KeyMark[] {
  return edition.board.keys.map(key => markKey(key, state, edition))
}

/** What one key says of a slate; nothing where its page is gone. */
export function markKey(key: Key, state: SlateState, edition: Edition): KeyMark {
  const context = contextOf(key, state, edition)
  // A key's kind picks its own marker; TypeScript can't follow that pairing through the lookup.
  const items = context ? (markers[key.kind] as (key: Key, context: MarkContext) => ItemMark[])(key, context) : []
  return summed({ key: key.id, kind: key.kind, items })
}

/** The teacher's own word on an item of a key ("key/item") stands over the machine's. */
export type Decisions = { readonly [keyAndItem: string]: 'right' | 'wrong' }
export const DecisionNameSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}\/[A-Za-z0-9_~:,-]{1,70}$/))
export const decisionName = (key: KeyId, item: string) => `${key}/${item}`

/** The marks with the teacher's decisions put over them; decisions on items that aren't marked change nothing. */
export function withDecisions(marks: readonly KeyMark[], decisions: Decisions): KeyMark[] {
  return marks.map(mark => summed({
    ...mark,
    items: mark.items.map((item) => {
      const decided = decisions[decisionName(mark.key, item.item)]
      return decided ? { ...item, verdict: decided, points: decided === 'right' ? item.of : 0 } : item
    }),
  }))
}

function summed(mark: Pick<KeyMark, 'key' | 'kind' | 'items'>): KeyMark {
  const total = (value: (item: ItemMark) => number) => mark.items.reduce((sum, item) => sum + value(item), 0)
  return { ...mark, points: total(i => i.points), of: total(i => i.of), undecided: total(i => i.verdict === 'on-the-line' ? i.of : 0) }
}
