/** What tells groups apart beside their names: leaves of ten shapes, and a colour that never stands alone. */
export const LEAVES = ['oak', 'ash', 'hazel', 'maple', 'willow', 'ginkgo', 'holly', 'clover', 'ivy', 'birch'] as const
export type Leaf = (typeof LEAVES)[number]
/** A leaf, and for the eleventh group on a number behind it: `oak`, `oak-2`. */
export type Mark = Leaf | `${Leaf}-${number}`
export const MOST_GROUPS = 100

/**
 * Colours that people with any kind of colour vision can tell apart: M. Okabe and K. Ito, Color Universal Design
 * (2008), without black, and with yellow and sky blue darkened until a leaf stands out from chalk at 3 : 1 (values from
 * memory).
 */
export const GROUP_COLOURS = ['#0072B2', '#D55E00', '#009E73', '#A86A9A', '#8A6D00', '#2E7FA8', '#B26A00'] as const

/** The mark of the group with this number, counting from 0: no two of the first hundred are alike. */
export const markOf = (index: number): Mark => {
  const leaf = LEAVES[index % LEAVES.length]!
  const round = Math.floor(index / LEAVES.length) + 1
  return round === 1 ? leaf : `${leaf}-${round}`
}

const parts = (mark: string) => {
  const [name, round = '1'] = mark.split('-')
  return { leaf: LEAVES.find(leaf => leaf === name) ?? LEAVES[0], round: Number(round) || 1 }
}
export const leafOf = (mark: string): Leaf => parts(mark).leaf
/** The round of a mark beyond the first ten: shown as a number on its leaf; null for the first. */
export const roundOf = (mark: string): number | null => (parts(mark).round > 1 ? parts(mark).round : null)
export const colourOf = (mark: string): string => {
  const { leaf, round } = parts(mark)
  return GROUP_COLOURS[(LEAVES.indexOf(leaf) + 3 * (round - 1)) % GROUP_COLOURS.length]!
}

type Point = readonly [x: number, y: number]
const closed = (points: readonly Point[]) => `M${points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`
/** Round (16, 15), from the tip above clockwise. `radius` of an angle in radians. */
const around = (radius: (angle: number) => number, [wide, high]: Point = [1, 1], count = 90): string =>
  closed(
    Array.from({ length: count }, (_, i) => {
      const angle = (2 * Math.PI * i) / count
      const r = radius(angle)
      return [16 + wide * r * Math.sin(angle), 15 - high * r * Math.cos(angle)]
    }),
  )
const leaflet = ({
  x,
  y,
  angle,
  length,
  width,
}: {
  readonly x: number
  readonly y: number
  readonly angle: number
  readonly length: number
  readonly width: number
}): string =>
  closed(
    Array.from({ length: 16 }, (_, i) => {
      const turn = (2 * Math.PI * i) / 16
      const [along, across] = [(length / 2) * (1 + Math.cos(turn)), (width / 2) * Math.sin(turn)]
      return [
        x + along * Math.sin(angle) + across * Math.cos(angle),
        y - along * Math.cos(angle) + across * Math.sin(angle),
      ]
    }),
  )
const pairs = (ys: readonly number[], length: number, width: number) =>
  ys
    .map(y => leaflet({ x: 16, y, angle: 1.15, length, width }) + leaflet({ x: 16, y, angle: -1.15, length, width }))
    .join('')
/** From the lowest point of the blade. */
const stem = (from: number) =>
  closed([
    [15.2, from],
    [16.8, from],
    [16.8, 30],
    [15.2, 30],
  ])
const sharp = (angle: number, lobes: number) => Math.abs(Math.cos((lobes * angle) / 2)) ** 1.6

const DRAWN: Readonly<Record<Leaf, () => string>> = {
  oak: () => around(a => 9.6 + 2.4 * Math.cos(9 * a), [0.72, 1.15]) + stem(18),
  ash: () => pairs([10, 15.5, 21], 12, 4.6) + leaflet({ x: 16, y: 10, angle: 0, length: 9, width: 4.6 }) + stem(9),
  hazel: () => around(a => 11 + 0.9 * Math.cos(22 * a) + (a < 0.25 || a > 6.03 ? 2 : 0), [1, 1]) + stem(25),
  maple: () => around(a => 4.5 + 8.5 * sharp(a, 5), [1.05, 1.05], 140) + stem(20),
  willow: () =>
    leaflet({ x: 16, y: 28, angle: 0.16, length: 26, width: 6.5 })
    + leaflet({ x: 16, y: 26, angle: -0.5, length: 17, width: 4.5 })
    + leaflet({ x: 17, y: 26, angle: 0.85, length: 16, width: 4.5 }),
  holly: () => around(a => 8 + 5 * (1 - Math.abs(Math.sin(4.5 * a))) ** 2, [0.85, 1.15], 140) + stem(18),
  ginkgo: () =>
    closed([
      [16, 27],
      [3, 12],
      [6, 7],
      [11, 4.5],
      [15, 4],
      [16, 9],
      [17, 4],
      [21, 4.5],
      [26, 7],
      [29, 12],
    ]) + stem(25),
  clover: () =>
    [
      [16, 8.5],
      [9.3, 17],
      [22.7, 17],
    ]
      .map(([x, y]) =>
        closed(
          Array.from({ length: 24 }, (_, i) => [
            x! + 6.4 * Math.sin((Math.PI * i) / 12),
            y! + 6.4 * Math.cos((Math.PI * i) / 12),
          ]),
        ),
      )
      .join('') + stem(17),
  ivy: () =>
    closed([
      [16, 2],
      [20.5, 10],
      [29, 11],
      [23.5, 18],
      [25, 26],
      [16, 22.5],
      [7, 26],
      [8.5, 18],
      [3, 11],
      [11.5, 10],
    ]) + stem(22),
  birch: () =>
    closed([
      [16, 2],
      [26, 18],
      [22, 23],
      [16, 25],
      [10, 23],
      [6, 18],
    ]) + stem(24),
}
const paths: Partial<Record<Leaf, string>> = {}

/** A leaf's outline on a field of 32 by 32. */
export const leafPath = (leaf: Leaf): string => (paths[leaf] ??= DRAWN[leaf]())
