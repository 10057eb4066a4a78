/** The ink of the pieces' and the page's own words, and that of words on covers. */
export const INK = '#14191a'
const CHALK = '#ffffff'

/**
 * Relative luminance of a colour written #rrggbb, from 0 for black to 1 for white (WCAG 2.2, "relative luminance"; its
 * threshold 0.04045 is the one of IEC 61966-2-1, which the note there recommends).
 */
function luminance(colour: string): number {
  const [r, g, b] = channels(colour).map(channel => {
    const c = channel / 255
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4
  }) as [number, number, number]
  return 0.2126 * r + 0.7152 * g + 0.0722 * b
}

/** Contrast ratio from 1 to 21, whichever of the two is the lighter (WCAG 2.2, "contrast ratio"). */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].toSorted((x, y) => y - x) as [number, number]
  return (light + 0.05) / (dark + 0.05)
}

/**
 * The colour mixed with white, no more than it takes for dark words on it to reach a ratio; white where nothing less
 * does.
 */
export function lightened(colour: string, ratio: number, ink = INK): string {
  for (let share = 0; share < 1; share += 0.05) {
    const mixed = `#${channels(colour)
      .map(c =>
        Math.round(c + (255 - c) * share)
          .toString(16)
          .padStart(2, '0'),
      )
      .join('')}`
    if (contrast(mixed, ink) >= ratio) return mixed
  }
  return CHALK
}

const channels = (colour: string) => [1, 3, 5].map(i => Number.parseInt(colour.slice(i, i + 2), 16))
