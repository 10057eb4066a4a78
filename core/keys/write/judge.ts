import { distance } from 'fastest-levenshtein'
import { measure, readMeasure, type Measure } from '../../exact/measure'
import type { Written } from './key'

/** *near*: a teacher tells a slip from a mistake. */
export type Judged = 'right' | 'other' | 'near' | 'no-number' | 'no-unit'
/** What was typed, held against what is accepted. Nothing typed is for the caller. */
export function judge(text: string, answer: Written): Judged {
  const numbers = answer.accepts.flatMap(accepted => readMeasure(accepted) ?? [])
  if (numbers.length === answer.accepts.length) return judgeNumber(text, numbers, answer)
  const written = plain(text, answer)
  const accepted = answer.accepts.map(variant => plain(variant, answer))
  if (accepted.includes(written)) return 'right'
  return accepted.some(variant => distance(written, variant) <= slips(variant)) ? 'near' : 'other'
}

/** In one letter or two no slip can be told from another word. */
const slips = (word: string) => word.length <= 2 ? 0 : word.length <= 5 ? 1 : 2

function judgeNumber(text: string, wanted: readonly Measure[], { tolerance }: Written): Judged {
  const given = readMeasure(text)
  if (!given) return 'no-number'
  const within = ({ amount }: Measure) => given.amount.sub(amount).abs().compare(tolerance === undefined ? 0 : measure(tolerance).amount) <= 0
  if (wanted.some(measure => measure.dimension === given.dimension && within(measure))) return 'right'
  return given.dimension === 'number' && wanted.some(({ dimension }) => dimension !== 'number') ? 'no-unit' : 'other'
}

/** The text as it is compared: one space between words, and without what the key doesn't tell apart. */
export function plain(text: string, { capitals, accents, punctuation }: Pick<Written, 'capitals' | 'accents' | 'punctuation'>): string {
  let plain = text.normalize('NFC').replace(/[‘’]/g, '\'').replace(/[“”]/g, '"').replace(/[‐‑‒–−]/g, '-')
  if (!capitals) plain = plain.toLocaleLowerCase('en')
  if (!accents) plain = plain.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC')
  if (!punctuation) plain = plain.replace(/'/g, '').replace(/\p{P}/gu, ' ')
  return plain.replace(/\s+/g, ' ').trim()
}
