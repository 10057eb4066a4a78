import type { Size } from '../geometry/shape'
import { breakLines } from '../text/lines'
import type { Language } from '../text/spoken'
import { LINE_HEIGHT, textWidth } from '../text/measure'

/** Points. A card is never lower than a finger needs on a tablet, where a point is a little less than a CSS pixel. */
export const CARD_PADDING = { x: 12, y: 8 } as const
export const CARD_LOWEST = 48
const CARD_NARROWEST = 72
export const CARD_WIDEST = 220
/** The picture's own box on a picture card; the text stands below it. */
export const PICTURE_BOX = { width: 88, height: 66 } as const

/** One size for all cards: the size that the longest text needs. No texts: the smallest card. */
export function cardSize(texts: readonly string[], textSize: number, language?: Language): Size {
  const { width, lines } = textBlock(texts, { textSize, widest: CARD_WIDEST, language })
  return {
    width: Math.max(CARD_NARROWEST, width),
    height: Math.max(CARD_LOWEST, Math.ceil(lines * LINE_HEIGHT * textSize + 2 * CARD_PADDING.y)),
  }
}

/**
 * One size for all picture cards: the picture's box and below it the longest text; no line is kept for texts that are
 * all empty.
 */
export function pictureCardSize(texts: readonly string[], textSize: number, language?: Language): Size {
  const { width, lines } = textBlock(texts, { textSize, widest: PICTURE_BOX.width * 1.6, language })
  return {
    width: Math.max(PICTURE_BOX.width + 2 * CARD_PADDING.x, width),
    height: Math.ceil(PICTURE_BOX.height + 2 * CARD_PADDING.y + lines * LINE_HEIGHT * textSize),
  }
}

interface Block {
  readonly textSize: number
  readonly widest: number
  readonly language: Language | undefined
}
function textBlock(texts: readonly string[], { textSize, widest, language }: Block): { width: number; lines: number } {
  const room = widest - 2 * CARD_PADDING.x
  let width = 0
  let lines = 0
  for (const text of texts) {
    if (text === '') continue
    const broken = breakLines(text, room, textSize, { language })
    lines = Math.max(lines, broken.length)
    width = Math.max(width, ...broken.map(line => textWidth(line, textSize)))
  }
  return { width: Math.ceil(width + 2 * CARD_PADDING.x), lines }
}
