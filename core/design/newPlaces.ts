import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import type { Box, Size } from '../geometry/shape'
import { freeBox, HEADING_ROOM, SPACING } from './freeBox'

/** What a teacher can ask for; some make several places at once that belong together. */
export const PLACE_FORMS = [
  'rectangle',
  'ellipse',
  'polygon',
  'two-rings',
  'three-rings',
  'lane',
  'slots',
  'grid',
  'number-line',
  'timeline',
  'spectrum',
  'pin',
  'pans',
  'line',
  'lines',
  'number',
  'drawing',
] as const
export type PlaceForm = (typeof PLACE_FORMS)[number]

/** What students do there, in the order in which a teacher is asked. */
export const PLACE_TASKS = ['group', 'order', 'scale', 'point', 'balance', 'write', 'draw'] as const
export type PlaceTask = (typeof PLACE_TASKS)[number]
export const TASK_OF: Readonly<Record<PlaceForm, PlaceTask>> = {
  rectangle: 'group',
  ellipse: 'group',
  polygon: 'group',
  'two-rings': 'group',
  'three-rings': 'group',
  lane: 'order',
  slots: 'order',
  grid: 'order',
  'number-line': 'scale',
  timeline: 'scale',
  spectrum: 'scale',
  pin: 'point',
  pans: 'balance',
  line: 'write',
  lines: 'write',
  number: 'write',
  drawing: 'draw',
}

const TEXT_SIZE = 18

/**
 * New places in a free part of the page, or of the part of it that is given, as large as they usually are; where
 * nothing is free they lie over the rest, a little lower and further right for each place that is there. Headings stay
 * empty.
 */
export function newPlaces(form: PlaceForm, page: Page, fresh: () => PlaceId, part: Box = wholeOf(page)): Place[] {
  const at = (width: number, height: number) => freeBox(page, { width, height }, part)
  const common = () => ({ id: fresh(), heading: '' })
  const zone = (shape: Extract<Place, { kind: 'zone' }>['shape']): Place => ({ kind: 'zone', ...common(), shape })
  const scale = (step: string | null, least: string, most: string): Place => ({
    kind: 'scale',
    ...common(),
    shape: { kind: 'rectangle', ...at(part.width * 0.8, 96) },
    least,
    most,
    step,
    ...(step === null && { ends: ['', ''] }),
  })
  const writing = (lines: 'one' | 'many' | 'number', width: number, height: number): Place => ({
    kind: 'writing',
    ...common(),
    shape: { kind: 'rectangle', ...at(width, height) },
    lines,
    textSize: TEXT_SIZE,
  })
  const inRow = (count: number, width: number, height: number, gap: number) => {
    const row = at(count * width + (count - 1) * gap, height)
    // In a narrow part all of it is narrower.
    const by = row.width / (count * width + (count - 1) * gap)
    return Array.from({ length: count }, (_, i) => ({
      x: row.x + i * by * (width + gap),
      y: row.y,
      width: by * width,
      height: row.height,
    }))
  }
  switch (form) {
    case 'rectangle':
      return [zone({ kind: 'rectangle', ...at(240, 180) })]
    case 'ellipse':
      return [zone({ kind: 'ellipse', ...at(240, 200) })]
    case 'polygon': {
      const { x, y, width, height } = at(240, 200)
      return [
        zone({
          kind: 'polygon',
          points: [
            [0.5, 0],
            [1, 0.38],
            [0.81, 1],
            [0.19, 1],
            [0, 0.38],
          ].map(([px, py]) => ({ x: x + px! * width, y: y + py! * height })),
        }),
      ]
    }
    case 'two-rings':
      return rings(part, 2).map(shape => zone({ kind: 'ellipse', ...movedInto(part, shape) }))
    case 'three-rings':
      return rings(part, 3).map(shape => zone({ kind: 'ellipse', ...movedInto(part, shape) }))
    case 'lane':
      return [
        { kind: 'lane', ...common(), shape: { kind: 'rectangle', ...at(part.width * 0.8, 84) }, direction: 'row' },
      ]
    case 'slots':
      return inRow(3, 120, 72, 24).map(box => ({ kind: 'slot', ...common(), shape: { kind: 'rectangle', ...box } }))
    case 'grid':
      return [{ kind: 'grid', ...common(), shape: { kind: 'rectangle', ...at(420, 210) }, rows: 3, columns: 3 }]
    case 'number-line':
      return [scale('1', '0', '10')]
    case 'timeline':
      return [scale('10', '1900', '2000')]
    case 'spectrum':
      return [scale(null, '0', '1')]
    case 'pin':
      return [{ kind: 'pin', ...common(), shape: { kind: 'ellipse', ...at(32, 32) } }]
    case 'pans':
      return inRow(2, Math.min(320, part.width * 0.4), 180, 48).map(box => ({
        kind: 'pan',
        ...common(),
        shape: { kind: 'rectangle', ...box },
      }))
    case 'line':
      return [writing('one', 240, 40)]
    case 'lines':
      return [writing('many', 320, 132)]
    case 'number':
      return [writing('number', 110, 40)]
    case 'drawing':
      return [{ kind: 'drawing', ...common(), shape: { kind: 'rectangle', ...at(360, 240) } }]
  }
}

/** Rings that overlap by about a third, in the middle of the page, as large as it allows. */
export function rings(page: Size, count: 2 | 3): Box[] {
  const top = HEADING_ROOM
  const room = { width: page.width - 2 * SPACING, height: page.height - top - SPACING }
  if (count === 2) {
    const size = Math.min(room.height, room.width / 1.64)
    const width = Math.min(size * 1.25, room.width / 1.64)
    const x = (page.width - 1.64 * width) / 2
    return [0, 0.64 * width].map(shift => ({ x: x + shift, y: top + (room.height - size) / 2, width, height: size }))
  }
  // Two beside each other and the third below between them; each middle is 0.62 of a ring from the next.
  const size = Math.min(room.height / 1.54, room.width / 1.62)
  const width = Math.min(size * 1.35, room.width / 1.62)
  const x = (page.width - 1.62 * width) / 2
  return [
    [0, 0],
    [0.62, 0],
    [0.31, 0.54],
  ].map(([dx, dy]) => ({ x: x + dx! * width, y: top + dy! * size, width, height: size }))
}

const wholeOf = ({ width, height }: Page): Box => ({ x: 0, y: 0, width, height })
const movedInto = (part: Box, box: Box): Box => ({ ...box, x: part.x + box.x, y: part.y + box.y })
