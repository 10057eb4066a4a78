import type { Board } from '../board/board'
import type { PageId, PieceId, PlaceId } from '../board/ids'
import type { Piece } from '../board/piece'
import { pieceName } from '../board/pieceName'
import { sortKeyOf } from './sort/ofPage'
import { readQuantity, type Quantity } from '../exact/quantity'
import { heard, type Heard, type SoundTest } from '../sound/compare'
import type { Sounds } from '../sound/phones'

/** A rule that says of a word or a number whether it belongs. Values are as a teacher types them. */
export type SortRule =
  | { readonly test: 'starts' | 'ends' | 'contains'; readonly value: string }
  | { readonly test: 'letters'; readonly value: string }
  | { readonly test: SoundTest; readonly value: string }
  | { readonly test: 'digit'; readonly value: string; readonly at: string }
  | { readonly test: 'even' | 'odd' | 'prime' }
  | { readonly test: 'multiple'; readonly value: string }
  | { readonly test: 'between'; readonly value: string; readonly to: string }
  | { readonly test: 'rounds'; readonly value: string; readonly nearest: string }
export const RULE_TESTS = [
  'starts',
  'ends',
  'contains',
  'letters',
  'vowel',
  'rhymes',
  'onset',
  'initial',
  'syllables',
  'even',
  'odd',
  'prime',
  'multiple',
  'between',
  'digit',
  'rounds',
] as const
export type RuleTest = (typeof RULE_TESTS)[number]
/** Of what is printed in a cell. */
export const CELL_TESTS: readonly RuleTest[] = ['multiple', 'even', 'odd', 'prime', 'between', 'digit', 'rounds']

/** A rule as a teacher fills it in, before it is whole. */
export interface RuleDraft {
  readonly test: RuleTest | ''
  readonly value: string
  readonly more: string
}
export const asksValue = (test: RuleDraft['test']) =>
  test !== '' && test !== 'even' && test !== 'odd' && test !== 'prime'
export const asksMore = (test: RuleDraft['test']) => test === 'between' || test === 'rounds' || test === 'digit'

/** The rule that a draft makes, whether or not it can be asked yet; null for none. */
export function ruleOf({ test, value, more }: RuleDraft): SortRule | null {
  if (test === '') return null
  if (test === 'between') return { test, value, to: more }
  if (test === 'digit') return { test, value, at: more }
  if (test === 'rounds') return { test, value, nearest: more }
  return asksValue(test) ? ({ test, value } as SortRule) : ({ test } as SortRule)
}

const SOUND_TESTS: ReadonlySet<string> = new Set<SoundTest>(['vowel', 'rhymes', 'onset', 'initial', 'syllables'])
export const isBySound = (test: string): test is SoundTest => SOUND_TESTS.has(test)
const noSounds: Sounds = new Map()

export type RuleFault = 'no-value' | 'not-a-number' | 'not-a-digit' | 'unknown-word'

/**
 * Null when the rule can be asked; a rule without its value, or with one that is no number, is refused before it is
 * used.
 */
export function ruleFault(rule: SortRule, sounds: Sounds = noSounds): RuleFault | null {
  if ('value' in rule && !rule.value.trim()) return 'no-value'
  if (isBySound(rule.test) && rule.test !== 'syllables' && 'value' in rule)
    return heard('syllables', rule.value, '1', sounds) === null ? 'unknown-word' : null
  if (rule.test === 'digit') return /^\d$/.test(rule.value.trim()) && isPowerOfTen(rule.at) ? null : 'not-a-digit'
  const numbers =
    rule.test === 'letters' || rule.test === 'syllables' || rule.test === 'multiple'
      ? [rule.value]
      : rule.test === 'between'
        ? [rule.value, rule.to]
        : rule.test === 'rounds'
          ? [rule.value, rule.nearest]
          : []
  if (numbers.some(text => !readQuantity(text))) return 'not-a-number'
  const divisor = rule.test === 'multiple' ? rule.value : rule.test === 'rounds' ? rule.nearest : '1'
  return readQuantity(divisor)!.equals(0) ? 'not-a-number' : null
}

/** 100, 10, 1, 0.1, ...: the places of a number. */
function isPowerOfTen(text: string): boolean {
  const at = readQuantity(text)
  return (
    at !== null
    && at.compare(0) > 0
    && /^10*$/.test(String(at.n))
    && /^10*$/.test(String(at.d))
    && (at.n === 1n || at.d === 1n)
  )
}

/** Trial division stays below a second up to here; beyond it nothing is guessed. */
const LARGEST_PRIME_ASKED = 10n ** 12n

/**
 * Whether a piece fits a rule that has no fault; null where it can't be said: a word asked for its parity, a number too
 * large to try, a word that the dictionary doesn't know. *differs*: it hangs on how the word is said.
 */
export function fits(rule: SortRule, piece: Piece, sounds: Sounds = noSounds, language?: string): Heard {
  const number = piece.kind === 'tile' ? readQuantity(piece.value) : undefined
  return fitsText(rule, pieceName(piece), { sounds, ...(language && { language }), ...(number && { number }) })
}

interface Reading {
  readonly sounds?: Sounds
  readonly language?: string
  /** What the thing is worth, where that isn't what its words say. */
  readonly number?: Quantity
}

/** The same of a text that stands by itself, such as what is printed in a cell. */
export function fitsText(rule: SortRule, words: string, { sounds = noSounds, language, number }: Reading = {}): Heard {
  const text = plainly(words)
  const value = 'value' in rule ? plainly(rule.value.trim()) : ''
  switch (rule.test) {
    case 'starts':
      return text.startsWith(value)
    case 'ends':
      return text.endsWith(value)
    case 'contains':
      return text.includes(value)
    case 'vowel':
    case 'rhymes':
    case 'onset':
    case 'initial':
    case 'syllables':
      return heard(rule.test, text, value, sounds)
    case 'letters':
      return readQuantity(value)!.equals([...text].filter(c => /\p{L}/u.test(c)).length)
    case 'even':
    case 'odd':
    case 'prime':
    case 'multiple':
    case 'between':
    case 'digit':
    case 'rounds': {
      // Values are kept in one way of writing, words on cards stand as the board's language writes them.
      const read = number ?? readQuantity(text, language)
      return read && fitsNumber(rule, read, language)
    }
  }
}

/** Small letters, and one apostrophe and one hyphen for all of their kinds. */
const plainly = (text: string) =>
  text
    .normalize('NFC')
    .toLocaleLowerCase('en')
    .replace(/[‘’ʼ`´]/g, "'")
    .replace(/[‐‑‒–]/g, '-')

function fitsNumber(
  rule: Exclude<SortRule, { test: 'starts' | 'ends' | 'contains' | 'letters' | SoundTest }>,
  number: Quantity,
  language: string | undefined,
): boolean | null {
  const read = (text: string) => readQuantity(text, language)!
  const whole = number.d === 1n
  switch (rule.test) {
    case 'even':
      return whole && number.n % 2n === 0n
    case 'odd':
      return whole && number.n % 2n === 1n
    case 'prime':
      return isPrime(number)
    // Every multiple is the divisor a whole number of times; nought is a multiple of everything.
    case 'multiple':
      return number.div(read(rule.value)).d === 1n
    // From 30 to 20 is from 20 to 30.
    case 'between': {
      const [from, to] = [read(rule.value), read(rule.to)].toSorted((a, b) => a.compare(b)) as [Quantity, Quantity]
      return number.compare(from) >= 0 && number.compare(to) <= 0
    }
    // The digit that stands at a place: 4 at the tens of 342.
    case 'digit':
      return number.abs().div(read(rule.at)).floor().mod(10).equals(Number(rule.value))
    case 'rounds':
      return rounded(number, read(rule.nearest)).equals(read(rule.value))
  }
}

/** Whole numbers from 2 that only 1 and they themselves divide. Null beyond 10¹². */
export function isPrime(number: Quantity): boolean | null {
  if (number.d !== 1n || number.compare(2) < 0) return false
  if (number.n > LARGEST_PRIME_ASKED) return null
  for (let i = 2n; i * i <= number.n; i++) if (number.n % i === 0n) return false
  return true
}

/** To the nearest multiple; halfway goes away from nought, as schools teach it (common practice, no source). */
export function rounded(number: Quantity, nearest: Quantity): Quantity {
  const steps = number.abs().div(nearest.abs())
  return steps
    .add('1/2')
    .floor()
    .mul(nearest.abs())
    .mul(number.compare(0) < 0 ? -1 : 1)
}

export interface Filled {
  readonly homes: Readonly<Record<PieceId, PlaceId[]>>
  /** Pieces that fit no rule: they belong nowhere. */
  readonly none: readonly PieceId[]
  /** Pieces that fit several: each of these places is right. */
  readonly several: readonly PieceId[]
  /**
   * Pieces of which it hangs on the accent, or on a variant, whether they fit: they are not in the key, and the teacher
   * is asked.
   */
  readonly differs: readonly PieceId[]
  /** Pieces of which some rule can say nothing: they are not in the key, and the teacher is asked. */
  readonly unknown: readonly PieceId[]
}

/**
 * The homes of every piece of a page by one rule for each place. Places without a rule keep what the page's sort says
 * of them so far; of places with one the rule alone decides. Empty rules and no sort put every piece among `none`.
 */
export function fillByRules(
  board: Board,
  pageId: PageId,
  rules: ReadonlyMap<PlaceId, SortRule>,
  sounds: Sounds = noSounds,
): Filled {
  const before = sortKeyOf(board, pageId)?.homes ?? {}
  const homes: Record<PieceId, PlaceId[]> = {}
  const [none, several, unknown, differs]: [PieceId[], PieceId[], PieceId[], PieceId[]] = [[], [], [], []]
  for (const piece of board.pages.find(p => p.id === pageId)?.pieces ?? []) {
    const answers = [...rules].map(([place, rule]) => [place, fits(rule, piece, sounds, board.language)] as const)
    const kept = (before[piece.id] ?? []).filter(place => !rules.has(place))
    const right = [...answers.filter(([, fit]) => fit === true).map(([place]) => place), ...kept]
    if (answers.some(([, fit]) => fit === 'differs')) {
      differs.push(piece.id)
      continue
    }
    if (right.length === 0 && answers.some(([, fit]) => fit === null)) {
      unknown.push(piece.id)
      continue
    }
    homes[piece.id] = right
    if (right.length === 0) none.push(piece.id)
    if (right.length > 1) several.push(piece.id)
  }
  return { homes, none, several, unknown, differs }
}
