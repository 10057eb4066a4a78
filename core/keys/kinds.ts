import type { Page } from '../board/board'
import type { Tool } from '../board/tools'
import { arrowsKind } from './arrows/kind'
import { balanceKind } from './balance/kind'
import { coverKind } from './cover/kind'
import { expressionKind } from './expression/kind'
import { inkKind } from './ink/kind'
import type { Key, KeyKind, KeyOf } from './key'
import type { KindOfKey } from './kind'
import { labelKind } from './label/kind'
import { matchKind } from './match/kind'
import { orderKind } from './order/kind'
import type { CodeOf, TAKEN } from './reason'
import { scaleKind } from './scale/kind'
import { slotsKind } from './slots/kind'
import { sortKind } from './sort/kind'
import { spectrumKind } from './spectrum/kind'
import { totalKind } from './total/kind'
import { voteKind } from './vote/kind'
import { writeKind } from './write/kind'

/**
 * What every kind of key does, the likeliest to be meant on a page first. A match needs no place of its own, so it
 * comes last.
 */
const KINDS = {
  balance: balanceKind,
  label: labelKind,
  write: writeKind,
  ink: inkKind,
  arrows: arrowsKind,
  order: orderKind,
  cover: coverKind,
  slots: slotsKind,
  spectrum: spectrumKind,
  scale: scaleKind,
  expression: expressionKind,
  vote: voteKind,
  total: totalKind,
  sort: sortKind,
  match: matchKind,
} satisfies { readonly [Kind in KeyKind]: KindOfKey<KeyOf<Kind>> }

type Kinds = typeof KINDS
type ReasonsOf<Kind extends KeyKind> = Kinds[Kind]['reasons']
/** Every reason that a key gives, and every one that a student hears. The message catalogue has words for each. */
export type ReasonCode = { [Kind in KeyKind]: CodeOf<ReasonsOf<Kind>> }[KeyKind] | CodeOf<typeof TAKEN>
export type HeardCode = { [Kind in KeyKind]: keyof ReasonsOf<Kind> & string }[KeyKind]

// A key's kind picks what it does; TypeScript can't follow that pairing through the lookup.
export const kindOf = <K extends Key>(key: Pick<K, 'kind'>): KindOfKey<K> => KINDS[key.kind] as unknown as KindOfKey<K>

/** Whether a key counts what the class does, instead of judging it. */
export const isCounted = (key: Pick<Key, 'kind'>) => kindOf(key).counted

/** The kinds of key that a page has the places, pieces and tools for, the likeliest first. None for an empty page. */
export function kindsFor(page: Page, tools: readonly Tool[] = []): KeyKind[] {
  return (Object.keys(KINDS) as KeyKind[]).filter(kind => KINDS[kind].suits(page, tools))
}

/** Kinds of key that can have more than one right answer to the same question. */
export const ALTERNATIVES: ReadonlySet<KeyKind> = new Set(
  (Object.keys(KINDS) as KeyKind[]).filter(kind => KINDS[kind].alsoRight),
)

/**
 * The former key with what the other one says as well: each of the answers is right. Keys of other kinds are replaced.
 */
export function alsoRight(former: Key, now: Key): Key {
  return former.kind === now.kind ? (kindOf(former).alsoRight?.(former, now) ?? now) : now
}
