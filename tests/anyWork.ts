import fc from 'fast-check'
import type { Board, Page } from '../core/board/board'
import type { PieceId } from '../core/board/ids'
import type { Point } from '../core/geometry/shape'
import { itemBox } from '../core/layout/itemBox'
import type { OnPage, SlateState, Stroke } from '../core/slate/state'

/** In hundredths of a point: floating numbers as they come are nearly all next to nought. */
const upTo = (most: number) => fc.integer({ min: 0, max: Math.floor(most * 100) }).map(n => n / 100)

/**
 * Where the middle of a piece may be that is meant for a place: anywhere in it, in its cells too, or about its edge.
 */
function spotsOn(page: Page): fc.Arbitrary<Point>[] {
  const items = page.places.flatMap(place =>
    place.kind === 'grid' ? [`${place.id}:1,1`, `${place.id}:0,2`, place.id] : [place.id],
  )
  const boxes = items.flatMap(item => itemBox(item, page) ?? [])
  return [
    fc.record({ x: upTo(page.width), y: upTo(page.height) }),
    ...boxes.flatMap(box => {
      const within = fc.record({ x: upTo(box.width), y: upTo(box.height) })
      return [
        within.map(({ x, y }) => ({ x: box.x + x, y: box.y + y })),
        within.map(({ y }) => ({ x: box.x, y: box.y + y })),
        fc.constant({ x: box.x + box.width / 2, y: box.y + box.height / 2 }),
      ]
    }),
  ]
}

/** Any work at all on a board: pieces anywhere, turned and flipped, copies of bins, any text, any ink, any arrows. */
export function anyWork(board: Board): fc.Arbitrary<SlateState> {
  const page = board.pages[0]!
  const ids = page.pieces.flatMap(p => (p.bin ? [`${p.id}~aaaa`, `${p.id}~bbbb`, `${p.id}~cccc`] : [p.id as string]))
  const x = upTo(page.width)
  const y = upTo(page.height)
  const spot = fc.oneof(
    { weight: 1, arbitrary: fc.record({ x, y }) },
    { weight: 3, arbitrary: fc.oneof(...spotsOn(page)) },
  )
  const turn = fc.oneof(
    { weight: 4, arbitrary: fc.constant(undefined) },
    fc.constantFrom(90, 180, 270),
    fc.integer({ min: 1, max: 359 }),
  )
  const lies = fc.record({ spot, z: fc.nat(99), turn }).map(({ spot: at, ...more }) => ({ ...at, ...more }))
  const spaces = page.places.flatMap(p =>
    p.kind === 'writing' ? [p.id as string] : p.kind === 'gaps' ? [`${p.id}:0`, `${p.id}:1`] : [],
  )
  const drawings = page.places.filter(p => p.kind === 'drawing').map(p => p.id)
  const record = <T>(names: readonly string[], value: fc.Arbitrary<T>) =>
    names.length ? fc.dictionary(fc.constantFrom(...names), value, { maxKeys: 40 }) : fc.constant({})
  const stroke = drawings.length
    ? fc.record({
        place: fc.constantFrom(...drawings),
        points: fc.array(fc.tuple(x, y), { minLength: 1, maxLength: 30 }),
      })
    : fc.constant(null)
  return fc.record({
    pieces: record(ids, lies) as fc.Arbitrary<Record<PieceId, OnPage>>,
    texts: record(
      spaces,
      fc.oneof(fc.string({ unit: 'grapheme', maxLength: 20 }), fc.constantFrom('1/0', '25 cm', '--', '٣', '1 m 2 kg')),
    ),
    strokes: fc
      .array(stroke, { maxLength: 4 })
      .map(all => Object.fromEntries(all.flatMap((s, i): [string, Stroke][] => (s ? [[`stroke-${i}`, s]] : [])))),
    arrows:
      ids.length > 1
        ? fc
            .array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...ids)), { maxLength: 6 })
            .map(all => Object.fromEntries(all.map(([a, b]) => [`${a}>${b}`, true as const])))
        : fc.constant({}),
    own: fc.constant({}),
    hints: fc.constant({}),
  })
}
