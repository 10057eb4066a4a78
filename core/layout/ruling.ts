import type { Ruling } from '../board/backdrop'
import type { Box, Point, Size } from '../geometry/shape'

export interface RuledLine {
  readonly from: Point
  readonly to: Point
  readonly strong?: true
  readonly dashed?: true
}
export interface Ruled {
  readonly lines: readonly RuledLine[]
  readonly dots: readonly Point[]
  /** The numbers at a pair of axes: the middle of each. */
  readonly numbers: readonly { readonly at: Point; readonly text: string }[]
}

/** Points. Nothing is printed nearer to the edge of the page, but for squares, dots and plain lines. */
const MARGIN = 28
/** Between two sets of handwriting lines, and between two staves, in spacings. */
const BETWEEN = { handwriting: 1, staves: 4 } as const
const NONE: Ruled = { lines: [], dots: [], numbers: [] }

/**
 * What is printed for a ruling, in points of the page. `spacing` is: the side of a square; from dot to dot; from line
 * to line; of handwriting guides the height of small letters (the lines above and below stand as far from it again:
 * four lines in all, the writing line strong, the middle one dashed); the side of the isometric triangles; one unit of
 * the axes; from line to line of a stave of five. Common practice, no source.
 */
export function ruled(ruling: Ruling, page: Size): Ruled {
  const { spacing } = ruling
  switch (ruling.kind) {
    case 'none':
      return NONE
    case 'squares':
      return {
        ...NONE,
        lines: [
          ...steps(spacing, page.width, spacing).map(x => upright(x, 0, page.height)),
          ...steps(spacing, page.height, spacing).map(y => level(y, 0, page.width)),
        ],
      }
    case 'dots':
      return {
        ...NONE,
        dots: steps(spacing, page.height, spacing).flatMap(y =>
          steps(spacing, page.width, spacing).map(x => ({ x, y })),
        ),
      }
    case 'lines':
      return { ...NONE, lines: steps(spacing, page.height, spacing).map(y => level(y, 0, page.width)) }
    case 'handwriting':
      return { ...NONE, lines: handwriting(spacing, page) }
    case 'isometric':
      return { ...NONE, lines: isometric(spacing, page) }
    case 'axes':
      return axes(spacing, page)
    case 'staves':
      return { ...NONE, lines: staves(spacing, page) }
  }
}

const level = (y: number, from: number, to: number): RuledLine => ({ from: { x: from, y }, to: { x: to, y } })
const upright = (x: number, from: number, to: number): RuledLine => ({ from: { x, y: from }, to: { x, y: to } })
/** From the first on, as long as it is before the end. */
function steps(first: number, end: number, by: number): number[] {
  return Array.from({ length: Math.max(0, Math.ceil((end - first) / by - 1e-9)) }, (_, i) => first + i * by)
}

/** The tops of sets of so many spacings that fit between the margins, with room between them. */
function tops(spacing: number, spaces: number, between: number, page: Size): number[] {
  return steps(MARGIN, page.height - MARGIN - spaces * spacing + 1e-6, (spaces + between) * spacing)
}

function handwriting(spacing: number, page: Size): RuledLine[] {
  return tops(spacing, 3, BETWEEN.handwriting, page).flatMap((top): RuledLine[] => {
    const line = (n: number) => level(top + n * spacing, MARGIN, page.width - MARGIN)
    return [line(0), { ...line(1), dashed: true }, { ...line(2), strong: true }, line(3)]
  })
}

function staves(spacing: number, page: Size): RuledLine[] {
  return tops(spacing, 4, BETWEEN.staves, page).flatMap(top =>
    [0, 1, 2, 3, 4].map(n => level(top + n * spacing, MARGIN, page.width - MARGIN)),
  )
}

/** Upright lines, and lines that rise and fall by 30°: triangles with equal sides. */
function isometric(side: number, page: Size): RuledLine[] {
  const across = (side * Math.sqrt(3)) / 2
  const slope = Math.tan(Math.PI / 6)
  const rise = page.width * slope
  // Both meet the left edge at whole sides, so that the three kinds of lines cross in the same points.
  const rising = steps(0, page.height + rise, side).map(y =>
    cutTo(page, { from: { x: 0, y }, to: { x: page.width, y: y - rise } }),
  )
  const first = -Math.ceil(rise / side) * side
  const falling = steps(first, page.height, side).map(y =>
    cutTo(page, { from: { x: 0, y }, to: { x: page.width, y: y + rise } }),
  )
  const slanted = [...rising, ...falling]
  return [
    ...steps(across, page.width, across).map(x => upright(x, 0, page.height)),
    ...slanted.flatMap(line => line ?? []),
  ]
}

/** The part of a line that rises or falls steadily from left to right which lies on the page; null for none. */
function cutTo(page: Size, { from, to }: RuledLine): RuledLine | null {
  const at = (y: number) => from.x + ((y - from.y) / (to.y - from.y)) * (to.x - from.x)
  const [a, b] = [at(0), at(page.height)].toSorted((p, q) => p - q) as [number, number]
  const [left, right] = [Math.max(from.x, a), Math.min(to.x, b)]
  if (right - left < 1e-6) return null
  const point = (x: number) => ({ x, y: from.y + ((x - from.x) / (to.x - from.x)) * (to.y - from.y) })
  return { from: point(left), to: point(right) }
}

/** The part of the page that the axes take, and where they cross: whole units on all sides of the middle. */
export function axesBox(spacing: number, page: Size): Box & { readonly origin: Point } {
  const units = (length: number) => Math.max(1, Math.floor((length / 2 - MARGIN) / spacing))
  const [across, down] = [units(page.width), units(page.height)]
  const origin = { x: page.width / 2, y: page.height / 2 }
  return {
    x: origin.x - across * spacing,
    y: origin.y - down * spacing,
    width: 2 * across * spacing,
    height: 2 * down * spacing,
    origin,
  }
}

function axes(spacing: number, page: Size): Ruled {
  const box = axesBox(spacing, page)
  const { origin } = box
  const [right, foot] = [box.x + box.width, box.y + box.height]
  // Where a number for each unit would run into the next, only every second or fifth has one.
  const every = spacing >= 22 ? 1 : spacing >= 12 ? 2 : 5
  const units = (half: number) => steps(every, half / spacing + 0.5, every).flatMap(n => [n, -n])
  const sign = (n: number) => (n < 0 ? `−${-n}` : String(n))
  return {
    dots: [],
    lines: [
      ...steps(box.x, right + 0.01, spacing).map(x => upright(x, box.y, foot)),
      ...steps(box.y, foot + 0.01, spacing).map(y => level(y, box.x, right)),
      { ...level(origin.y, box.x, right), strong: true },
      { ...upright(origin.x, box.y, foot), strong: true },
    ],
    numbers: [
      ...units(box.width / 2).map(n => ({ at: { x: origin.x + n * spacing, y: origin.y + 9 }, text: sign(n) })),
      ...units(box.height / 2).map(n => ({ at: { x: origin.x - 10, y: origin.y - n * spacing }, text: sign(n) })),
    ],
  }
}
