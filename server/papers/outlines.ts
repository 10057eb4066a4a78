import { escaped } from '../../core/drawing/svg'
import { onScreen, type Theme } from '../../core/drawing/palette'
import { to3, type TextPrimitive } from '../../core/drawing/primitive'
import { setLine } from './setting'

/**
 * A line of text as outlines of its letters, in an SVG: seen alike wherever it is opened, with or without the fonts.
 * What it says is kept as its name.
 */
export function outlined(mark: TextPrimitive, theme: Theme = onScreen): string {
  const line = setLine(mark.text, {
    size: mark.size,
    weight: mark.bold ? 'bold' : 'regular',
    fromRight: mark.fromRight,
  })
  const left = leftOf(mark, line.width)
  const d = line.runs
    .map(({ face, glyphs, x }) => {
      const scale = mark.size / face.font.unitsPerEm
      let at = 0
      return glyphs.glyphs
        .map((glyph, i) => {
          const { xAdvance, xOffset, yOffset } = glyphs.positions[i]!
          const path = glyph.path
            .scale(scale, -scale)
            .translate(to3(left + x + (at + xOffset) * scale), to3(mark.y - yOffset * scale))
            .toSVG()
          at += xAdvance
          return path
        })
        .join('')
    })
    .join('')
  return d ? `<path d="${d}" fill="${theme(mark.fill)}" aria-label="${escaped(mark.text)}"/>` : ''
}

/** Where a line of such a width begins at its left end; what is read from the right begins at its right end. */
export function leftOf({ x, anchor, fromRight }: TextPrimitive, width: number): number {
  if (anchor === 'middle') return x - width / 2
  return (anchor === 'end') === (fromRight === true) ? x : x - width
}
