import type { Box } from '../../../geometry/shape'
import { turnedAround } from '../../../geometry/turned'
import { over } from '../../colours'
import type { Losses } from '../../lost'
import { childOf, elementsIn, numberOf, textOf, type XmlElement } from '../../xml'
import { PRESETS } from '../forms'
import { outlineOf, runsOf } from '../outline'
import { asTurn, boxPart, endsIn, NO_WORDS, type Words } from '../parts'
import type { LinePart, Part, PicturePart } from '../slide'
import { colourIn, type Scheme } from './colours'
import { targetOf, type PackagePart } from '../../opc'
import { tableParts } from './table'
import { wordsOf, type Styles } from './text'

/** ECMA-376 part 1, 20.1.2.1: English metric units, 12,700 to a point. */
export const EMU = 12_700
const SIXTY_THOUSANDTHS = 60_000
const PER_MILLE_OF_PERCENT = 100_000

/** What shapes of one part are read with. */
export interface Reading {
  readonly part: PackagePart
  readonly scheme: Scheme
  readonly losses: Losses
  readonly below: boolean
  /** The shapes that a placeholder takes after, nearest first. */
  readonly patterns: (placeholder: XmlElement) => readonly XmlElement[]
  /** How a diagram was last drawn, by what its frame says of it; null where that isn't in the file. */
  readonly drawingOf: (data: XmlElement | null) => PackagePart | null
  /** Where the words of a placeholder, or of none, get from what nearer styles don't say. */
  readonly styles: (placeholder: XmlElement | null) => Styles
}

interface Spot {
  readonly box: Box
  readonly turn: number
  readonly mirror: { readonly across: boolean; readonly down: boolean }
}
/** From the coordinates of a group to those of the page. */
type Moved = (spot: Spot) => Spot
const asItIs: Moved = spot => spot

/** The parts of a tree of shapes, the lowest first. */
export function partsOf(tree: XmlElement | null, reading: Reading, moved: Moved = asItIs): Part[] {
  return elementsIn(tree).flatMap(element => shapeParts(element, reading, moved))
}

const SHAPES = ['sp', 'pic', 'cxnSp', 'grpSp', 'graphicFrame', 'AlternateContent']
function shapeParts(element: XmlElement, reading: Reading, moved: Moved): Part[] {
  if (!SHAPES.includes(element.name) || !reading.losses.room()) return []
  switch (element.name) {
    case 'sp':
      return boxes(element, reading, moved)
    case 'pic':
      return pictures(element, reading, moved)
    case 'cxnSp':
      return boxes(element, reading, moved)
    case 'grpSp':
      return partsOf(element, reading, inGroup(element, moved))
    case 'graphicFrame':
      return frames(element, reading, moved)
    case 'AlternateContent':
      return partsOf(childOf(element, 'Fallback') ?? childOf(element, 'Choice'), reading, moved)
    default:
      return []
  }
}

function spotIn(frame: XmlElement | null): Spot | null {
  const [off, ext] = [childOf(frame, 'off'), childOf(frame, 'ext')]
  const numbers = [numberOf(off, 'x'), numberOf(off, 'y'), numberOf(ext, 'cx'), numberOf(ext, 'cy')]
  if (numbers.some(n => n === null)) return null
  const [x, y, width, height] = numbers.map(n => n! / EMU) as [number, number, number, number]
  const is = (name: string) => ['1', 'true'].includes(frame?.attributes[name] ?? '')
  return {
    box: { x, y, width: Math.max(0, width), height: Math.max(0, height) },
    turn: (numberOf(frame, 'rot') ?? 0) / SIXTY_THOUSANDTHS,
    mirror: { across: is('flipH'), down: is('flipV') },
  }
}

function inGroup(group: XmlElement, outer: Moved): Moved {
  const frame = childOf(group, 'grpSpPr', 'xfrm')
  const own = spotIn(frame)
  const inner = spotIn(
    frame && { ...frame, children: elementsIn(frame).map(e => ({ ...e, name: INNER[e.name] ?? e.name })) },
  )
  if (!own || !inner) return outer
  const [sx, sy] = [
    inner.box.width ? own.box.width / inner.box.width : 1,
    inner.box.height ? own.box.height / inner.box.height : 1,
  ]
  const middle = { x: own.box.x + own.box.width / 2, y: own.box.y + own.box.height / 2 }
  return ({ box, turn, mirror }) => {
    const [width, height] = [box.width * sx, box.height * sy]
    const centre = turnedAround(
      middle,
      {
        x: own.box.x + (box.x + box.width / 2 - inner.box.x) * sx,
        y: own.box.y + (box.y + box.height / 2 - inner.box.y) * sy,
      },
      own.turn,
    )
    return outer({
      box: { x: centre.x - width / 2, y: centre.y - height / 2, width, height },
      turn: turn + own.turn,
      mirror,
    })
  }
}
const INNER: Readonly<Record<string, string>> = { chOff: 'off', chExt: 'ext', off: 'outer', ext: 'outer' }

/** What says that a shape is a placeholder, and which. */
export const placeholderOf = (shape: XmlElement) =>
  childOf(
    elementsIn(shape).find(child => /^nv\w+Pr$/.test(child.name)),
    'nvPr',
    'ph',
  )
const HEADINGS = ['title', 'ctrTitle']
const FURNITURE = ['dt', 'ftr', 'sldNum', 'hdr']

const LINES = ['line', 'lineInv', 'straightConnector1']
function boxes(shape: XmlElement, reading: Reading, moved: Moved): Part[] {
  const { losses, below } = reading
  const placeholder = placeholderOf(shape)
  const kind = placeholder?.attributes.type ?? ''
  const patterns = placeholder ? reading.patterns(placeholder) : []
  const properties = [childOf(shape, 'spPr'), ...patterns.map(pattern => childOf(pattern, 'spPr'))]
  const own = properties.map(p => spotIn(childOf(p, 'xfrm'))).find(Boolean)
  if (!own) return []
  const spot = moved(own)
  noteLinks(shape, losses)
  const preset = properties.map(p => childOf(p, 'prstGeom')?.attributes.prst).find(Boolean)
  const custom = childOf(properties[0]!, 'custGeom')
  const style = childOf(shape, 'style')
  const line = lineOf(properties, style, reading)
  if (!custom && preset && (LINES.includes(preset) || /Connector\d$/.test(preset))) {
    if (!LINES.includes(preset)) losses.note('shapes-simplified')
    return line ? [{ ...ends(line, spot), below }] : []
  }
  const body = childOf(shape, 'txBody')
  const styles = [...patterns.map(pattern => childOf(pattern, 'txBody', 'lstStyle')), ...reading.styles(placeholder)]
  const words: Words = body ? wordsOf(body, styles) : NO_WORDS
  const { fill, picture } = fillOf(properties, style, reading)
  const drawn = boxPart(
    {
      box: spot.box,
      turn: asTurn(spot.turn),
      mirror: spot.mirror,
      form: formOf({ preset, custom, spot, losses }),
      words,
      line: line?.colour ?? null,
      fill,
      heading: HEADINGS.includes(kind),
      below: below || FURNITURE.includes(kind),
    },
    losses,
  )
  const seen = drawn.text || drawn.line || drawn.fill
  return [...(picture ? [{ ...picture, ...at(spot), below }] : []), ...(seen ? [drawn] : [])]
}

function formOf(of: { preset: string | undefined; custom: XmlElement | null; spot: Spot; losses: Losses }) {
  const { preset, custom, spot, losses } = of
  if (!custom) {
    const form = PRESETS[preset ?? 'rect']
    if (!form) losses.note('shapes-simplified')
    return form ?? 'rectangle'
  }
  const found = customOutline(custom, spot)
  if (!found) {
    losses.note('shapes-simplified')
    return 'rectangle'
  }
  losses.note('holes', found.others)
  return found.points
}

/** A free form: its path in its own units, laid over its box. Formulas aren't worked out: null then. */
function customOutline(custom: XmlElement, { box, mirror }: Spot) {
  const path = childOf(custom, 'pathLst', 'path')
  const d = elementsIn(path).map(commandOf)
  if (!path || d.length === 0 || d.some(command => command === null)) return null
  const [w, h] = [numberOf(path, 'w') || box.width * EMU, numberOf(path, 'h') || box.height * EMU]
  const [sx, sy] = [(box.width / w) * (mirror.across ? -1 : 1), (box.height / h) * (mirror.down ? -1 : 1)]
  const matrix = [sx, 0, 0, sy, box.x + (mirror.across ? box.width : 0), box.y + (mirror.down ? box.height : 0)]
  return outlineOf(runsOf(d.join(' '), matrix))
}

const COMMANDS: Readonly<Record<string, [letter: string, points: number]>> = {
  moveTo: ['M', 1],
  lnTo: ['L', 1],
  cubicBezTo: ['C', 3],
  quadBezTo: ['Q', 2],
  close: ['Z', 0],
}
function commandOf(command: XmlElement): string | null {
  const known = COMMANDS[command.name]
  const points = elementsIn(command).map(point => [numberOf(point, 'x'), numberOf(point, 'y')])
  if (!known || points.length !== known[1] || points.flat().includes(null)) return null
  return `${known[0]} ${points.flat().join(' ')}`
}

interface LineLook {
  readonly colour: string
  readonly thickness: number
  readonly dashed: boolean
  readonly head: boolean
  readonly tail: boolean
}

function lineOf(properties: readonly (XmlElement | null)[], style: XmlElement | null, reading: Reading) {
  const lines = properties.map(p => childOf(p, 'ln')).filter(Boolean)
  if (lines.some((line, i) => childOf(line, 'noFill') && lines.slice(0, i).every(l => !childOf(l, 'solidFill'))))
    return null
  const reference = childOf(style, 'lnRef')
  const styled = Number(reference?.attributes.idx ?? 0) > 0 ? colourIn(reference, reading.scheme) : null
  const colour =
    lines.map(line => colourIn(childOf(line, 'solidFill'), reading.scheme)).find(Boolean)
    ?? lines.map(line => firstStop(childOf(line, 'gradFill'), reading)).find(Boolean)
    ?? styled
  if (!colour) return null
  const pointed = (name: string) =>
    lines.some(line => !['none', undefined].includes(childOf(line, name)?.attributes.type))
  return {
    colour,
    thickness: Math.min(
      40,
      Math.max(0.25, (lines.map(line => numberOf(line, 'w')).find(w => w !== null) ?? EMU) / EMU),
    ),
    dashed: lines.some(line => !['solid', undefined].includes(childOf(line, 'prstDash')?.attributes.val)),
    head: pointed('headEnd'),
    tail: pointed('tailEnd'),
  } satisfies LineLook
}

function ends(line: LineLook, { box, turn, mirror }: Spot): Omit<LinePart, 'below'> {
  const [start, end] = endsIn(box, turn, mirror)
  const [from, to] = line.head && !line.tail ? [end, start] : [start, end]
  const { colour, thickness, dashed } = line
  const points = line.head && line.tail ? 'both' : line.head || line.tail ? 'one' : 'none'
  return { kind: 'line', from, to, colour, thickness, dashed, points }
}

const firstStop = (gradient: XmlElement | null, { scheme }: Reading) =>
  elementsIn(childOf(gradient, 'gsLst'))
    .map(stop => colourIn(stop, scheme))
    .find(Boolean) ?? null

type Unplaced = Omit<PicturePart, 'box' | 'turn' | 'below'>

/** What a shape, or a page, is filled with; said by the nearest that says anything. */
export function fillOf(
  properties: readonly (XmlElement | null)[],
  style: XmlElement | null,
  reading: Reading,
): { fill: string | null; picture: Unplaced | null } {
  for (const fill of properties.flatMap(p => elementsIn(p))) {
    switch (fill.name) {
      case 'noFill':
        return { fill: null, picture: null }
      case 'solidFill':
        return { fill: colourIn(fill, reading.scheme), picture: null }
      case 'gradFill':
        reading.losses.note('gradients')
        return { fill: firstStop(fill, reading), picture: null }
      case 'pattFill':
        reading.losses.note('gradients')
        return { fill: paled(colourIn(childOf(fill, 'fgClr'), reading.scheme)), picture: null }
      case 'blipFill':
        return { fill: null, picture: pictureIn(fill, '', reading) }
    }
  }
  const reference = childOf(style, 'fillRef')
  const styled = Number(reference?.attributes.idx ?? 0) > 0 ? colourIn(reference, reading.scheme) : null
  return { fill: styled, picture: null }
}
const paled = (colour: string | null) => (colour ? over(colour, 0.5) : null)

function pictures(element: XmlElement, reading: Reading, moved: Moved): Part[] {
  const { losses, below } = reading
  const placeholder = placeholderOf(element)
  const patterns = placeholder ? reading.patterns(placeholder) : []
  const own = [element, ...patterns].map(one => spotIn(childOf(one, 'spPr', 'xfrm'))).find(Boolean)
  const properties = childOf(element, 'nvPicPr', 'nvPr')
  if (elementsIn(properties).some(p => /File$/.test(p.name))) losses.note('sounds-and-films')
  noteLinks(element, losses)
  const alt = childOf(element, 'nvPicPr', 'cNvPr')?.attributes.descr ?? ''
  const picture = pictureIn(childOf(element, 'blipFill'), alt, reading)
  return own && picture ? [{ ...picture, ...at(moved(own)), below }] : []
}

const at = ({ box, turn }: Spot) => ({ box, turn: asTurn(turn) })

function pictureIn(fill: XmlElement | null, alt: string, { part, losses }: Reading): Unplaced | null {
  const blip = childOf(fill, 'blip')
  const target = targetOf(part, blip?.attributes['r:embed'] ?? blip?.attributes.embed)
  if (!target) {
    losses.note(blip?.attributes.link || target === null ? 'pictures-elsewhere' : 'pictures-unread')
    return null
  }
  const side = (name: string) => Math.max(0, (numberOf(childOf(fill, 'srcRect'), name) ?? 0) / PER_MILLE_OF_PERCENT)
  const crop = { left: side('l'), top: side('t'), right: side('r'), bottom: side('b') }
  const some = Object.values(crop).some(share => share > 0)
  const good = crop.left + crop.right < 0.95 && crop.top + crop.bottom < 0.95
  return { kind: 'picture', source: target, alt: alt.slice(0, 300), crop: some && good ? crop : null }
}

function frames(frame: XmlElement, reading: Reading, moved: Moved): Part[] {
  const own = spotIn(childOf(frame, 'xfrm'))
  const data = childOf(frame, 'graphic', 'graphicData')
  const table = childOf(data, 'tbl')
  if (own && table) return tableParts(table, moved(own).box, reading)
  const drawing = reading.drawingOf(data)
  if (own && drawing) {
    // It is drawn from the corner of its frame.
    const { x, y } = own.box
    const inFrame: Moved = spot => moved({ ...spot, box: { ...spot.box, x: spot.box.x + x, y: spot.box.y + y } })
    return partsOf(childOf(drawing.root, 'spTree'), { ...reading, part: drawing }, inFrame)
  }
  reading.losses.note(data?.attributes.uri?.endsWith('/chart') ? 'charts' : 'embedded')
  // What was put in from another program usually has a picture of itself.
  return partsOf(childOf(data, 'oleObj'), reading, moved)
}

function noteLinks(shape: XmlElement, losses: Losses): void {
  const own = elementsIn(shape).find(child => /^nv\w+Pr$/.test(child.name))
  if (childOf(own, 'cNvPr', 'hlinkClick')) losses.note('links')
  const runs = elementsIn(childOf(shape, 'txBody')).flatMap(paragraph => elementsIn(paragraph))
  losses.note('links', runs.filter(run => childOf(run, 'rPr', 'hlinkClick')).length)
}

/** Whether a part shows any words. */
export const hasWords = (root: XmlElement | null): boolean => textOf(root).trim() !== ''
