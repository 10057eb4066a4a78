import type { Keeper } from './keep'
import { gapsIn } from '../board/whatPlacesTake'
import { distance } from 'fastest-levenshtein'
import type { PlaceId } from '../board/ids'
import type { WriteKey, Written } from '../board/key'
import { measure, readMeasure, type Measure } from '../exact/measure'
import { itemMark, type MarkContext } from './context'
import type { ItemMark } from './mark'

/**
 * Marks what was typed, one point for each space or gap. Right: one of the accepted variants, capitals, accents and
 * punctuation told apart only where the key says so; of a number any form of the same value, within the tolerance. A near
 * miss (one slip in words of up to five letters, two in longer ones; a number without its unit) is on the line: a
 * teacher tells a slip from a mistake.
 */
export function markWrite(key: WriteKey, { state, headingOf }: MarkContext): ItemMark[] {
  return Object.entries(key.answers).map(([space, answer]) => {
    const text = state.texts[space] ?? ''
    const words = { text: text.trim(), wanted: answer.accepts.join(' / '), heading: headingOf(space.split(':')[0] as PlaceId) }
    if (!text.trim()) return itemMark('place', space, 'not-placed', 'nothing-written', words)
    const { verdict, code } = judge(text, answer)
    return itemMark('place', space, verdict, code, words)
  })
}

interface Judged { readonly verdict: 'right' | 'wrong' | 'on-the-line', readonly code: string }
const RIGHT: Judged = { verdict: 'right', code: 'written-right' }
const WRONG: Judged = { verdict: 'wrong', code: 'written-other' }

function judge(text: string, answer: Written): Judged {
  const numbers = answer.accepts.flatMap(accepted => readMeasure(accepted) ?? [])
  if (numbers.length === answer.accepts.length) return judgeNumber(text, numbers, answer)
  const written = plain(text, answer)
  const accepted = answer.accepts.map(variant => plain(variant, answer))
  if (accepted.includes(written)) return RIGHT
  return accepted.some(variant => distance(written, variant) <= slips(variant)) ? { verdict: 'on-the-line', code: 'written-near' } : WRONG
}

/** In one letter or two no slip can be told from another word. */
const slips = (word: string) => word.length <= 2 ? 0 : word.length <= 5 ? 1 : 2

function judgeNumber(text: string, wanted: readonly Measure[], { tolerance }: Written): Judged {
  const given = readMeasure(text)
  if (!given) return { verdict: 'on-the-line', code: 'written-no-number' }
  const within = ({ amount }: Measure) => given.amount.sub(amount).abs().compare(tolerance === undefined ? 0 : measure(tolerance).amount) <= 0
  if (wanted.some(measure => measure.dimension === given.dimension && within(measure))) return RIGHT
  return given.dimension === 'number' && wanted.some(({ dimension }) => dimension !== 'number') ? { verdict: 'on-the-line', code: 'written-no-unit' } : WRONG
}

/** The text as it is compared: one space between words, and without what the key doesn't tell apart. */
export function plain(text: string, { capitals, accents, punctuation }: Pick<Written, 'capitals' | 'accents' | 'punctuation'>): string {
  let plain = text.normalize('NFC').replace(/[‘’]/g, '\'').replace(/[“”]/g, '"').replace(/[‐‑‒–−]/g, '-')
  if (!capitals) plain = plain.toLocaleLowerCase('en')
  if (!accents) plain = plain.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC')
  if (!punctuation) plain = plain.replace(/'/g, '').replace(/\p{P}/gu, ' ')
  return plain.replace(/\s+/g, ' ').trim()
}

/** What is written in each space and gap, beside further variants that the key has for it already. */
export const keepWrite: Keeper<'write'> = ({ page, state }, former) => {
  const spaces = page.places.flatMap((place) => {
    if (place.kind === 'writing') return [place.id as string]
    return place.kind === 'gaps' && place.typed ? Array.from({ length: gapsIn(place.text) }, (_, i) => `${place.id}:${i}`) : []
  })
  const answers = Object.fromEntries(spaces.flatMap((space) => {
    const text = state.texts[space]?.trim()
    const before = former[0]?.answers[space]
    return text ? [[space, { ...before, accepts: [...new Set([text, ...before?.accepts ?? []])] }]] : []
  }))
  return Object.keys(answers).length ? [{ answers }] : []
}
