import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import { FILLS, INKS } from '../board/inks'
import { arrowHead } from '../geometry/arrow'
import type { Box, Shape } from '../geometry/shape'
import { fitWords, NOTE_TEXT, noteRoom } from '../layout/fitWords'
import { drawSlip, wordsOnSlip } from './slip'
import { HIGHLIGHTER_TIMES, SIGN_SIZE, TEXT_SIZES, WIDTHS, type Own, type SIGNS } from '../slate/own'
import type { SlateState } from '../slate/state'
import { breakLines } from '../text/lines'
import { LINE_HEIGHT } from '../text/measure'
import { endsOf } from '../tools/making'
import { inkPath } from './ink'
import { lettering } from './lettering'
import type { Colour } from './palette'
import { boxPath, ellipsePath, polygon, polyline, shapePath, to3, type Paint, type Primitive } from './primitive'

/** What a thing lies among, and whether it is the one that is picked. */
export interface OwnLook {
  readonly page: Page
  readonly state: SlateState
  readonly edition: Edition
  readonly chosen?: boolean
}

type Kind<K extends Own['kind']> = Extract<Own, { kind: K }>

const boxOf = ({ x, y, width, height }: Box): Box => ({ x: x - width / 2, y: y - height / 2, width, height })

/** Something that a student made, as it is drawn everywhere. A colour whose place is gone is nothing. */
export function drawOwn(own: Own, look: OwnLook): Primitive[] {
  switch (own.kind) {
    case 'colour':
      return drawColour(own, look)
    case 'shape':
      return drawShape(own)
    case 'note':
      return drawNote(own)
    case 'text':
      return drawText(own)
    case 'ink':
      return drawInk(own)
    case 'line':
      return drawOwnLine(own, look)
    case 'sign':
      return drawSign(own)
    case 'picture':
      return [drawPicture(own)]
  }
}

/** What catches a finger, where what is seen is too thin, or nothing, to be caught: an outline, and how wide it is. */
export function reachOf(own: Own, look: OwnLook): { readonly d: string; readonly width: number } | null {
  switch (own.kind) {
    case 'shape':
      // A shape that isn't filled is caught at its rim; what is inside stays in reach.
      return { d: shapeOutline(own, 0), width: REACH }
    case 'line': {
      const { from, to } = endsOf(own, look)
      return { d: polyline([from, to]), width: REACH }
    }
    case 'sign':
      return { d: boxPath(boxOf({ x: own.x, y: own.y, width: SIGN_SIZE, height: SIGN_SIZE })), width: 0 }
    case 'text':
      return { d: boxPath(boxOf(own)), width: 0 }
    case 'colour':
    case 'note':
    case 'ink':
    case 'picture':
      return null
  }
}
const REACH = 24

/** What is coloured: the place, or one cell of it. */
function drawColour({ place: id, cell, fill }: Kind<'colour'>, { page }: OwnLook): Primitive[] {
  const place = page.places.find(one => one.id === id)
  if (!place) return []
  const shape: Shape = place.shape
  if (place.kind !== 'grid' || !cell) return [{ kind: 'path', d: shapePath(shape), fill: { pattern: fill } }]
  const [width, height] = [place.shape.width / place.columns, place.shape.height / place.rows]
  const box = { x: place.shape.x + cell[1] * width, y: place.shape.y + cell[0] * height, width, height }
  return [{ kind: 'path', d: boxPath(box), fill: { pattern: fill } }]
}

function shapeOutline(own: Kind<'shape'>, radius: number): string {
  const { x, y, width, height } = boxOf(own)
  const [middle, right, foot] = [own.x, x + width, y + height]
  switch (own.shape) {
    case 'rectangle':
      return boxPath({ x, y, width, height }, radius)
    case 'ellipse':
      return ellipsePath({ x, y, width, height })
    case 'triangle':
      return polygon([
        { x: middle, y },
        { x: right, y: foot },
        { x, y: foot },
      ])
    case 'diamond':
      return polygon([
        { x: middle, y },
        { x: right, y: own.y },
        { x: middle, y: foot },
        { x, y: own.y },
      ])
  }
}

const drawShape = (own: Kind<'shape'>): Primitive[] => [
  {
    kind: 'path',
    d: shapeOutline(own, 3),
    ...(own.fill && { fill: { pattern: own.fill } satisfies Paint }),
    stroke: { colour: INKS[own.ink], width: WIDTHS[own.wide], corners: 'round' },
  },
]

function drawNote(own: Kind<'note'>): Primitive[] {
  const box = boxOf(own)
  return [
    ...drawSlip(box, FILLS[own.fill], { colour: 'outline', width: 1.2 }),
    ...wordsOnSlip(box, fitWords(own.text, noteRoom(own), NOTE_TEXT)),
  ]
}

function drawText(own: Kind<'text'>): Primitive[] {
  const size = TEXT_SIZES[own.size]
  const { x, y } = boxOf(own)
  const lines = linesOf(own.text, own.width, size)
  return lettering({ lines, x, y: y + (size * LINE_HEIGHT) / 2, size, fill: INKS[own.ink] })
}

const linesOf = (text: string, width: number, size: number) =>
  text.split('\n').flatMap(line => breakLines(line, width, size))

function drawInk({ points, pen, wide }: Kind<'ink'>): Primitive[] {
  const size = WIDTHS[wide] * (pen.tip === 'highlighter' ? HIGHLIGHTER_TIMES : 1)
  const fill: Paint = pen.tip === 'pen' ? INKS[pen.ink] : FILLS[pen.fill]
  return [{ kind: 'path', d: inkPath(points, size), fill, ...(pen.tip === 'highlighter' && { opacity: 0.5 }) }]
}

function drawOwnLine(own: Kind<'line'>, look: OwnLook): Primitive[] {
  const { from, to } = endsOf(own, look)
  const width = WIDTHS[own.wide]
  const colour: Colour = look.chosen ? 'lightEdge' : INKS[own.ink]
  const head = own.head ? arrowHead(from, to, 8 + 2 * width, 8 + 2 * width) : null
  return [
    { kind: 'path', d: polyline([from, head?.foot ?? to]), stroke: { colour, width, ends: 'round' } },
    ...(head ? [{ kind: 'path' as const, d: polygon(head.corners), fill: colour }] : []),
  ]
}

/** From points of a box of two around nought, and lengths in it, to the page. */
interface Box2 {
  readonly at: (x: number, y: number) => string
  readonly length: (n: number) => number
}
const through =
  (...points: readonly (readonly [number, number])[]) =>
  ({ at }: Box2) =>
    points.map(([x, y], i) => `${i ? 'L' : 'M'}${at(x, y)}`).join('')

/** Signs are told apart by their outlines alone. */
const SIGN_PATHS: Record<(typeof SIGNS)[number], { readonly solid?: true; readonly path: (box: Box2) => string }> = {
  tick: { path: through([-0.8, 0.05], [-0.25, 0.65], [0.8, -0.65]) },
  cross: { path: box => through([-0.65, -0.65], [0.65, 0.65])(box) + through([0.65, -0.65], [-0.65, 0.65])(box) },
  question: {
    path: ({ at, length }) =>
      `M${at(-0.4, -0.35)}A${length(0.42)} ${length(0.42)} 0 1 1 ${at(0.15, 0.1)}Q${at(0, 0.2)} ${at(0, 0.42)}`
      + `M${at(0, 0.8)}v${length(0.01)}`,
  },
  star: {
    solid: true,
    path: box =>
      `${through(
        [0, -0.9],
        [0.22, -0.3],
        [0.86, -0.28],
        [0.36, 0.12],
        [0.53, 0.73],
        [0, 0.37],
        [-0.53, 0.73],
        [-0.36, 0.12],
        [-0.86, -0.28],
        [-0.22, -0.3],
      )(box)}Z`,
  },
  dot: {
    solid: true,
    path: ({ at, length }) =>
      `M${at(0, -0.7)}A${length(0.7)} ${length(0.7)} 0 1 1 ${at(0, 0.7)}`
      + `A${length(0.7)} ${length(0.7)} 0 1 1 ${at(0, -0.7)}Z`,
  },
}

function drawSign({ x, y, ink, sign }: Kind<'sign'>): Primitive[] {
  const half = SIGN_SIZE / 2
  const { solid, path } = SIGN_PATHS[sign]
  const box: Box2 = {
    at: (across, down) => `${to3(x + across * half)} ${to3(y + down * half)}`,
    length: n => to3(n * half),
  }
  return [
    {
      kind: 'path',
      d: path(box),
      ...(solid && { fill: INKS[ink] }),
      stroke: { colour: INKS[ink], width: 0.26 * half, ends: 'round', corners: 'round' },
    },
  ]
}

function drawPicture({ picture, from, ...own }: Kind<'picture'>): Primitive {
  return {
    kind: 'picture',
    source: from === 'library' ? { from: 'library', name: picture } : { from: 'slate', id: picture },
    box: boxOf(own),
    fit: 'within',
  }
}
