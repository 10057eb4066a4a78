import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import type { Place } from '../../../core/board/place'
import { boxOf, overlaps } from '../../../core/geometry/outline'
import { badgeSpot } from '../../../core/layout/badgeSpot'
import { printedHeading } from '../../../core/layout/headingBox'
import { placeId } from '../../boards'
import { box } from '../../keyBoards'

const writing = (id: string, y: number, heading = ''): Place => ({
  kind: 'writing',
  id: placeId(id),
  heading,
  lines: 'many',
  textSize: 16,
  shape: box(100, y, 300, 90),
})
const size = { width: 90, height: 22 }
const page = (...places: Place[]) => ({ places, width: 960, height: 540 })

describe('a badge of a place', () => {
  it('stands over it, or over its heading; where the next place is just above, beside it', () => {
    const [alone, headed] = [writing('a', 100), writing('b', 300, 'What did the harbour look like then?')]
    expect(badgeSpot(alone, size, page(alone))).toEqual({ x: 100, y: 76 })
    const over = badgeSpot(headed, size, page(headed))
    expect(overlaps(printedHeading(headed)!, { ...over, ...size })).toBe(false)
    const below = writing('c', 194)
    expect(badgeSpot(below, size, page(alone, below)).y).toBe(286)
    expect(badgeSpot(below, size, page(alone, below, writing('d', 288)))).toEqual({ x: 402, y: 194 })
  })

  it('lies on no place and no heading, wherever places stand, unless there is no spot around its own', () => {
    const at = fc.record({ x: fc.nat(600), y: fc.nat(420), named: fc.boolean() })
    fc.assert(
      fc.property(fc.array(at, { minLength: 1, maxLength: 6 }), fc.boolean(), (all, atRight) => {
        const places = all.map(({ x, y, named }, i) => ({
          ...writing(`p${i}`, y, named ? 'Harbour' : ''),
          shape: box(x, y, 200, 90),
        })) as Place[]
        for (const place of places) {
          const badge = { ...badgeSpot(place, size, page(...places), atRight), ...size }
          const within = badge.y === boxOf(place).y + 90 - size.height - 2
          const hit = [...places.map(boxOf), ...places.flatMap(one => printedHeading(one) ?? [])]
          if (!within) expect(hit.some(other => overlaps(other, badge))).toBe(false)
        }
      }),
    )
  })
})
