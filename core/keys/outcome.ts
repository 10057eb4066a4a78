import type { KeyId } from '../board/ids'
import type { KeyKind } from './key'
import type { CodeOf, ItemKind, Reason, ReasonTable, WordsOf } from './reason'

/** *noted*: counted, never scored. */
export const VERDICTS = ['right', 'wrong', 'on-the-line', 'not-placed', 'noted'] as const
export type Verdict = (typeof VERDICTS)[number]

/** What a key says of one thing. */
export interface ItemMark {
  readonly item: string
  readonly is: ItemKind
  readonly verdict: Verdict
  /** On the line these are nought: the teacher decides. */
  readonly points: number
  readonly of: number
  readonly reason: Reason
}

export interface KeyMark {
  readonly key: KeyId
  readonly kind: KeyKind
  readonly points: number
  readonly of: number
  /** Points that the teacher has still to decide on. */
  readonly undecided: number
  readonly items: readonly ItemMark[]
}

/** One point where nothing else is said, which only what is right earns. */
interface Said<T extends ReasonTable, Code extends CodeOf<T>> {
  readonly is: ItemKind
  readonly item: string
  readonly verdict: Verdict
  readonly code: Code
  readonly words: WordsOf<T, Code>
  readonly of?: number
  readonly points?: number
}

/** Gives marks whose reasons are of a kind's own table, each with the words that it needs. */
export function marksWith<const T extends ReasonTable>(_reasons: T) {
  return <Code extends CodeOf<T>>(said: Said<T, Code>): ItemMark => {
    const { is, item, verdict, code, words, of = 1, points = verdict === 'right' ? of : 0 } = said
    return { item, is, verdict, points, of, reason: { code, words: words as Reason['words'] } }
  }
}

/** A set against a set: what is right, what is missing, what is too many. Each in the order of its own set. */
export interface Compared<Member> {
  readonly how: 'right' | 'missing' | 'over' | 'wrong' | 'empty'
  readonly hits: readonly Member[]
  readonly missing: readonly Member[]
  readonly extra: readonly Member[]
  readonly made: readonly Member[]
  readonly verdict: 'right' | 'wrong' | 'not-placed'
  /** One for each member asked for, one less for each too many, down to nought. */
  readonly points: number
  readonly of: number
}

/** Nothing made where something is asked for is *empty*; where nothing is asked for, it is right. */
export function compared<Member>(wanted: ReadonlySet<Member>, made: ReadonlySet<Member>): Compared<Member> {
  const hits = [...wanted].filter(member => made.has(member))
  const missing = [...wanted].filter(member => !made.has(member))
  const extra = [...made].filter(member => !wanted.has(member))
  const how =
    made.size === 0 && wanted.size > 0
      ? ('empty' as const)
      : missing.length
        ? extra.length
          ? ('wrong' as const)
          : ('missing' as const)
        : extra.length
          ? ('over' as const)
          : ('right' as const)
  const verdict = how === 'right' ? ('right' as const) : how === 'empty' ? ('not-placed' as const) : ('wrong' as const)
  return {
    how,
    hits,
    missing,
    extra,
    made: [...made],
    verdict,
    points: Math.max(0, hits.length - extra.length),
    of: wanted.size,
  }
}
