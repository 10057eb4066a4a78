import svgpath from 'svgpath'
import type { Glyph, GlyphPosition, GlyphRun } from 'fontkit'
import { FILLS, PATTERNS, type Fill } from '../../core/board/inks'
import type { Theme } from '../../core/drawing/palette'
import { PATTERN_PATHS, PATTERN_SIZE } from '../../core/drawing/pattern'
import type { PathPrimitive, PicturePrimitive, Primitive, TextPrimitive } from '../../core/drawing/primitive'
import { leftOf } from './outlines'
import { pictureKey, type PictureBytes } from './pictureBytes'
import { FEATURES, setLine, type SetRun } from './setting'

type Pdf = PDFKit.PDFDocument
/** What drawing on a PDF needs: colours, and the bytes of pictures, each opened once however often it is drawn. */
export interface Brush {
  readonly pdf: Pdf
  readonly theme: Theme
  readonly pictures: PictureBytes
  readonly opened: Map<string, object>
  /** For what letters each shape stands, in each copy of a font whose text is read from the right. */
  readonly shapes: Map<string, Map<number, string>[]>
}

export function drawPrimitive(brush: Brush, mark: Primitive): void {
  switch (mark.kind) {
    case 'path':
      return drawPath(brush, mark)
    case 'text':
      return drawText(brush, mark)
    case 'picture':
      return drawPicture(brush, mark)
  }
}

function drawPath({ pdf, theme }: Brush, { d, fill, opacity = 1, stroke }: PathPrimitive): void {
  if (fill !== undefined && opacity > 0) {
    pdf.save().fillOpacity(opacity)
    if (typeof fill === 'object') fillWithPattern(pdf, d, fill.pattern, theme)
    else pdf.path(d).fill(theme(fill))
    pdf.restore()
  }
  if (!stroke) return
  pdf.save().lineWidth(stroke.width)
  if (stroke.dash) pdf.dash(stroke.dash[0], { space: stroke.dash[1] })
  if (stroke.ends) pdf.lineCap(stroke.ends)
  if (stroke.corners) pdf.lineJoin(stroke.corners)
  pdf.path(d).stroke(theme(stroke.colour)).restore()
}

/** The colour, and over it its lines or dots, as far as the outline reaches. */
function fillWithPattern(pdf: Pdf, d: string, fill: Fill, theme: Theme): void {
  pdf.path(d).fill(theme(FILLS[fill]))
  const lines = PATTERN_PATHS[PATTERNS[fill]]
  if (!lines.d) return
  const box = boundsOf(d)
  pdf.save().path(d).clip()
  pdf.lineWidth(lines.width).lineCap('round').strokeOpacity(lines.opacity).strokeColor(theme('outline'))
  const from = (at: number) => Math.floor(at / PATTERN_SIZE) * PATTERN_SIZE
  for (let y = from(box.top); y < box.bottom; y += PATTERN_SIZE) {
    for (let x = from(box.left); x < box.right; x += PATTERN_SIZE) {
      pdf.save().translate(x, y).path(lines.d).stroke().restore()
    }
  }
  pdf.restore()
}

/** A box around an outline: around its points and the handles of its curves, so at most a little larger than needed. */
function boundsOf(d: string): { left: number; right: number; top: number; bottom: number } {
  const [xs, ys]: [number[], number[]] = [[], []]
  svgpath(d)
    .abs()
    .unarc()
    .unshort()
    .iterate(([command, ...numbers]) => {
      if (command === 'V') ys.push(...numbers)
      else numbers.forEach((n, i) => (i % 2 && command !== 'H' ? ys : xs).push(n))
    })
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) }
}

function drawText(brush: Brush, mark: TextPrimitive): void {
  const { pdf, theme } = brush
  const line = setLine(mark.text, {
    size: mark.size,
    weight: mark.bold ? 'bold' : 'regular',
    fromRight: mark.fromRight,
  })
  const left = leftOf(mark, line.width)
  for (const run of line.runs) {
    pdf.registerFont(run.face.name, run.face.sfnt)
    pdf.font(run.face.name).fontSize(mark.size).fillColor(theme(mark.fill))
    const at = { x: left + run.x, y: mark.y }
    if (run.fromRight) drawLetters(brush, run, { ...at, size: mark.size })
    else pdf.text(run.text, at.x, at.y, ON_BASE_LINE)
  }
}

const ON_BASE_LINE = { lineBreak: false, baseline: 'alphabetic', features: FEATURES as never } as const

/** The library's own open font, as far as it is used here: how it shapes a text, in thousandths of an em. */
interface Shaper {
  layoutRun: (text: string, features?: unknown) => unknown
}
const EM = 1000

/**
 * What is read from the right, letter by letter from the left: readers bring what is seen into the order in which it
 * is read by themselves. Letters of these scripts share shapes, and in a font of a PDF a shape says one thing: a shape
 * that stands for another letter is taken from the same font once more.
 */
function drawLetters({ pdf, shapes }: Brush, { face, glyphs }: SetRun, { x, y, size }: At): void {
  const scale = EM / face.font.unitsPerEm
  let at = x
  for (const letter of lettersOf(glyphs)) {
    const positions = letter.positions.map(({ xAdvance, yAdvance, xOffset, yOffset }, i) => ({
      xAdvance: xAdvance * scale,
      yAdvance: yAdvance * scale,
      xOffset: xOffset * scale,
      yOffset: yOffset * scale,
      advanceWidth: letter.glyphs[i]!.advanceWidth * scale,
    }))
    const advanceWidth = positions.reduce((sum, position) => sum + position.xAdvance, 0)
    const name = fontFor(shapes, face.name, letter.glyphs)
    pdf.registerFont(name, face.sfnt)
    const inside = pdf as unknown as { _font: Shaper; _fontFamilies: Record<string, object> }
    // The library takes fonts of one name for one; a copy is to be one of its own.
    if (!inside._fontFamilies[name]) Reflect.deleteProperty(inside._fontFamilies, face.font.postscriptName)
    pdf.font(name)
    const shaper = inside._font
    Object.assign(shaper, { layoutRun: () => ({ glyphs: letter.glyphs, positions, advanceWidth }) })
    pdf.text(letter.said, at, y, ON_BASE_LINE)
    // Its own again.
    delete (shaper as Partial<Shaper>).layoutRun
    at += (advanceWidth / EM) * size
  }
}
interface At {
  readonly x: number
  readonly y: number
  readonly size: number
}

/** The name of the first of a font's copies in which none of the glyphs stands for other letters yet. */
function fontFor(shapes: Brush['shapes'], name: string, glyphs: readonly Glyph[]): string {
  const copies = shapes.get(name) ?? []
  shapes.set(name, copies)
  const fits = (said: ReadonlyMap<number, string>) =>
    glyphs.every(({ id, codePoints }) => (said.get(id) ?? codePoints.join()) === codePoints.join())
  let number = copies.findIndex(fits)
  if (number < 0) number = copies.push(new Map()) - 1
  for (const { id, codePoints } of glyphs) copies[number]!.set(id, codePoints.join())
  return number === 0 ? `${name} from the right` : `${name} from the right ${number + 1}`
}

/** Letters of a run from the left, each with the marks that come apart from it and stand before it there. */
function lettersOf({ glyphs, positions }: GlyphRun) {
  const letters: { said: string; glyphs: Glyph[]; positions: GlyphPosition[] }[] = []
  let [before, beforeAt]: [Glyph[], GlyphPosition[]] = [[], []]
  glyphs.forEach((glyph, i) => {
    before.push(glyph)
    beforeAt.push(positions[i]!)
    if (glyph.codePoints.length === 0) return
    letters.push({ said: String.fromCodePoint(...glyph.codePoints), glyphs: before, positions: beforeAt })
    ;[before, beforeAt] = [[], []]
  })
  const last = letters.at(-1)
  last?.glyphs.push(...before)
  last?.positions.push(...beforeAt)
  return letters
}

function drawPicture(brush: Brush, mark: PicturePrimitive): void {
  const { pdf, pictures, opened, theme } = brush
  const { box, fit, quarters = 0, crop, source } = mark
  const key = pictureKey(source)
  const found = pictures.get(key)
  if (!found) {
    pdf.save().lineWidth(1.5).dash(6, { space: 4 })
    pdf.roundedRect(box.x, box.y, box.width, box.height, 4).fillAndStroke(theme('missing'), theme('outline'))
    pdf.restore()
    return
  }
  const open = pdf as unknown as { openImage: (bytes: Buffer) => { width: number; height: number } }
  const image = (opened.get(key) ?? open.openImage(Buffer.from(found.bytes))) as { width: number; height: number }
  opened.set(key, image)
  if (fit === 'within' && !quarters && !crop) {
    const by = Math.min(box.width / image.width, box.height / image.height)
    const [width, height] = [image.width * by, image.height * by]
    pdf.image(image as never, box.x + (box.width - width) / 2, box.y + (box.height - height) / 2, { width, height })
    return
  }
  const sides = quarters % 2 === 1 ? { width: image.height, height: image.width } : image
  const cut = crop ?? { left: 0, top: 0, right: 0, bottom: 0 }
  const [across, down] = [
    box.width / (sides.width * (1 - cut.left - cut.right)),
    box.height / (sides.height * (1 - cut.top - cut.bottom)),
  ]
  pdf.save()
  pdf.rect(box.x, box.y, box.width, box.height).clip()
  pdf.translate(box.x - cut.left * sides.width * across, box.y - cut.top * sides.height * down)
  pdf.transform(across, 0, 0, down, 0, 0)
  if (quarters === 1) pdf.translate(sides.width, 0).rotate(90)
  if (quarters === 2) pdf.translate(sides.width, sides.height).rotate(180)
  if (quarters === 3) pdf.translate(0, sides.height).rotate(270)
  pdf.image(image as never, 0, 0, { width: image.width, height: image.height })
  pdf.restore()
}
