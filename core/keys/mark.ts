import * as v from 'valibot'
import type { Edition } from '../board/edition'
import type { KeyId, PageId } from '../board/ids'
import type { SlateState } from '../slate/state'
import { takenAsRight } from './also'
import { contextOn, type MarkContext } from './context'
import type { Key } from './key'
import { kindOf } from './kinds'
import type { ItemMark, KeyMark } from './outcome'

/**
 * What each key says of a slate, in the order of the keys. A board without keys gives an empty list: it is not scored.
 */
export function markSlate(state: SlateState, edition: Edition): KeyMark[] {
  const contexts = new Map<PageId, MarkContext | null>()
  return edition.board.keys.map(key => {
    if (!contexts.has(key.page)) {
      const page = edition.board.pages.find(({ id }) => id === key.page)
      contexts.set(key.page, page ? contextOn(page, state, edition) : null)
    }
    return markKey(key, contexts.get(key.page) ?? null)
  })
}

/** What one key says; nothing where its page is gone. */
function markKey(key: Key, context: MarkContext | null): KeyMark {
  return summed({
    key: key.id,
    kind: key.kind,
    items: context ? takenAsRight(kindOf(key).mark(key, context), key.also) : [],
  })
}

/** The teacher's own word on an item: right, wrong, or so many points of those that it has. */
export const DecisionSchema = v.union([
  v.picklist(['right', 'wrong']),
  v.pipe(
    v.number(),
    v.minValue(0),
    v.maxValue(1000),
    v.transform(points => Math.round(points * 100) / 100),
  ),
])
export type Decision = v.InferOutput<typeof DecisionSchema>
/** By the item of a key ("key/item"); it stands over the machine's. */
export type Decisions = { readonly [keyAndItem: string]: Decision }
export const DecisionNameSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}\/[A-Za-z0-9_~:,-]{1,70}$/))
export const decisionName = (key: KeyId, item: string) => `${key}/${item}`

/**
 * The marks with the teacher's decisions put over them; decisions on items that aren't marked change nothing. Part
 * points are at most what the item has; all of them are right, less is wrong.
 */
export function withDecisions(marks: readonly KeyMark[], decisions: Decisions): KeyMark[] {
  return marks.map(mark =>
    summed({
      ...mark,
      items: mark.items.map(item => {
        const decided = decisions[decisionName(mark.key, item.item)]
        return decided === undefined ? item : { ...item, ...decidedAs(decided, item.of) }
      }),
    }),
  )
}

function decidedAs(decided: Decision, of: number): Pick<ItemMark, 'verdict' | 'points'> {
  const points = decided === 'right' ? of : decided === 'wrong' ? 0 : Math.min(decided, of)
  const verdict = typeof decided === 'string' ? decided : points >= of ? 'right' : 'wrong'
  return { verdict, points }
}

function summed(mark: Pick<KeyMark, 'key' | 'kind' | 'items'>): KeyMark {
  const total = (value: (item: ItemMark) => number) => mark.items.reduce((sum, item) => sum + value(item), 0)
  return {
    ...mark,
    points: total(i => i.points),
    of: total(i => i.of),
    undecided: total(i => (i.verdict === 'on-the-line' ? i.of : 0)),
  }
}
