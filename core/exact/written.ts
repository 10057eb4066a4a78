import { withPlainDigits } from './digits'

/** Letters and digits of a written number. */
export const LONGEST_QUANTITY = 40

/** Fractions that are one character (The Unicode Standard, Number Forms). */
const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅐': '1/7',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
  '⅑': '1/9',
  '⅒': '1/10',
  '↉': '0/3',
}
const RAISED = '⁰¹²³⁴⁵⁶⁷⁸⁹'
const LOWERED = '₀₁₂₃₄₅₆₇₈₉'
const plainOf = (row: string, text: string) => [...text].map(c => row.indexOf(c)).join('')

/**
 * What stands between thousands: in every language a space of any width or an apostrophe, in most a comma or a point
 * too.
 */
type Grouping = ',' | '.' | null
/**
 * By language, from memory of the Unicode Common Locale Data Repository: which of comma and point stands between
 * thousands.
 * Null: only spaces do. Where nothing is said of a language it is English.
 */
const GROUPINGS: Readonly<Record<string, Grouping>> = {
  en: ',',
  cy: ',',
  ga: ',',
  zh: ',',
  ja: ',',
  ko: ',',
  hi: ',',
  ar: ',',
  de: '.',
  es: '.',
  it: '.',
  pt: '.',
  nl: '.',
  tr: '.',
  da: '.',
  el: '.',
  id: '.',
  fr: null,
  pl: null,
  sv: null,
  uk: null,
  ru: null,
  cs: null,
  fi: null,
  nb: null,
}
const groupingOf = (language: string | undefined): Grouping =>
  GROUPINGS[(language ?? 'en').split('-')[0]!.toLowerCase()] ?? null

/** Marks of direction, which aren't seen. */
const DIRECTIONS = /[\u061C\u200B-\u200F\u202A-\u202E\u2066-\u2069]/g
const FRACTION = /^(?:(\d+) )?(\d+)\/(\d+)$/

/**
 * A number as it is written somewhere in the world, in one form ("-1 1/2", "0.5", "3/4"); null for anything else, and
 * for a denominator of nought. Read are whole numbers and decimals, with thousands set apart; fractions and mixed
 * numbers, also in one character or with raised and lowered digits; digits of every script; a hyphen, a dash or a true
 * minus sign in front. A single comma or point before just three digits sets thousands apart where the language writes
 * them so, else it is the decimal sign, whichever of the two: nobody is marked down for the neighbours' comma.
 */
export function tidyNumber(text: string, language?: string): string | null {
  const plain = text.replace(DIRECTIONS, '').trim()
  if (plain.length > LONGEST_QUANTITY) return null
  const [, sign = '', rest = ''] = /^([-−–－﹣+＋]?)\s*(.*)$/s.exec(plain)!
  const read = unsigned(rest, language)
  if (read === null) return null
  return sign === '' || sign === '+' || sign === '＋' ? read : `-${read}`
}

function unsigned(text: string, language: string | undefined): string | null {
  const tidy = withPlainDigits(text)
    .replace(
      /([⁰¹²³⁴⁵⁶⁷⁸⁹]+)\s*[⁄∕/]\s*([₀₁₂₃₄₅₆₇₈₉]+)/g,
      (_, top: string, under: string) => ` ${plainOf(RAISED, top)}/${plainOf(LOWERED, under)}`,
    )
    .replace(/[½⅓⅔¼¾⅕⅖⅗⅘⅙⅚⅐⅛⅜⅝⅞⅑⅒↉]/g, one => ` ${VULGAR[one]}`)
    .replace(/\s*[⁄∕/]\s*/g, '/')
    .replace(/\s+/g, ' ')
    .trim()
  const [, whole, top, under] = FRACTION.exec(tidy) ?? []
  if (top && under) return /^0+$/.test(under) ? null : `${whole ? `${whole} ` : ''}${top}/${under}`
  return decimal(tidy, groupingOf(language))
}

/** Thousands in threes, or by the lakh: 1,00,000. */
const GROUPED = /^[1-9]\d{0,2}(?:(.)\d{3})(?:\1\d{3})*$/
const LAKHS = /^[1-9]\d?(?:,\d\d)+,\d{3}$/

function decimal(text: string, grouping: Grouping): string | null {
  const plain = text.replace(/['’]/g, ' ')
  if (!/^[\d., ]+$/.test(plain) || !/\d/.test(plain)) return null
  const last = Math.max(plain.lastIndexOf(','), plain.lastIndexOf('.'))
  if (last < 0) return ungrouped(plain)
  const sign = plain[last]!
  const [before, after] = [plain.slice(0, last), plain.slice(last + 1)]
  // What stands there once more, or alone before just three digits in a language that writes so, sets thousands apart.
  const several = before.includes(sign)
  if (several || (sign === grouping && /^\d{3}$/.test(after) && /^[1-9]\d{0,2}$/.test(before))) return ungrouped(plain)
  if (!/^\d*$/.test(after)) return null
  const whole = before === '' ? (after ? '0' : null) : ungrouped(before)
  if (whole === null) return null
  return after ? `${before === '' ? '' : whole}.${after}` : whole
}

/** Digits in groups, or in none. */
function ungrouped(text: string): string | null {
  if (/^\d+$/.test(text)) return text
  return GROUPED.test(text) || LAKHS.test(text) ? text.replace(/[., ]/g, '') : null
}

/**
 * The floating number nearest to a written one that is known to be one, for lengths and places; what is counted is
 * exact (`quantity.ts`). Throws for any other text.
 */
export function floating(text: string): number {
  const tidy = tidyNumber(text)
  if (!tidy) throw new Error(`not a number: ${text}`)
  const [, sign, whole, top, under] = /^([-+]?)(?:([\d.]+)(?: |$))?(?:(\d+)\/(\d+))?$/.exec(tidy)!
  const size = Number(whole ?? 0) + (under ? Number(top) / Number(under) : 0)
  return sign === '-' ? -size : size
}
