import type { Page } from '../board/board'
import type { PlaceId } from '../board/ids'
import type { Place } from '../board/place'
import { boxOf, overlaps } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import { HEADING_ROOM } from './places'

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

const STEP = 12
const TEXT_SIZE = 18

/**
 * New places in a free part of the page, as large as they usually are; where nothing is free they lie over the rest, a
 * little lower and further right for each place that is there. Headings stay empty.
 */
export function newPlaces(form: PlaceForm, page: Page, fresh: () => PlaceId): Place[] {
  const at = (width: number, height: number) => freeBox(page, { width, height })
  const common = () => ({ id: fresh(), heading: '' })
  const zone = (shape: Extract<Place, { kind: 'zone' }>['shape']): Place => ({ kind: 'zone', ...common(), shape })
  const scale = (step: string | null, least: string, most: string): Place => ({
    kind: 'scale',
    ...common(),
    shape: { kind: 'rectangle', ...at(page.width * 0.8, 96) },
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
  const row = (count: number, width: number, height: number, gap: number) => {
    const { x, y } = at(count * width + (count - 1) * gap, height)
    return Array.from({ length: count }, (_, i) => ({ x: x + i * (width + gap), y, width, height }))
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
      return rings(page, 2).map(shape => zone({ kind: 'ellipse', ...shape }))
    case 'three-rings':
      return rings(page, 3).map(shape => zone({ kind: 'ellipse', ...shape }))
    case 'lane':
      return [
        { kind: 'lane', ...common(), shape: { kind: 'rectangle', ...at(page.width * 0.8, 84) }, direction: 'row' },
      ]
    case 'slots':
      return row(3, 120, 72, 24).map(box => ({ kind: 'slot', ...common(), shape: { kind: 'rectangle', ...box } }))
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
      return row(2, Math.min(320, page.width * 0.4), 180, 48).map(box => ({
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
  const room = { width: page.width - 2 * STEP, height: page.height - top - STEP }
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

/** The first free spot from the top left for a box with its heading; over the rest where there is none. */
export function freeBox(page: Page, { width, height }: Size): Box {
  const size = {
    width: Math.min(width, page.width - 2 * STEP),
    height: Math.min(height, page.height - HEADING_ROOM - STEP),
  }
  const taken = page.places.map(place => {
    const box = boxOf(place)
    return {
      x: box.x - STEP,
      y: box.y - HEADING_ROOM,
      width: box.width + 2 * STEP,
      height: box.height + HEADING_ROOM + STEP,
    }
  })
  for (let y = HEADING_ROOM; y + size.height <= page.height - STEP; y += STEP) {
    for (let x = 2 * STEP; x + size.width <= page.width - STEP; x += STEP) {
      const box = { x, y, ...size }
      if (!taken.some(other => overlaps(other, box))) return box
    }
  }
  const shift = (page.places.length % 8) * STEP
  return {
    x: Math.min(2 * STEP + shift, page.width - size.width),
    y: Math.min(HEADING_ROOM + shift, page.height - size.height),
    ...size,
  }
}
