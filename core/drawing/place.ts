import type { Page } from '../board/board'
import type { Gaps, Grid, Lane, Place, Scale, Writing } from '../board/place'
import { boxOf } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { layoutGaps } from '../layout/gaps'
import { badgeSpot } from '../layout/badgeSpot'
import { HEADING_GAP, HEADING_SIZE, headingLines } from '../layout/headingBox'
import { scaleMarks } from '../layout/scaleMarks'
import { baselineShift, LINE_HEIGHT } from '../text/measure'
import type { Colour } from './palette'
import {
  boxPath,
  circlePath,
  polyline,
  shapePath,
  to3,
  type PathPrimitive,
  type Primitive,
  type Stroke,
} from './primitive'

/** *lit*: something held would land here. *clear*: its ground lets through the colour that lies under it. */
export interface PlaceLook {
  readonly lit: boolean
  readonly clear: boolean
}

const PRINTED_SIZE = 16
const PART_SIZE = 13
const PLATE = { width: 34, height: 20 }
const DASHED: Stroke = { colour: 'outline', width: 1.6, dash: [7, 5] }

/** Words of a heading, the ground with its outline, and what is printed inside. Whose part it is stands apart. */
export function drawPlace(place: Place, look: PlaceLook): Primitive[] {
  const box = boxOf(place)
  return [...drawHeading(place, box), drawGround(place, look), ...drawInside(place, box, look)]
}

/** The outline of a zone once more, over the ground of another that lies on it: it would be veiled else. */
export const drawVeiledOutline = (place: Place): Primitive[] => [{ kind: 'path', d: outlineOf(place), stroke: DASHED }]

const outlineOf = (place: Place) =>
  shapePath(place.shape, place.kind === 'grid' ? 2 : place.kind === 'writing' ? 5 : 10)

function drawHeading(place: Place, box: Box): Primitive[] {
  const lines = headingLines(place)
  return lines.map((text, i) => ({
    kind: 'text',
    text,
    x: box.x + box.width / 2,
    y: box.y - HEADING_GAP - (lines.length - 1 - i) * HEADING_SIZE,
    size: HEADING_SIZE,
    bold: true,
    anchor: 'middle',
    fill: 'line',
  }))
}

/** Dashes say "put it here"; a scale and a lane have lines of their own. */
function drawGround(place: Place, { lit, clear }: PlaceLook): PathPrimitive {
  const d = outlineOf(place)
  if (lit) {
    const opacity = place.kind === 'gaps' ? 0 : 0.9
    return { kind: 'path', d, fill: 'light', opacity, stroke: { colour: 'lightEdge', width: 2.5 } }
  }
  const open = place.kind === 'gaps' || place.kind === 'drawing' || clear || place.clear === true
  const dashed = place.kind === 'zone' || place.kind === 'slot' || place.kind === 'pan'
  const bare = place.kind === 'scale' || place.kind === 'gaps'
  return {
    kind: 'path',
    d,
    fill: 'ground',
    opacity: open ? 0 : place.kind === 'writing' ? 0.8 : 0.45,
    ...(!bare && { stroke: dashed ? DASHED : { colour: place.kind === 'drawing' ? 'faint' : 'outline', width: 1.6 } }),
  }
}

/** Whose part of the page it is: a small plate with a person and a number, over the place and not on what is in it. */
export function drawPart(place: Place, page: Pick<Page, 'places' | 'width' | 'height'>): Primitive[] {
  if (!place.part) return []
  const spot = badgeSpot(place, PLATE, page)
  const [x, y] = [spot.x + 10, spot.y + 10]
  return [
    { kind: 'path', d: boxPath({ ...spot, ...PLATE }, 10), fill: 'ground', stroke: { colour: 'join', width: 1.4 } },
    { kind: 'path', d: circlePath({ x: x - 1, y: y - 2.5 }, 3), fill: 'join' },
    { kind: 'path', d: `M${to3(x - 6.5)} ${to3(y + 6.5)}a5.5 4.5 0 0 1 11 0Z`, fill: 'join' },
    {
      kind: 'text',
      text: String(place.part),
      x: x + 14,
      y: y + baselineShift(PART_SIZE),
      size: PART_SIZE,
      bold: true,
      anchor: 'middle',
      fill: 'ink',
    },
  ]
}

function drawInside(place: Place, box: Box, { lit }: PlaceLook): Primitive[] {
  switch (place.kind) {
    case 'scale':
      return drawScale(place)
    case 'grid':
      return drawGrid(place, box)
    case 'lane':
      return drawLane(place, box)
    case 'writing':
      return drawWritingLines(place, box)
    case 'gaps':
      return drawGaps(place, lit)
    case 'pin':
      return [{ kind: 'path', d: circlePath({ x: box.x + box.width / 2, y: box.y + box.height / 2 }, 4), fill: 'line' }]
    case 'zone':
    case 'slot':
    case 'pan':
    case 'drawing':
      return []
  }
}

const SCALE_SIZE = 15

function drawScale(scale: Scale): Primitive[] {
  const { x, y, width, height } = scale.shape
  const lying = width >= height
  const line = lying ? y + height - 30 : x + 40
  const at = (share: number) => (lying ? x + share * width : y + (1 - share) * height)
  const stroke = (from: readonly [number, number], to: readonly [number, number], thick: number): PathPrimitive => ({
    kind: 'path',
    d: polyline([from, to].map(([along, across]) => (lying ? { x: along, y: across } : { x: across, y: along }))),
    stroke: { colour: 'line', width: thick },
  })
  return [
    stroke([at(0), line], [at(1), line], 2.5),
    ...scaleMarks(scale, SCALE_SIZE).flatMap((mark): Primitive[] => {
      const half = !lying ? 5 : mark.text ? 7 : 4
      const spot = at(mark.share)
      const tick = stroke([spot, line - half], [spot, line + half], 1.8)
      if (!mark.text) return [tick]
      const words = { kind: 'text', text: mark.text, size: SCALE_SIZE, fill: 'line' } as const
      return [
        tick,
        lying
          ? { ...words, x: spot, y: line + 23, ...(mark.anchor !== 'start' && { anchor: mark.anchor }) }
          : { ...words, x: line - 9, y: spot + 5, anchor: 'end' },
      ]
    }),
  ]
}

/** The lines between the cells of a grid, and what is printed in them. */
function drawGrid({ rows, columns, printed }: Grid, { x, y, width, height }: Box): Primitive[] {
  const across = Array.from(
    { length: rows - 1 },
    (_, i) => `M${to3(x)} ${to3(y + ((i + 1) * height) / rows)}h${to3(width)}`,
  )
  const down = Array.from(
    { length: columns - 1 },
    (_, i) => `M${to3(x + ((i + 1) * width) / columns)} ${to3(y)}v${to3(height)}`,
  )
  const d = [...across, ...down].join('')
  return [
    ...(d ? [{ kind: 'path' as const, d, stroke: { colour: 'outline' as const, width: 1.6 } }] : []),
    ...(printed ?? []).flatMap((text, i) =>
      text
        ? [
            {
              kind: 'text' as const,
              text,
              x: x + (((i % columns) + 0.5) * width) / columns,
              y: y + ((Math.floor(i / columns) + 0.5) * height) / rows + baselineShift(PRINTED_SIZE),
              size: PRINTED_SIZE,
              anchor: 'middle' as const,
              fill: 'ink' as const,
            },
          ]
        : [],
    ),
  ]
}

/** A small arrow in the corner where a lane begins. */
function drawLane({ direction, fromRight }: Lane, { x, y, width }: Box): Primitive[] {
  const arrow = (): string => {
    if (direction === 'column') return `M${to3(x + 14)} ${to3(y + 10)}v22m-6 -7l6 7l6 -7`
    return fromRight
      ? `M${to3(x + width - 10)} ${to3(y + 14)}h-22m7 -6l-7 6l7 6`
      : `M${to3(x + 10)} ${to3(y + 14)}h22m-7 -6l7 6l-7 6`
  }
  return [{ kind: 'path', d: arrow(), stroke: { colour: 'faint', width: 3, ends: 'round', corners: 'round' } }]
}

/** Lines to write on. */
function drawWritingLines({ lines, textSize }: Writing, { x, y, width, height }: Box): Primitive[] {
  const step = textSize * LINE_HEIGHT
  const many = lines === 'many'
  const count = many ? Math.max(1, Math.floor((height - 12) / step)) : 1
  const d = Array.from(
    { length: count },
    (_, i) => `M${to3(x + 8)} ${to3(many ? y + 8 + (i + 1) * step : y + height - 7)}h${to3(width - 16)}`,
  ).join('')
  return [{ kind: 'path', d, stroke: { colour: 'faint', width: 1.2 } }]
}

/** Words and gaps stand on the page itself; the room around them is no frame. */
function drawGaps(place: Gaps, lit: boolean): Primitive[] {
  const { words, gaps, textSize: size, fromRight } = layoutGaps(place)
  const edge: Colour = lit ? 'lightEdge' : 'outline'
  return [
    ...words.map(word => ({
      kind: 'text' as const,
      text: word.text,
      x: fromRight ? word.x + word.width : word.x,
      y: word.y + baselineShift(size),
      size,
      fill: 'ink' as const,
      ...(fromRight && { fromRight: true as const }),
    })),
    ...gaps.map(gap => ({
      kind: 'path' as const,
      d: boxPath(gap, 6),
      fill: 'ground' as const,
      opacity: lit ? 0.95 : 0.8,
      stroke: { colour: edge, width: 1.6, ...(!place.typed && { dash: [6, 4] as const }) },
    })),
  ]
}
