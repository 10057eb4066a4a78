import { colord, extend } from 'colord'
import names from 'colord/plugins/names'
import { contrast, INK, lightened } from '../colour/contrast'

extend([names])
const PAPER = '#ffffff'
const channels = (colour: string) => {
  const { r, g, b } = colord(colour).toRgb()
  return [r, g, b] as const
}

/** One colour over another, with this share of its own. */
export function over(colour: string, share: number, ground = PAPER): string {
  const [a, b] = [channels(colour), channels(ground)]
  const [r, g, blue] = a.map((part, i) => Math.round(share * part + (1 - share) * b[i]!))
  return colord({ r: r!, g: g!, b: blue! }).toHex()
}

/**
 * Hue kept, lightness (HSL) multiplied and moved, as lumMod and lumOff of DrawingML do (ECMA-376 part 1, 20.1.2.3).
 * Shares of 1.
 */
export function relit(colour: string, times: number, more: number): string {
  const { h, s, l } = colord(colour).toHsl()
  return colord({ h, s, l: Math.min(100, Math.max(0, l * times + 100 * more)) }).toHex()
}

/** What words need at the least (WCAG 2.2, 1.4.3), and a little more. */
const READABLE = 5
/** A ground on which our ink can be read. */
export const readableGround = (colour: string): string =>
  contrast(colour, INK) >= READABLE ? colour : lightened(colour, READABLE)

/**
 * A colour as CSS writes it (CSS Color 4), or as six bare digits, as `#rrggbb`; what lets something through is put over
 * white. Null for what is none, or nothing to be seen.
 */
export function readColour(written: string | undefined): string | null {
  const text = written?.trim().toLowerCase()
  if (!text || text.length > 80 || text === 'transparent') return null
  const read = colord(/^[0-9a-f]{6}$/.test(text) ? `#${text}` : text)
  if (!read.isValid() || read.alpha() === 0) return null
  return read.alpha() < 1 ? over(read.alpha(1).toHex(), read.alpha()) : read.toHex()
}
