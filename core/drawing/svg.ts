import { FILLS, PATTERNS, type Fill } from '../board/inks'
import { onScreen, type Theme } from './palette'
import type { PageDrawing, Thing } from './page'
import {
  turnedPicture,
  type Paint,
  type PathPrimitive,
  type PicturePrimitive,
  type PictureSource,
  type Primitive,
  type TextPrimitive,
} from './primitive'
import { PATTERN_PATHS, PATTERN_SIZE } from './pattern'

export interface SvgOptions {
  readonly title: string
  readonly theme?: Theme
  /** Where a picture's bytes are; null where there are none: then its frame is drawn. */
  readonly hrefOf: (source: PictureSource) => string | null
  /** How a line of text is written: as text where nothing is said. */
  readonly lettered?: (text: TextPrimitive) => string
  /** Pixels of a point, of the picture's own size; 1 where nothing is said. */
  readonly scale?: number
}

/** Tab, line feed and carriage return are all of the first 32 that XML has (XML 1.0, 2.2); and no half of a pair. */
const isInXml = (letter: string) => {
  const code = letter.codePointAt(0)!
  return (code >= 0x20 || code === 9 || code === 10 || code === 13) && (code < 0xd800 || code > 0xdfff) && code < 0xfffe
    ? true
    : code >= 0x10000
}

/** Text in an attribute or between tags (XML 1.0, 2.4); characters that XML can't have are left out. */
export const escaped = (text: string) =>
  [...text]
    .filter(isInXml)
    .join('')
    .replace(/[&<>"]/g, found => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[found]!)

/**
 * A page as an SVG file of its own (SVG 2): one point is a seventy-second of an inch, so that it is true to size; each
 * thing is a group with an id and, where it is called something, a title.
 */
export function svgOf(drawing: PageDrawing, options: SvgOptions): string {
  const { width, height, language, things } = drawing
  const { title, scale } = options
  const size =
    scale === undefined
      ? `width="${width}pt" height="${height}pt"`
      : `width="${Math.round(width * scale)}" height="${Math.round(height * scale)}"`
  const fills = [...new Set(things.flatMap(thing => thing.marks.flatMap(patternOf)))]
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${width} ${height}" xml:lang="${language}">`,
    `<title>${escaped(title)}</title>`,
    ...(fills.length ? [`<defs>${fills.map(fill => pattern(fill, options)).join('')}</defs>`] : []),
    ...things.map((thing, i) => group(thing, i, options)),
    '</svg>',
    '',
  ].join('\n')
}

const patternOf = (mark: Primitive): Fill[] =>
  mark.kind === 'path' && typeof mark.fill === 'object' ? [mark.fill.pattern] : []

function pattern(fill: Fill, { theme = onScreen }: SvgOptions): string {
  const size = `width="${PATTERN_SIZE}" height="${PATTERN_SIZE}"`
  const { d, width, opacity } = PATTERN_PATHS[PATTERNS[fill]]
  return [
    `<pattern id="fill-${fill}" ${size} patternUnits="userSpaceOnUse">`,
    `<rect ${size} fill="${theme(FILLS[fill])}"/>`,
    d
      ? `<path d="${d}" fill="none" stroke="${theme('outline')}" stroke-width="${width}" stroke-opacity="${opacity}"`
        + ' stroke-linecap="round"/>'
      : '',
    '</pattern>',
  ].join('')
}

function group({ id, kind, name, at, marks }: Thing, i: number, options: SvgOptions): string {
  const place = at ? ` transform="translate(${at.x} ${at.y})${at.turn ? ` rotate(${at.turn})` : ''}"` : ''
  // Ids of a file are its own; what a slate calls its things may hold signs that no id can.
  const own = `${kind}-${i + 1}-${id.replace(/[^\w-]/g, '_')}`
  const title = name ? `<title>${escaped(name)}</title>` : ''
  return `<g id="${own}"${place}>${title}${marks.map(mark => primitive(mark, options)).join('')}</g>`
}

function primitive(mark: Primitive, options: SvgOptions): string {
  switch (mark.kind) {
    case 'path':
      return path(mark, options)
    case 'text':
      return (options.lettered ?? (one => text(one, options)))(mark)
    case 'picture':
      return picture(mark, options)
  }
}

function path({ d, fill, opacity, stroke, multiply }: PathPrimitive, { theme = onScreen }: SvgOptions): string {
  const paint = (one: Paint | undefined) =>
    one === undefined ? 'none' : typeof one === 'object' ? `url(#fill-${one.pattern})` : theme(one)
  return [
    `<path d="${d}" fill="${paint(fill)}"`,
    opacity === undefined ? '' : ` fill-opacity="${opacity}"`,
    stroke ? ` stroke="${theme(stroke.colour)}" stroke-width="${stroke.width}"` : '',
    stroke?.dash ? ` stroke-dasharray="${stroke.dash.join(' ')}"` : '',
    stroke?.ends ? ` stroke-linecap="${stroke.ends}"` : '',
    stroke?.corners ? ` stroke-linejoin="${stroke.corners}"` : '',
    multiply ? ' style="mix-blend-mode:multiply"' : '',
    '/>',
  ].join('')
}

function text(mark: TextPrimitive, { theme = onScreen }: SvgOptions): string {
  return [
    `<text x="${mark.x}" y="${mark.y}" font-family="Andika, sans-serif" font-size="${mark.size}"`,
    ' style="font-variant-ligatures:none;font-kerning:none"',
    mark.bold ? ' font-weight="700"' : '',
    mark.anchor ? ` text-anchor="${mark.anchor}"` : '',
    mark.fromRight ? ' direction="rtl"' : '',
    ` fill="${theme(mark.fill)}" xml:space="preserve">${escaped(mark.text)}</text>`,
  ].join('')
}

function picture(mark: PicturePrimitive, options: SvgOptions): string {
  const { source, box, fit } = mark
  const href = options.hrefOf(source)
  const place = `x="${box.x}" y="${box.y}" width="${box.width}" height="${box.height}"`
  if (href === null) return emptyFrame(place, options)
  const turned = turnedPicture(mark)
  const ratio = fit === 'within' ? '' : ' preserveAspectRatio="none"'
  if (!turned) return `<image ${place}${ratio} href="${escaped(href)}"/>`
  const { part, whole, transform } = turned
  return (
    `<svg ${place} viewBox="${part.x} ${part.y} ${part.width} ${part.height}" preserveAspectRatio="none">`
    + `<image width="${whole.width}" height="${whole.height}" preserveAspectRatio="none"`
    + `${transform ? ` transform="${transform}"` : ''} href="${escaped(href)}"/></svg>`
  )
}

const emptyFrame = (place: string, { theme = onScreen }: SvgOptions) =>
  `<rect ${place} rx="4" fill="${theme('missing')}" stroke="${theme('outline')}" stroke-width="1.5"`
  + ' stroke-dasharray="6 4"/>'
