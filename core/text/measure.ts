import { andikaBold } from './metrics/andikaBold'
import { andikaRegular } from './metrics/andikaRegular'
import type { Metrics } from './metrics/metrics'

export type Face = 'regular' | 'bold'

interface Table extends Metrics {
  advance: ReadonlyMap<number, number>
}

/** Leading, in ems: enough for stacked accents, close enough to read as one text. */
export const LINE_HEIGHT = 1.3

const METRICS: Readonly<Record<Face, Metrics>> = { regular: andikaRegular, bold: andikaBold }
const tables: Partial<Record<Face, Table>> = {}

function tableOf(face: Face): Table {
  const known = tables[face]
  if (known) return known
  const metrics = METRICS[face]
  const advance = new Map<number, number>()
  for (const [first, ...advances] of metrics.runs) advances.forEach((a, i) => advance.set(first! + i, a))
  return (tables[face] = { ...metrics, advance })
}

const MARK = /^[\p{M}\p{Cf}]$/u
const WIDE = /^[\p{Extended_Pictographic}\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Hangul}]$/u

/** What makes one picture of several characters: joiners, selectors, skin tones, flags, keys. */
const SEQUENCES = /\u200D|\uFE0F|\u20E3|\p{RI}|\p{EMod}/u
const ELEMENT =
  '(?:\\p{RI}\\p{RI}|[\\d#*]\\uFE0F?\\u20E3|\\p{Extended_Pictographic}(?:\\p{EMod}|\\uFE0F\\u20E3?|[\\u{E0020}-\\u{E007E}]+\\u{E007F})?)'
/** One emoji, however many characters it is written with (Unicode Technical Standard 51, 1.4.9, ED-17). */
const EMOJI = new RegExp(`${ELEMENT}(?:\\u200D${ELEMENT})*`, 'gu')
const ONE_EMOJI = '\u{1F600}'

/**
 * Width of a line in points, as the browser and the exports draw it: Andika has no kerning, and ligatures are turned
 * off.
 * Characters the font lacks come from another font and are estimated: one em for wide scripts and pictures, 0.6 em for
 * others.
 */
export function textWidth(text: string, size: number, face: Face = 'regular'): number {
  const { advance, unitsPerEm } = tableOf(face)
  let width = 0
  for (const character of SEQUENCES.test(text) ? text.replace(EMOJI, ONE_EMOJI) : text) {
    width += advance.get(character.codePointAt(0)!) ?? estimate(character) * unitsPerEm
  }
  return (width / unitsPerEm) * size
}

function estimate(character: string): number {
  return MARK.test(character) ? 0 : WIDE.test(character) ? 1 : 0.6
}

/** How far below the middle of a line its baseline lies so that capitals and digits look centred, in points. */
export function baselineShift(size: number, face: Face = 'regular'): number {
  const { capHeight, unitsPerEm } = METRICS[face]
  return (capHeight / unitsPerEm / 2) * size
}
