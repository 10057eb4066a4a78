// @ts-expect-error The package has no types of its own; what is used of it stands below.
import Breaker from 'linebreak'
import { textWidth, type Face } from './measure'

/** `nextBreak` gives where the next line may begin; null at the end. */
const LineBreaker = Breaker as new (text: string) => { nextBreak: () => { readonly position: number } | null }

/** Made when it is first needed: it loads data that takes a slow device longer than all the rest of a page. */
let graphemes: Intl.Segmenter | undefined
const inGraphemes = (text: string) => (graphemes ??= new Intl.Segmenter('en', { granularity: 'grapheme' })).segment(text)

/**
 * Breaks a text into lines no wider than `width` points, where Unicode's rules let it (UAX 14): at spaces and after hyphens,
 * between the characters of scripts without spaces but not before their full stops, and inside a word only when the word alone
 * is too wide. Line feeds stay.
 * An empty text is one empty line. One character that is too wide stands alone on its line.
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
    for (const { segment } of inGraphemes(part)) {
      if (line && !fits(line + segment)) {
        lines.push(line)
        line = ''
      }
      line += segment
    }
  }
  return [...lines, line.trimEnd()]
}

/** Runs that stay together, each with the spaces or the hyphen that end it (The Unicode Line Breaking Algorithm, UAX 14). */
function parts(text: string): string[] {
  const plain = text.trim().replace(/[^\S\u00A0\u202F]+/g, ' ')
  const breaker = new LineBreaker(plain)
  const runs: string[] = []
  let from = 0
  for (let at = breaker.nextBreak(); at; at = breaker.nextBreak()) {
    runs.push(plain.slice(from, at.position))
    from = at.position
  }
  return runs
}
