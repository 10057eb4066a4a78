import { bounds } from '../../../geometry/outline'
import type { Box, Point } from '../../../geometry/shape'
import { over, readColour } from '../../colours'
import type { Losses } from '../../lost'
import { allOf, childOf, childrenOf, elementsIn, numberOf, textOf, type XmlElement } from '../../xml'
import { resolved } from '../../zip'
import { PRESETS, type FormName } from '../forms'
import { lineBetween, openParts, outlineOf, runsOf, type Stroke } from '../outline'
import { asTurn, boxPart } from '../parts'
import type { Part } from '../slide'
import { lengthOf, type StyleBook } from './styles'
import { wordsOf } from './text'

/** What shapes are read with. */
export interface Reading {
  readonly styles: StyleBook
  readonly losses: Losses
  readonly below: boolean
}
const CONTENT = 'content.xml'

/** The parts that shapes of an OpenDocument page (version 1.3, part 3, 10) make, the lowest first. */
export function partsOf(shapes: readonly XmlElement[], reading: Reading): Part[] {
  return shapes.flatMap(shape => shapeParts(shape, reading))
}

const FORMS: Readonly<Record<string, FormName>> = {
  rectangle: 'rectangle',
  'round-rectangle': 'rectangle',
  'flowchart-process': 'rectangle',
  'flowchart-alternate-process': 'rectangle',
  ellipse: 'ellipse',
  circle: 'ellipse',
  'flowchart-connector': 'ellipse',
  'isosceles-triangle': 'triangle',
  'right-triangle': 'rightTriangle',
  diamond: 'diamond',
  'flowchart-decision': 'diamond',
  parallelogram: 'parallelogram',
  'flowchart-data': 'parallelogram',
  trapezoid: 'trapezoid',
  pentagon: 'pentagon',
  hexagon: 'hexagon',
  octagon: 'octagon',
  cross: 'plus',
  star4: 'star4',
  star5: 'star5',
  star6: 'star6',
  'right-arrow': 'arrowRight',
  'left-arrow': 'arrowLeft',
  'up-arrow': 'arrowUp',
  'down-arrow': 'arrowDown',
  'left-right-arrow': 'arrowBoth',
  'pentagon-right': 'tag',
  chevron: 'chevron',
}
const UNREAD: Readonly<Record<string, 'embedded' | 'shapes-simplified'>> = {
  control: 'embedded',
  caption: 'shapes-simplified',
  measure: 'shapes-simplified',
  scene: 'embedded',
}

function shapeParts(shape: XmlElement, reading: Reading): Part[] {
  const { losses } = reading
  if (!losses.room()) return []
  switch (shape.name) {
    case 'g':
      return partsOf(elementsIn(shape), reading)
    case 'a':
      losses.note('links')
      return partsOf(elementsIn(shape), reading)
    case 'frame':
      return frameParts(shape, reading)
    case 'rect':
    case 'ellipse':
    case 'circle':
      return boxed(shape, reading, shape.name === 'rect' ? 'rectangle' : 'ellipse')
    case 'custom-shape':
      return customParts(shape, reading)
    case 'line':
    case 'connector':
      return lineParts(shape, reading)
    case 'polyline':
    case 'polygon':
    case 'path':
      return pathParts(shape, reading)
    default: {
      const code = UNREAD[shape.name]
      if (code) losses.note(code)
      return []
    }
  }
}

interface Spot {
  readonly box: Box
  readonly turn: number
}

/**
 * Where a shape lies: by its corner and size, or by what moves it from the origin. A turn there is in radians, against
 * the clock, and comes before the move.
 */
function spotOf({ attributes }: XmlElement): Spot | null {
  const [width, height] = [lengthOf(attributes.width), lengthOf(attributes.height)]
  if (width === null || height === null) return null
  const own = { x: lengthOf(attributes.x) ?? 0, y: lengthOf(attributes.y) ?? 0 }
  const transform = attributes.transform ?? ''
  const angle = Number(/rotate\s*\(\s*([-+\d.e]+)/i.exec(transform)?.[1] ?? 0)
  const [, x, y] = /translate\s*\(\s*([-+\w.]+)[\s,]+([-+\w.]+)/i.exec(transform) ?? []
  const corner = transform ? { x: lengthOf(x) ?? own.x, y: lengthOf(y) ?? own.y } : own
  if (!Number.isFinite(angle) || angle === 0) return { box: { ...corner, width, height }, turn: 0 }
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  const middle = {
    x: corner.x + (cos * width) / 2 + (sin * height) / 2,
    y: corner.y - (sin * width) / 2 + (cos * height) / 2,
  }
  return { box: { x: middle.x - width / 2, y: middle.y - height / 2, width, height }, turn: (-angle * 180) / Math.PI }
}

const styleOf = ({ attributes }: XmlElement) =>
  attributes['presentation:style-name'] !== undefined
    ? { family: 'presentation' as const, name: attributes['presentation:style-name'] }
    : { family: 'graphic' as const, name: attributes['draw:style-name'] ?? attributes['style-name'] }

function looks(shape: XmlElement, { styles, losses }: Reading) {
  const style = styleOf(shape)
  const said = (property: string) => styles.said(style.family, style.name, 'graphic-properties', property)
  const share = Number.parseFloat(said('opacity') ?? '100') / 100
  const kind = said('fill') ?? 'none'
  if (kind === 'gradient' || kind === 'hatch') losses.note('gradients')
  const fill = kind === 'none' || kind === 'bitmap' ? null : readColour(said('fill-color'))
  const stroke = said('stroke') ?? 'none'
  return {
    style,
    fill: fill && share < 1 ? over(fill, Math.max(0, share)) : fill,
    line: stroke === 'none' ? null : (readColour(said('stroke-color')) ?? '#000000'),
    dashed: stroke === 'dash',
    thickness: Math.min(40, Math.max(0.5, lengthOf(said('stroke-width')) ?? 0.5)),
    start: Boolean(said('marker-start')),
    end: Boolean(said('marker-end')),
  }
}

const HEADINGS = ['title']
const FURNITURE = ['date-time', 'footer', 'page-number', 'header']

interface Look extends Spot {
  readonly form: FormName | readonly Point[]
  readonly mirror?: { readonly across: boolean; readonly down: boolean }
}

function boxOf(shape: XmlElement, holder: XmlElement, reading: Reading, { box, turn, form, mirror }: Look): Part[] {
  const { style, fill, line } = looks(shape, reading)
  const role = shape.attributes.class ?? ''
  noteLinks(holder, reading.losses)
  const part = boxPart(
    {
      box,
      turn: asTurn(turn),
      form,
      ...(mirror && { mirror }),
      words: wordsOf(holder, { styles: reading.styles, shape: style }),
      line,
      fill,
      heading: HEADINGS.includes(role),
      below: reading.below || FURNITURE.includes(role),
    },
    reading.losses,
  )
  return part.text || part.line || part.fill ? [part] : []
}

function boxed(shape: XmlElement, reading: Reading, form: FormName): Part[] {
  const spot = spotOf(shape)
  return spot ? boxOf(shape, shape, reading, { ...spot, form }) : []
}

function customParts(shape: XmlElement, reading: Reading): Part[] {
  const spot = spotOf(shape)
  const geometry = childOf(shape, 'enhanced-geometry')
  const type = geometry?.attributes.type ?? ''
  // What came over from Office Open XML keeps its name there.
  const form = FORMS[type] ?? PRESETS[type.replace(/^ooxml-/, '')]
  if (!form) reading.losses.note('shapes-simplified')
  const is = (name: string) => geometry?.attributes[name] === 'true'
  const mirror = { across: is('mirror-horizontal'), down: is('mirror-vertical') }
  return spot ? boxOf(shape, shape, reading, { ...spot, form: form ?? 'rectangle', mirror }) : []
}

function frameParts(frame: XmlElement, reading: Reading): Part[] {
  const { losses } = reading
  const spot = spotOf(frame)
  if (!spot || frame.attributes.placeholder === 'true') return []
  const [text, table, image] = [childOf(frame, 'text-box'), childOf(frame, 'table'), childOf(frame, 'image')]
  if (text) return boxOf(frame, text, reading, { ...spot, form: 'rectangle' })
  if (table) return tableParts(table, spot.box, reading)
  if (childOf(frame, 'plugin')) losses.note('sounds-and-films')
  else if (!image || childOf(frame, 'object') || childOf(frame, 'object-ole')) losses.note('embedded')
  return image ? pictureParts(frame, image, spot, reading) : []
}

function pictureParts(frame: XmlElement, image: XmlElement, { box, turn }: Spot, reading: Reading): Part[] {
  const { losses, below } = reading
  const source = resolved(CONTENT, image.attributes.href ?? '')
  if (!source) {
    losses.note('pictures-elsewhere')
    return []
  }
  const { style } = looks(frame, reading)
  const clip = reading.styles.said(style.family, style.name, 'graphic-properties', 'clip') ?? ''
  if (/[1-9]/.test(clip)) losses.note('effects')
  const alt = (textOf(childOf(frame, 'desc')) || textOf(childOf(frame, 'title'))).trim().slice(0, 300)
  return [{ kind: 'picture', source, box, turn: asTurn(turn), alt, crop: null, below }]
}

function lineParts(shape: XmlElement, reading: Reading): Part[] {
  const ends = ['x1', 'y1', 'x2', 'y2'].map(name => lengthOf(shape.attributes[name]))
  const look = looks(shape, reading)
  if (ends.includes(null) || look.line === null) return []
  const [x1, y1, x2, y2] = ends as [number, number, number, number]
  if (shape.name === 'connector' && shape.attributes.type && shape.attributes.type !== 'line' && x1 !== x2 && y1 !== y2)
    reading.losses.note('shapes-simplified')
  return [lineBetween({ x: x1, y: y1 }, { x: x2, y: y2 }, strokeOf(look, reading))]
}

const strokeOf = (look: ReturnType<typeof looks>, { below }: Reading): Stroke => {
  const { line, thickness, dashed, start, end } = look
  return { colour: line!, thickness, dashed, start, end, below }
}

function pathParts(shape: XmlElement, reading: Reading): Part[] {
  const spot = spotOf(shape)
  const view = (shape.attributes.viewBox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number)
  if (!spot || view.length !== 4 || !view.every(Number.isFinite)) return []
  const [left, top, across, down] = view as [number, number, number, number]
  const { box } = spot
  const [sx, sy] = [across ? box.width / across : 1, down ? box.height / down : 1]
  const runs = runsOf(pathOf(shape), [sx, 0, 0, sy, box.x - left * sx, box.y - top * sy])
  const closed = runs.filter(run => run.closed)
  if (closed.length === 0) {
    const look = looks(shape, reading)
    return look.line === null ? [] : openParts(runs, strokeOf(look, reading))
  }
  const outline = outlineOf(closed)
  if (!outline) return []
  reading.losses.note('holes', outline.others)
  return boxOf(shape, shape, reading, { box: bounds(outline.points), turn: spot.turn, form: outline.points })
}

function pathOf({ name, attributes }: XmlElement): string {
  if (name === 'path') return attributes.d ?? ''
  const points = (attributes.points ?? '').trim()
  return points ? `M ${points.replace(/\s+/g, ' L ')}${name === 'polygon' ? ' Z' : ''}` : ''
}

const MOST_CELLS = 100
const EDGE = '#526061'

/** The cells of a table as boxes, merged ones as one; columns and rows as wide and high as their share of the frame. */
function tableParts(table: XmlElement, { x, y, width, height }: Box, reading: Reading): Part[] {
  const rows = allOf(table, 'table-row')
  const columns = Math.max(
    0,
    ...rows.map(row => childrenOf(row, 'table-cell').length + childrenOf(row, 'covered-table-cell').length),
  )
  if (columns === 0 || rows.length * columns > MOST_CELLS) {
    reading.losses.note('embedded')
    return []
  }
  const [wide, high] = [width / columns, height / rows.length]
  return rows.flatMap((row, r) =>
    elementsIn(row).flatMap((cell, c) => {
      if (cell.name !== 'table-cell' || !reading.losses.room()) return []
      const box = {
        x: x + c * wide,
        y: y + r * high,
        width: wide * (numberOf(cell, 'number-columns-spanned') ?? 1),
        height: high * (numberOf(cell, 'number-rows-spanned') ?? 1),
      }
      const shape = { family: 'graphic' as const, name: cell.attributes['style-name'] }
      const fill = reading.styles.said('table-cell', shape.name, 'graphic-properties', 'fill-color')
      return [
        boxPart(
          {
            box,
            turn: 0,
            form: 'rectangle',
            words: wordsOf(cell, { styles: reading.styles, shape }),
            line: EDGE,
            fill: readColour(fill),
            heading: false,
            below: reading.below,
          },
          reading.losses,
        ),
      ]
    }),
  )
}

const noteLinks = (holder: XmlElement, losses: Losses) => losses.note('links', allOf(holder, 'a').length)
