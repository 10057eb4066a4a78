import type { Size } from '../geometry/shape'
import { breakLines } from '../text/lines'
import { LINE_HEIGHT } from '../text/measure'
import type { Language } from '../text/spoken'

/** Points: smaller than this nobody reads what stands on a note. */
const LEAST_WORDS = 10

/** Points: how large a note is, words on it where there is enough room, the rim around them, and its coloured spine. */
export const NOTE_SIZE = { width: 150, height: 88 } as const
export const NOTE_TEXT = 16
export const NOTE_PADDING = 7
export const NOTE_SPINE = 8
export const noteRoom = ({ width, height }: Size): Size => ({
  width: Math.max(1, width - NOTE_SPINE - 2 * NOTE_PADDING),
  height: Math.max(1, height - 2 * NOTE_PADDING),
})

export interface FittedWords {
  /** Points. */
  readonly size: number
  readonly lines: readonly string[]
  /** More was written than there is room for at the least size: the last line ends with an ellipsis. */
  readonly cut: boolean
}

/**
 * Words in a box, as large as `size` or as much smaller as they have to be, point by point, down to `LEAST_WORDS`;
 * what finds no room even then is left out. Empty words are one empty line.
 */
export function fitWords(text: string, box: Size, size: number, language?: Language): FittedWords {
  for (let smaller = size; smaller >= LEAST_WORDS; smaller--) {
    const lines = linesOf(text, box.width, smaller, language)
    if (lines.length <= roomFor(box, smaller)) return { size: smaller, lines, cut: false }
  }
  const least = Math.min(size, LEAST_WORDS)
  const lines = linesOf(text, box.width, least, language)
  const most = Math.max(1, roomFor(box, least))
  return {
    size: least,
    lines: lines.slice(0, most).map((line, i) => (i === most - 1 && lines.length > most ? `${line} …` : line)),
    cut: lines.length > most,
  }
}

/** How high a box of this width has to be for all of the words at the least size. */
export const heightForAll = (text: string, width: number, language?: Language): number =>
  Math.ceil(linesOf(text, width, LEAST_WORDS, language).length * LEAST_WORDS * LINE_HEIGHT)

const roomFor = ({ height }: Size, size: number) => Math.floor((height + 0.01) / (size * LINE_HEIGHT))
const linesOf = (text: string, width: number, size: number, language: Language | undefined) =>
  text.split('\n').flatMap(line => breakLines(line, width, size, { language }))
