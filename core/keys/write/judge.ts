import { distance } from 'fastest-levenshtein'
import Fraction from 'fraction.js'
import { readMeasure, readMeasures, type Measure } from '../../exact/measure'
import type { Quantity } from '../../exact/quantity'
import type { Written } from './key'

/** *near*: a teacher tells a slip from a mistake. */
export type Judged = 'right' | 'other' | 'near' | 'no-number' | 'no-unit' | 'other-unit'

/**
 * What was typed, held against everything that is accepted: numbers and amounts by their value, in whatever form the
 * board's language (BCP 47) writes them, all else by its words. The best that holds for one of them. Nothing typed is
 * for the caller.
 */
export function judge(text: string, answer: Written, language?: string): Judged {
  const judged = answer.accepts.map(accepted => judgeOne(text, accepted, answer, language))
  return RANKS.find(rank => judged.includes(rank)) ?? 'other'
}
/** From the best: what one of several answers says in the student's favour stands. */
const RANKS: readonly Judged[] = ['right', 'near', 'no-unit', 'other-unit', 'no-number', 'other']

function judgeOne(text: string, accepted: string, answer: Written, language: string | undefined): Judged {
  const wanted = readMeasures(accepted, language)
  if (wanted.length === 0) return judgeWords(text, accepted, answer)
  if (text.trim() === accepted.trim()) return 'right'
  const given = readMeasures(text, language)
  // Words beside a number are no number that is wrong: another accepted answer may be words.
  if (given.length === 0) return answer.accepts.every(other => readMeasure(other, language)) ? 'no-number' : 'other'
  const judged = given.flatMap(one => wanted.map(other => judgeMeasure(one, other, answer.tolerance, language)))
  const best = RANKS.find(rank => judged.includes(rank)) ?? 'other'
  if (best === 'right') return best
  // Capitals tell mega from milli; who doesn't heed them may have meant the right one.
  const sloppy = readMeasures(text.toLowerCase(), language)
  return sloppy.some(one => wanted.some(other => judgeMeasure(one, other, answer.tolerance, language) === 'right'))
    ? 'near'
    : best
}

const HUNDRED = new Fraction(100)

function judgeMeasure(
  given: Measure,
  wanted: Measure,
  tolerance: string | undefined,
  language: string | undefined,
): Judged {
  if (given.dimension === wanted.dimension) {
    return given.amount
      .sub(wanted.amount)
      .abs()
      .compare(toleranceOf(tolerance, wanted, language)) <= 0
      ? 'right'
      : 'other'
  }
  const [g, w] = [given.dimension, wanted.dimension]
  // A percentage is a hundredth, so it is a form of the same number; the other way round the percentage is what was
  // asked for.
  if (g === 'percent' && w === 'number') {
    return given.amount
      .div(HUNDRED)
      .sub(wanted.amount)
      .abs()
      .compare(toleranceOf(tolerance, wanted, language)) <= 0
      ? 'right'
      : 'other-unit'
  }
  return g === 'number' ? 'no-unit' : 'other-unit'
}

/**
 * A tolerance without a unit is in the answer's own, the last one named: half of "1 m 20 cm ± 0.5" is half a
 * centimetre.
 */
function toleranceOf(tolerance: string | undefined, wanted: Measure, language: string | undefined): Quantity {
  const read = tolerance === undefined ? null : readMeasure(tolerance, language)
  if (!read) return new Fraction(0)
  if (read.dimension === 'number') return read.amount.mul(wanted.unit)
  // Of degrees of temperature it is a difference, so it doesn't begin at absolute nought.
  if (read.dimension === 'temperature') return differenceOf(tolerance!, read, language)
  return read.dimension === wanted.dimension ? read.amount : new Fraction(0)
}

function differenceOf(text: string, read: Measure, language: string | undefined): Quantity {
  const nought = readMeasure(text.replace(/[\d.,]+/, '0'), language)
  return nought ? read.amount.sub(nought.amount).abs() : new Fraction(0)
}

type Told = Pick<Written, 'capitals' | 'accents' | 'punctuation'>

function judgeWords(text: string, accepted: string, told: Told): Judged {
  if (isFormula(accepted)) return judgeFormula(text, accepted, told)
  const [written, variant] = [plain(text, told), plain(accepted, told)]
  if (written === variant) return 'right'
  // Another number among the words is another answer, no slip.
  if (numbersIn(written) !== numbersIn(variant)) return 'other'
  return slipsBetween(written, variant) <= slips(variant) ? 'near' : 'other'
}

const numbersIn = (text: string) => (text.match(/\p{Nd}+/gu) ?? []).join(' ')

/** In one letter or two no slip can be told from another word. */
const slips = (word: string) => (word.length <= 2 ? 0 : word.length <= 5 ? 1 : MOST_SLIPS)

/** So many slips at the most are told from another word. */
const MOST_SLIPS = 2

/**
 * Letters left out, put in or taken for others, and two neighbours that changed places, each one slip (the restricted
 * distance of F. J. Damerau, "A technique for computer detection and correction of spelling errors", CACM 7, 1964).
 * Beyond what can matter here it is the plain distance.
 */
function slipsBetween(a: string, b: string): number {
  const direct = distance(a, b)
  if (direct < 2 || direct > 2 * MOST_SLIPS) return direct
  let [before, last]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, j) => j)]
  for (let i = 1; i <= a.length; i++) {
    const row = [i]
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1
      const plain = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + same)
      const swapped = i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1] ? before[j - 2]! + 1 : Infinity
      row.push(Math.min(plain, swapped))
    }
    ;[before, last] = [last, row]
  }
  return last[b.length]!
}

/** No word: a mark, a sign, a letter, brackets, a term. There everything counts that is no space. */
const isFormula = (accepted: string) => !/\p{L}\p{M}*\p{L}/u.test(accepted)

function judgeFormula(text: string, accepted: string, told: Told): Judged {
  const [written, variant] = [formula(text, told), formula(accepted, told)]
  // A full stop at the end of a line is a habit.
  if (written === variant || (variant.length > 0 && written === `${variant}.`)) return 'right'
  const bare = (all: string) => all.replace(/[^\p{L}\p{M}\p{N}]/gu, '')
  return bare(written) !== '' && bare(written) === bare(variant) ? 'near' : 'other'
}

function formula(text: string, { capitals, accents }: Told): string {
  const one = folded(text, { capitals, accents })
  return one
    .replace(/[-‐‑‒–−]/g, '−')
    .replace(/[*·⋅∙]/g, '×')
    .replace(/\s+/g, '')
}

/**
 * Marks of vowels and accents on letters that are the same without; what spells a vowel in other scripts is no such
 * mark.
 */
const ACCENTS = /[\u0300-\u036F\u0591-\u05C7\u064B-\u065F\u0670]/g
/** What isn't seen: joiners, soft hyphens, marks of direction. */
const UNSEEN = /[\u00AD\u200B-\u200F\u202A-\u202E\u2060\u2066-\u2069\uFEFF]/g
const POWERS: Readonly<Record<string, string>> = { '²': '^2', '³': '^3' }

function folded(text: string, { capitals, accents }: Pick<Told, 'capitals' | 'accents'>): string {
  let plain = text
    .normalize('NFC')
    .replace(UNSEEN, '')
    .replace(/[\u3000\u00A0]/g, ' ')
    .replace(/[！-～]/g, wide => String.fromCodePoint(wide.codePointAt(0)! - 0xfee0))
    .replace(/[²³]/g, power => POWERS[power]!)
    .replace(/[‘’ʼ`´′]/g, "'")
    .replace(/[“”„«»]/g, '"')
  // Capitals and back, so that what has a capital of two letters (ß) is the same.
  if (!capitals) plain = plain.toUpperCase().toLowerCase()
  if (!accents) plain = plain.normalize('NFD').replace(ACCENTS, '').normalize('NFC')
  return plain
}

/** Between or before letters and digits that stand for numbers a hyphen is a minus, which is never punctuation. */
const MINUS =
  /(?<=^|[\s(=<>+×÷*/])[-‐‑‒–](?=\s*[\p{L}\p{N}(])|(?<=\p{N}|\))\s*[-‐‑‒–](?=\s*[\p{N}(])|(?<=(?<!\p{L})\p{L}|\p{N})\s*[-‐‑‒–]\s*(?=[\p{L}\p{N}](?!\p{L}))/gu

/** The text as it is compared: one space between words, and without what the key doesn't tell apart. */
export function plain(text: string, { capitals, accents, punctuation }: Told): string {
  let plain = folded(text, { capitals, accents })
    .replace(MINUS, '−')
    .replace(/[-‐‑‒–]/g, '-')
  if (!punctuation) plain = plain.replace(/'/g, '').replace(/\p{P}/gu, ' ')
  return plain.replace(/\s+/g, ' ').trim()
}
