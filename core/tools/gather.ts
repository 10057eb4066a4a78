import type { Page } from '../board/board'
import { boxAround, boxOf } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import { common } from '../geometry/union'
import { printedHeading } from '../layout/headingBox'
import { ownMoved, type Own } from '../slate/own'

/** Words that somebody put on the page. */
export type Words = Extract<Own, { kind: 'text' | 'note' }>
export interface Written {
  readonly id: string
  readonly own: Words
}
export interface Gathering {
  /** Room for a heading over what is gathered. */
  readonly heading: Box
  /** Each where it lies now, in the order given. */
  readonly moved: readonly Written[]
}

/** Points. */
const GAP = 10
const HEADING: Size = { width: 180, height: 44 }
/** What says the same lies in one pile, each a little lower, so that it is seen how many they are. */
const PILE = 8
/** From one spot that is tried to the next; on a large page so far that there are no more than `MOST_SPOTS` a side. */
const STEP = 20
const MOST_SPOTS = 60
const RIM = 4
const MOST_COLUMNS = 8

/** What reads the same: case, spaces and a closing sign apart. */
const folded = (text: string) =>
  text
    .normalize('NFKC')
    .trim()
    .replace(/[.!?\s]+$/u, '')
    .replace(/\s+/g, ' ')
    .toLocaleLowerCase()

/**
 * Words gathered under a heading: in rows, what reads the same in one pile, where the least else lies (`others`,
 * printed headings, rims of places), as near the top and the left as there is such a spot. All of it stays on the
 * page; where there is no room beside what lies there, it lies over as little of it as can be. Null for nothing.
 */
export function gather(chosen: readonly Written[], page: Page, others: readonly Box[]): Gathering | null {
  if (chosen.length === 0) return null
  const there = [
    ...others,
    ...page.places.flatMap(place => [...rimsOf(boxOf(place)), printedHeading(place) ?? []].flat()),
  ]
  const piles = pilesOf(chosen)
  const sizes = piles.map(pile => ({
    width: Math.max(...pile.map(({ own }) => own.width)) + PILE * (pile.length - 1),
    height: Math.max(...pile.map(({ own }) => own.height)) + PILE * (pile.length - 1),
  }))
  const cell = { width: Math.max(...sizes.map(s => s.width)), height: Math.max(...sizes.map(s => s.height)) }
  const best = Array.from({ length: Math.min(MOST_COLUMNS, piles.length) }, (_, i) => i + 1)
    .map(columns => spotFor({ columns, size: blockSize(columns, piles.length, cell), page, others: there }))
    .toSorted((a, b) => a.covered - b.covered || a.longest - b.longest || a.y - b.y || a.x - b.x)[0]!
  const at = (pile: number) => ({
    x: best.x + (pile % best.columns) * (cell.width + GAP),
    y: best.y + HEADING.height + GAP + Math.floor(pile / best.columns) * (cell.height + GAP),
  })
  const moved = new Map(
    piles.flatMap((pile, i) =>
      pile.map(({ id, own }, turn) => {
        const x = at(i).x + own.width / 2 + turn * PILE
        const y = at(i).y + own.height / 2 + turn * PILE
        return [id, ownMoved(own, x - own.x, y - own.y, page) as Words] as const
      }),
    ),
  )
  return {
    heading: { x: best.x, y: best.y, width: Math.min(HEADING.width, page.width), height: HEADING.height },
    moved: chosen.map(({ id }) => ({ id, own: moved.get(id)! })),
  }
}

/** The rim of a place, as four narrow boxes: what is gathered lies within a place or outside it. */
const rimsOf = ({ x, y, width, height }: Box): Box[] => [
  { x, y, width, height: RIM },
  { x, y: y + height - RIM, width, height: RIM },
  { x, y, width: RIM, height },
  { x: x + width - RIM, y, width: RIM, height },
]

function pilesOf(chosen: readonly Written[]): Written[][] {
  const piles = new Map<string, Written[]>()
  for (const one of chosen) {
    const name = folded(one.own.text)
    piles.set(name, [...(piles.get(name) ?? []), one])
  }
  return [...piles.values()]
}

function blockSize(columns: number, piles: number, cell: Size): Size {
  const rows = Math.ceil(piles / columns)
  return {
    width: Math.max(HEADING.width, columns * (cell.width + GAP) - GAP),
    height: HEADING.height + rows * (cell.height + GAP),
  }
}

function spotFor({
  columns,
  size,
  page,
  others,
}: {
  readonly columns: number
  readonly size: Size
  readonly page: Size
  readonly others: readonly Box[]
}) {
  const beyond = Math.max(0, size.width - page.width) + Math.max(0, size.height - page.height)
  const step = Math.max(STEP, page.width / MOST_SPOTS, page.height / MOST_SPOTS)
  const spots = []
  for (let y = 0; y <= Math.max(0, page.height - size.height); y += step)
    for (let x = 0; x <= Math.max(0, page.width - size.width); x += step)
      spots.push({ x, y, covered: others.reduce((sum, box) => sum + covered(box, { x, y, ...size }), 0) })
  const best = spots.toSorted((a, b) => a.covered - b.covered || a.y - b.y || a.x - b.x)[0]!
  // What doesn't fit on the page is worse than whatever it would cover.
  return { ...best, covered: best.covered + beyond * page.width, columns, longest: Math.max(size.width, size.height) }
}

function covered(a: Box, b: Box): number {
  const both = common(a, b)
  return both ? both.width * both.height : 0
}

/** The box around words, whose x and y are their middle. */
export const boxOfWords = (own: Words): Box => boxAround(own, own)
