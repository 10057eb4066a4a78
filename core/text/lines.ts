import type { Syllables } from './hyphens'
import { textWidth, type Face } from './measure'
import type { Language } from './spoken'

/** Where in a text a line may end: positions in UTF-16 units, from left to right, the end of the text among them. */
export type BreakRules = (text: string) => readonly number[]

/**
 * By what texts are broken beyond the short rules below. The rules of all scripts (`unicodeBreaks`) and what divides
 * the words of a language (`loadSyllables`) are large: the server and workers have them at once, a device fetches them
 * when a text first asks, and until then does without.
 */
export interface TextRules {
  /** The rules of all scripts; the short rules are a part of them. */
  breaks(): BreakRules | null
  /** Asked only for a word that is too wide for its line; without an answer such a word is broken anywhere. */
  syllables(language: Language): Syllables | null
  /** Another whenever one of these would answer otherwise than before. */
  edition(): unknown
}

export const SHORT_RULES: TextRules = { breaks: () => null, syllables: () => null, edition: () => 'short' }
let rules = SHORT_RULES

export function breakTextsBy(given: TextRules): void {
  rules = given
}

/**
 * Keeps what `work` makes of a thing that is never changed, only replaced, and works it out anew only when texts are
 * broken by other rules than then. Whoever keeps something that broken texts went into keeps it by this.
 */
export function keptWhileBroken<K extends object, V>(work: (thing: K) => V): (thing: K) => V {
  const kept = new WeakMap<K, { readonly edition: unknown; readonly value: V }>()
  return thing => {
    const edition = rules.edition()
    const before = kept.get(thing)
    if (before && before.edition === edition) return before.value
    const value = work(thing)
    kept.set(thing, { edition, value })
    return value
  }
}

export interface LineStyle {
  readonly face?: Face
  /** In which words that are too wide are divided; absent: they are broken anywhere. */
  readonly language?: Language | undefined
}

/** Made when it is first needed: it loads data that takes a slow device longer than all the rest of a page. */
let graphemes: Intl.Segmenter | undefined
const inGraphemes = (text: string) =>
  (graphemes ??= new Intl.Segmenter('en', { granularity: 'grapheme' })).segment(text)

/**
 * Breaks a text into lines no wider than `width` points. It breaks at spaces, after hyphens and after dashes, between
 * characters where a script has no spaces but not before a full stop or after an opening bracket, and inside a word
 * only when the word alone is too wide: between its syllables, with a hyphen, where its language is known, else
 * anywhere. Line feeds stay. An empty text is one empty line. One character that is too wide stands alone on its line.
 */
export function breakLines(text: string, width: number, size: number, style: LineStyle = {}): string[] {
  const { face = 'regular', language } = style
  const fits = (line: string) => textWidth(line.trimEnd(), size, face) <= width
  return text.split(/\r?\n/).flatMap(paragraph => breakParagraph(paragraph, fits, language))
}

type Fits = (line: string) => boolean

function breakParagraph(text: string, fits: Fits, language: Language | undefined): string[] {
  const lines: string[] = []
  let line = ''
  for (const part of parts(text)) {
    if (fits(line + part)) {
      line += part
      continue
    }
    if (line.trim()) lines.push(line.trimEnd())
    line = ''
    if (fits(part)) {
      line = part
      continue
    }
    const divided = language && byLetters(part) ? inSyllables(part, fits, language) : null
    if (divided) {
      lines.push(...divided.slice(0, -1))
      line = divided.at(-1)!
      continue
    }
    for (const unit of inUnits(part, fits)) {
      if (line && !fits(line + unit)) {
        lines.push(line)
        line = ''
      }
      line += unit
    }
  }
  return [...lines, line.trimEnd()]
}

const HYPHEN = '-'
const byLetters = (part: string) => /\p{L}{5}/u.test(part)

/** The lines of a word that is too wide for one, each but the last with its hyphen; null where that won't do. */
function inSyllables(part: string, fits: Fits, language: Language): string[] | null {
  const word = part.trimEnd()
  const syllables = rules.syllables(language)?.(word)
  if (!syllables || syllables.length < 2 || !syllables.every(one => fits(one + HYPHEN))) return null
  const lines: string[] = []
  let line = ''
  for (const [i, syllable] of syllables.entries()) {
    const last = i === syllables.length - 1
    if (line && !fits(line + syllable + (last ? '' : HYPHEN))) {
      lines.push(line + HYPHEN)
      line = ''
    }
    line += syllable
  }
  return [...lines, line + part.slice(word.length)]
}

const CLOSES = /^[)\]}.,:;!?%…'"’”»]+$/u
const OPENS = /[([{"'‘“«]$/u

/** Graphemes, with what closes kept at its word and what opens before it, unless they are too wide together. */
function inUnits(word: string, fits: Fits): string[] {
  const units: string[] = []
  for (const { segment } of inGraphemes(word)) {
    const last = units.at(-1)
    const together = last !== undefined && (CLOSES.test(segment) || OPENS.test(last)) && fits(last + segment)
    if (together) units[units.length - 1] = last + segment
    else units.push(segment)
  }
  return units
}

const UNSPACED = '\\p{Script=Han}\\p{Script=Hiragana}\\p{Script=Katakana}'
/** No line begins with what closes, ends or lengthens (rules LB13, LB16 and LB21 of UAX 14, class CJ taken as NS). */
const NEVER_FIRST = '、。，．：；！？」』）】〉》〕・ー々ゝゞヽヾぁぃぅぇぉっゃゅょゎァィゥェォッャュョヮ゛゜…‥“‘”’'
/** And none ends with what opens (LB14), nor after a quotation mark that may do either (LB19). */
const OPENING = '「『（【〈《〔'
const NEVER_LAST = `${OPENING}“‘”’`
const BREAKS = new RegExp(
  [
    '(?<= )(?=[^ ])',
    '(?<=[^ -]-+)(?=[^ -])',
    '(?<=[^ ][–—])(?=[^ –—])',
    `(?<=[${UNSPACED}${NEVER_FIRST}])(?=[^\\s${NEVER_FIRST}])(?<![${NEVER_LAST}])`,
    `(?<=\\S)(?<![${NEVER_LAST}])(?=[${UNSPACED}${OPENING}])(?=[^${NEVER_FIRST}])`,
  ].join('|'),
  'u',
)

/**
 * Scripts whose lines end at spaces, hyphens and dashes alone: the short rules are enough for them. Korean is one: by
 * UAX 14 (its section on Korean) it may be broken at spaces instead of anywhere, which reads better on cards.
 */
const SPACED =
  /^[\p{sc=Zyyy}\p{sc=Zinh}\p{sc=Latn}\p{sc=Grek}\p{sc=Cyrl}\p{sc=Hebr}\p{sc=Arab}\p{sc=Hang}\p{sc=Deva}]*$/u

/** Runs that stay together, each with the space or the hyphen that ends it. A no-break space doesn't end one. */
function parts(text: string): string[] {
  const spaced = text.trim().replace(/[^\S\u00A0\u202F]+/g, ' ')
  const unicode = SPACED.test(spaced) ? null : rules.breaks()
  if (!unicode) return spaced.split(BREAKS)
  const ends = unicode(spaced)
  return ends.map((end, i) => spaced.slice(ends[i - 1] ?? 0, end))
}
