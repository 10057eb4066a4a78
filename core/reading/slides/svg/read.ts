import { bounds } from '../../../geometry/outline'
import type { Box, Point } from '../../../geometry/shape'
import { turnedAround } from '../../../geometry/turned'
import { ok, refuse, type Result } from '../../../result'
import { LINE_HEIGHT, textWidth } from '../../../text/measure'
import { over, readColour } from '../../colours'
import { Losses } from '../../lost'
import { allOf, childOf, elementsIn, textOf, type XmlElement } from '../../xml'
import { openParts, outlineOf, runsOf } from '../outline'
import { asTurn, boxPart, finishedSlide, NO_WORDS } from '../parts'
import type { Part, Slides } from '../slide'
import { at, growth, isStraight, readTransform, times, turnOf, type Matrix } from './matrix'
import { gradientsOf, sheetOf, styleOf, type Sheet, type Style } from './style'

/** Elements that are drawn; more are left out. */
const MOST_DRAWN = 2000
const MOST_USES = 200
const DEEPEST_USE = 8
/** Points to a CSS pixel. */
const PIXEL = 0.75
const USUAL = { width: 300, height: 150 }
const PAGE = { least: 100, shortest: 600, most: 2000, usual: 960 }

/** A drawing as a page of shapes, lines, words and pictures (SVG 2). Nothing of it is run or fetched. */
export function readSvg(root: XmlElement): Result<Slides, 'no-slides'> {
  if (root.name !== 'svg') return refuse('no-slides')
  const losses = new Losses()
  const sheet = sheetOf(root)
  const { page, matrix } = pageOf(root)
  const drawing = new Drawing(root, sheet, losses)
  drawing.draw(root, matrix, {})
  losses.note('programs', allOf(root, 'script').length)
  losses.note('animations', allOf(root, 'animate', 'animateTransform', 'animateMotion', 'set').length)
  if (drawing.parts.length === 0) return refuse('no-slides')
  const slide = { name: '', ...page, colour: '#ffffff', hidden: false, parts: drawing.parts }
  const title = textOf(childOf(root, 'title')).trim()
  return ok({ title, pages: [finishedSlide(slide, losses)], lost: losses.all })
}

const pixels = (written: string | undefined): number | null => {
  const [, number, unit = 'px'] = /^\s*([\d.]+(?:e[+-]?\d+)?)(px|pt|mm|cm|in|pc)?\s*$/i.exec(written ?? '') ?? []
  const each = { px: 1, pt: 4 / 3, mm: 96 / 25.4, cm: 96 / 2.54, in: 96, pc: 16 }[unit.toLowerCase()]
  const value = Number(number) * (each ?? NaN)
  return Number.isFinite(value) && value > 0 ? value : null
}

/** The page in points, and how what is drawn lies on it. A page that is no size for a board is made one. */
function pageOf(root: XmlElement): { page: { width: number; height: number }; matrix: Matrix } {
  const view = (root.attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const seen = view.length === 4 && view.every(Number.isFinite) && view[2]! > 0 && view[3]! > 0
  const width = pixels(root.attributes.width) ?? (seen ? view[2]! : USUAL.width)
  const height = pixels(root.attributes.height) ?? (seen ? view[3]! : USUAL.height)
  const [left, top, across, down] = seen ? (view as [number, number, number, number]) : [0, 0, width, height]
  const long = Math.max(width, height) * PIXEL
  const short = Math.min(width, height) * PIXEL
  const usual = short >= PAGE.least && long >= PAGE.shortest && long <= PAGE.most ? 1 : PAGE.usual / long
  const size = (length: number) => Math.max(PAGE.least, length * PIXEL * usual)
  const page = { width: size(width), height: size(height) }
  const scale = Math.min(page.width / across, page.height / down)
  const [dx, dy] = [(page.width - across * scale) / 2, (page.height - down * scale) / 2]
  return { page, matrix: [scale, 0, 0, scale, dx - left * scale, dy - top * scale] }
}

const NOT_DRAWN = ['defs', 'symbol', 'clipPath', 'mask', 'pattern', 'marker', 'filter', 'style', 'script', 'metadata']
const KAPPA = 0.5522847498

class Drawing {
  readonly parts: Part[] = []
  readonly #gradients: ReadonlyMap<string, string>
  readonly #byId = new Map<string, XmlElement>()
  #drawn = 0
  #uses = 0

  constructor(
    root: XmlElement,
    readonly sheet: Sheet,
    readonly losses: Losses,
  ) {
    this.#gradients = gradientsOf(root, sheet)
    const note = (element: XmlElement) => {
      if (element.attributes.id !== undefined) this.#byId.set(element.attributes.id, element)
      elementsIn(element).forEach(note)
    }
    note(root)
  }

  draw(element: XmlElement, around: Matrix, outer: Style, used = 0): void {
    if (NOT_DRAWN.includes(element.name)) return
    const style = styleOf(element, outer, this.sheet)
    if (style.display === 'none' || style.visibility === 'hidden') return
    if (style['clip-path'] ?? style.mask ?? style.filter) this.losses.note('effects')
    const matrix = times(around, readTransform(element.attributes.transform))
    switch (element.name) {
      case 'a':
        this.losses.note('links')
      // A link is a group beside that.
      // falls through
      case 'svg':
      case 'g':
      case 'switch':
        for (const child of elementsIn(element)) this.draw(child, matrix, style, used)
        return
      case 'use':
        return this.#use(element, matrix, style, used)
      case 'image':
        return this.#image(element, matrix)
      case 'text':
        return this.#text(element, matrix, style)
      case 'foreignObject':
        return this.losses.note('embedded')
      default:
        return this.#shape(element, matrix, style)
    }
  }

  #use(element: XmlElement, matrix: Matrix, style: Style, used: number): void {
    const target = this.#byId.get((element.attributes.href ?? '').replace(/^#/, ''))
    if (!target || used >= DEEPEST_USE || ++this.#uses > MOST_USES) return this.losses.note('shapes-simplified')
    const at: Matrix = [1, 0, 0, 1, numberIn(element, 'x'), numberIn(element, 'y')]
    const framed = target.name === 'symbol' || target.name === 'svg'
    const moved = times(times(matrix, at), framed ? viewed(target, element) : [1, 0, 0, 1, 0, 0])
    const drawn = target.name === 'symbol' ? { ...target, name: 'g' } : target
    this.draw(drawn, moved, style, used + 1)
  }

  #image(element: XmlElement, matrix: Matrix): void {
    const { href } = element.attributes
    if (!href?.startsWith('data:image/')) return this.losses.note('pictures-elsewhere')
    const [x, y] = [numberIn(element, 'x'), numberIn(element, 'y')]
    const [width, height] = [numberIn(element, 'width'), numberIn(element, 'height')]
    if (width <= 0 || height <= 0) return
    const middle = at(matrix, x + width / 2, y + height / 2)
    const [across, down] = [width * Math.hypot(matrix[0], matrix[1]), height * Math.hypot(matrix[2], matrix[3])]
    const box = { x: middle.x - across / 2, y: middle.y - down / 2, width: across, height: down }
    const alt = textOf(childOf(element, 'desc')) || textOf(childOf(element, 'title'))
    this.parts.push({
      kind: 'picture',
      source: href,
      box,
      turn: asTurn(turnOf(matrix)),
      alt: alt.trim().slice(0, 300),
      crop: null,
      below: false,
    })
  }

  #shape(element: XmlElement, matrix: Matrix, style: Style): void {
    const d = pathOf(element)
    if (d === null) return
    if (++this.#drawn > MOST_DRAWN) return this.losses.note('figures-too-many')
    const fill = this.#paint(style.fill ?? '#000000', style['fill-opacity'], style)
    const line = this.#paint(style.stroke ?? 'none', style['stroke-opacity'], style)
    if (!fill && !line) return
    const runs = runsOf(d, matrix)
    const outline = fill || runs.some(run => run.closed) ? outlineOf(runs) : null
    if (!outline) {
      if (line) this.parts.push(...this.#open(runs, matrix, style, line))
      return
    }
    this.losses.note('holes', outline.others)
    const form = isStraight(matrix) ? simpleForm(element) : null
    const box = bounds(outline.points)
    this.parts.push(
      boxPart(
        { box, turn: 0, form: form ?? outline.points, words: NO_WORDS, line, fill, heading: false, below: false },
        this.losses,
      ),
    )
  }

  #open(runs: ReturnType<typeof runsOf>, matrix: Matrix, style: Style, colour: string): Part[] {
    const thickness = Math.min(
      40,
      Math.max(0.25, (Number.parseFloat(style['stroke-width'] ?? '1') || 1) * growth(matrix)),
    )
    const [start, end] = [style['marker-start'], style['marker-end']].map(m => m !== undefined && m !== 'none')
    return openParts(runs, {
      colour,
      thickness,
      dashed: !['none', undefined].includes(style['stroke-dasharray']),
      start: start!,
      end: end!,
      below: false,
    })
  }

  #paint(written: string, ownShare: string | undefined, style: Style): string | null {
    const [, id] = /^url\(\s*['"]?#([^'")]+)/.exec(written) ?? []
    if (id !== undefined) this.losses.note('gradients')
    const named = written === 'currentColor' ? (style.color ?? '#000000') : written
    const colour = id === undefined ? readColour(named) : (this.#gradients.get(id) ?? null)
    const share = Number(style.opacity ?? 1) * shareOf(ownShare)
    return !colour || share <= 0 ? null : share < 1 ? over(colour, share) : colour
  }

  /** Each run of words with a place of its own is a box of its own. */
  #text(element: XmlElement, matrix: Matrix, outer: Style): void {
    const spots: { x: number; y: number; text: string; style: Style }[] = []
    let pen: Point = { x: 0, y: 0 }
    const walk = (one: XmlElement, style: Style) => {
      const placed = one.attributes.x !== undefined || one.attributes.y !== undefined || one === element
      if (placed) {
        pen = { x: firstIn(one, 'x') ?? pen.x, y: firstIn(one, 'y') ?? pen.y }
      }
      const down = lengthIn(one.attributes.dy, style)
      if (down) pen = { x: pen.x, y: pen.y + down }
      if (placed || down) spots.push({ ...pen, text: '', style })
      for (const child of one.children) {
        if (typeof child === 'string') spots.at(-1)!.text += child.replace(/\s+/g, ' ')
        else if (['tspan', 'a', 'textPath'].includes(child.name)) walk(child, styleOf(child, style, this.sheet))
      }
    }
    walk(element, outer)
    for (const spot of spots) this.#words({ ...spot, text: spot.text.trim() }, matrix)
  }

  #words({ x, y, text, style }: Point & { text: string; style: Style }, matrix: Matrix): void {
    if (!text) return
    if (++this.#drawn > MOST_DRAWN) return this.losses.note('figures-too-many')
    const colour = this.#paint(style.fill ?? '#000000', style['fill-opacity'], style)
    if (!colour) return
    if (colour !== '#000000') this.losses.note('words-colours')
    const size = fontSize(style) * growth(matrix)
    const weight = style['font-weight']
    const bold = weight === 'bold' || Number(weight) >= 600
    const width = textWidth(text, size, bold ? 'bold' : 'regular') + 2 * AROUND
    const from = { start: 0, middle: width / 2, end: width }[style['text-anchor'] ?? 'start'] ?? 0
    const base = at(matrix, x, y)
    const turn = asTurn(turnOf(matrix))
    const edge = from === 0 ? AROUND : from === width ? -AROUND : 0
    const height = LINE_HEIGHT * size
    const upright = { x: base.x - from - edge + width / 2, y: base.y - ASCENT * size + height / 2 }
    const middle = turnedAround(base, upright, turn)
    const box: Box = { x: middle.x - width / 2, y: middle.y - height / 2, width, height }
    this.parts.push(
      boxPart(
        {
          box,
          turn,
          form: 'rectangle',
          words: { text, size, bold, fromLeft: false },
          line: null,
          fill: null,
          heading: false,
          below: false,
        },
        this.losses,
      ),
    )
  }
}

const AROUND = 7
/** From the top of a line to its base line, of the letters' size. */
const ASCENT = 1

const fontSize = (style: Style): number => {
  const size = Number.parseFloat(style['font-size'] ?? '16')
  return Number.isFinite(size) && size > 0 ? size * (style['font-size']?.endsWith('pt') ? 4 / 3 : 1) : 16
}
const shareOf = (written: string | undefined) => {
  const share = Number.parseFloat(written ?? '1') / (written?.endsWith('%') ? 100 : 1)
  return Number.isFinite(share) ? Math.min(1, Math.max(0, share)) : 1
}
/** How what has a view of its own lies in the room that is given to it (SVG 2, 8.6); without either as it is. */
function viewed(element: XmlElement, room: XmlElement): Matrix {
  const view = (element.attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  const [width, height] = [numberIn(room, 'width'), numberIn(room, 'height')]
  const [left, top, across, down] = view as [number, number, number, number]
  if (view.length !== 4 || !(across > 0 && down > 0 && width > 0 && height > 0)) return [1, 0, 0, 1, 0, 0]
  const scale = Math.min(width / across, height / down)
  return [scale, 0, 0, scale, (width - across * scale) / 2 - left * scale, (height - down * scale) / 2 - top * scale]
}

const numberIn = (element: XmlElement, name: string): number => {
  const value = Number.parseFloat(element.attributes[name] ?? '0')
  return Number.isFinite(value) ? value : 0
}
const firstIn = (element: XmlElement, name: string): number | null =>
  element.attributes[name] === undefined ? null : numberIn(element, name)
const lengthIn = (written: string | undefined, style: Style): number => {
  const value = Number.parseFloat(written ?? '0')
  return Number.isFinite(value) ? value * (written?.endsWith('em') ? fontSize(style) : 1) : 0
}

const simpleForm = ({ name, attributes }: XmlElement) =>
  name === 'rect' && !attributes.rx && !attributes.ry
    ? ('rectangle' as const)
    : name === 'circle' || name === 'ellipse'
      ? ('ellipse' as const)
      : null

/** A basic shape as the path that SVG 2 (10) says it is; null for what isn't drawn. */
function pathOf(element: XmlElement): string | null {
  const n = (name: string) => numberIn(element, name)
  switch (element.name) {
    case 'path':
      return element.attributes.d ?? ''
    case 'rect': {
      const [x, y, w, h] = [n('x'), n('y'), n('width'), n('height')]
      return w > 0 && h > 0 ? `M${x} ${y}h${w}v${h}h${-w}z` : null
    }
    case 'circle':
      return roundPath(n('cx'), n('cy'), [n('r'), n('r')])
    case 'ellipse':
      return roundPath(n('cx'), n('cy'), [n('rx'), n('ry')])
    case 'line':
      return `M${n('x1')} ${n('y1')}L${n('x2')} ${n('y2')}`
    case 'polyline':
    case 'polygon': {
      const points = (element.attributes.points ?? '').trim()
      return points ? `M${points}${element.name === 'polygon' ? 'z' : ''}` : null
    }
    default:
      return null
  }
}

/** Four curves that stray from the ellipse by less than 0.03 % of its radius. */
function roundPath(x: number, y: number, [rx, ry]: [number, number]): string | null {
  if (rx <= 0 || ry <= 0) return null
  const [kx, ky] = [rx * KAPPA, ry * KAPPA]
  return [
    `M${x + rx} ${y}`,
    `C${x + rx} ${y + ky} ${x + kx} ${y + ry} ${x} ${y + ry}`,
    `C${x - kx} ${y + ry} ${x - rx} ${y + ky} ${x - rx} ${y}`,
    `C${x - rx} ${y - ky} ${x - kx} ${y - ry} ${x} ${y - ry}`,
    `C${x + kx} ${y - ry} ${x + rx} ${y - ky} ${x + rx} ${y}z`,
  ].join('')
}
