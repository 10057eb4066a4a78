import type { Page } from '../board/board'
import { bounds, outline } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { layoutGaps } from './gaps'

/**
 * Where on a page a place, a cell or gap of one ("place:row,column", "place:gap"), or a fixed figure is; null for what
 * isn't there.
 */
export function itemBox(item: string, page: Page): Box | null {
  const [id, cell] = item.split(':')
  const place = page.places.find(p => p.id === id)
  const shape = place?.shape ?? page.backdrop.figures?.find(f => f.id === id)?.shape
  if (!shape) return null
  const room = bounds(outline(shape))
  if (!cell || !place) return room
  const numbers = cell.split(',').map(Number)
  if (place.kind === 'gaps') return layoutGaps(place).gaps[numbers.at(-1)!] ?? null
  if (place.kind !== 'grid') return room
  const [width, height] = [room.width / place.columns, room.height / place.rows]
  return { x: room.x + numbers[1]! * width, y: room.y + numbers[0]! * height, width, height }
}
