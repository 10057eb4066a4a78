import { textWidth, type Face } from './measure'

/** Made when it is first needed: it loads data that takes a slow device longer than all the rest of a page. */
let graphemes: Intl.Segmenter | undefined
const inGraphemes = (text: string) =>
  (graphemes ??= new Intl.Segmenter('en', { granularity: 'grapheme' })).segment(text)

/**
 * Breaks a text into lines no wider than `width` points. It breaks at spaces, after hyphens and after dashes, between
 * characters where a script has no spaces but not before a full stop or after an opening bracket, and inside a word
 * only when the word alone is too wide. Line feeds stay. An empty text is one empty line. One character that is too
 * wide stands alone on its line.
 */
export function breakLines(text: string, width: number, size: number, face: Face = 'regular'): string[] {
  return text.split(/\r?\n/).flatMap(paragraph => breakParagraph(paragraph, width, size, face))
}

function breakParagraph(text: string, width: number, size: number, face: Face): string[] {
  const fits = (line: string) => textWidth(line.trimEnd(), size, face) <= width
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

const CLOSES = /^[)\]}.,:;!?%…'"’”»]+$/u
const OPENS = /[([{"'‘“«]$/u

/** Graphemes, with what closes kept at its word and what opens before it, unless they are too wide together. */
function inUnits(word: string, fits: (line: string) => boolean): string[] {
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

/** Runs that stay together, each with the space or the hyphen that ends it. A no-break space doesn't end one. */
function parts(text: string): string[] {
  return text
    .trim()
    .replace(/[^\S\u00A0\u202F]+/g, ' ')
    .split(BREAKS)
}
