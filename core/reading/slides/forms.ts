import type { Box, Shape } from '../../geometry/shape'

type Corners = readonly (readonly [x: number, y: number])[]
/** Corners of a form in a box of this size; ratios as preset shapes have by default (ECMA-376 part 1, 20.1.9.18). */
type Form = (w: number, h: number) => Corners

/** A regular outline of so many corners that touches its box at all sides, one corner at the top where `up` says so. */
const regular = (corners: number): Form => {
  const unit = Array.from({ length: corners }, (_, i) => {
    const angle = -Math.PI / 2 + (2 * Math.PI * i) / corners
    return [Math.cos(angle), Math.sin(angle)] as const
  })
  return fitted(unit)
}
const star = (points: number, inner: number): Form =>
  fitted(
    Array.from({ length: 2 * points }, (_, i) => {
      const angle = -Math.PI / 2 + (Math.PI * i) / points
      const reach = i % 2 ? inner : 1
      return [reach * Math.cos(angle), reach * Math.sin(angle)] as const
    }),
  )

function fitted(unit: Corners): Form {
  const [xs, ys] = [unit.map(([x]) => x), unit.map(([, y]) => y)]
  const [left, top] = [Math.min(...xs), Math.min(...ys)]
  const [across, down] = [Math.max(...xs) - left, Math.max(...ys) - top]
  return (w, h) => unit.map(([x, y]) => [((x - left) / across) * w, ((y - top) / down) * h])
}

const arrowRight: Form = (w, h) => {
  const neck = Math.max(0, w - Math.min(w, h) / 2)
  return [
    [0, h / 4],
    [neck, h / 4],
    [neck, 0],
    [w, h / 2],
    [neck, h],
    [neck, (3 * h) / 4],
    [0, (3 * h) / 4],
  ]
}
const mirrored =
  (form: Form): Form =>
  (w, h) =>
    form(w, h).map(([x, y]) => [w - x, y])
const upended =
  (form: Form): Form =>
  (w, h) =>
    form(h, w).map(([x, y]) => [y, x])
const flipped =
  (form: Form): Form =>
  (w, h) =>
    form(w, h).map(([x, y]) => [x, h - y])
const arrowDown = upended(arrowRight)
const slant = (w: number, h: number) => Math.min(w, h) / 4

const FORMS = {
  triangle: (w, h) => [
    [w / 2, 0],
    [w, h],
    [0, h],
  ],
  rightTriangle: (w, h) => [
    [0, 0],
    [w, h],
    [0, h],
  ],
  diamond: (w, h) => [
    [w / 2, 0],
    [w, h / 2],
    [w / 2, h],
    [0, h / 2],
  ],
  parallelogram: (w, h) => [
    [slant(w, h), 0],
    [w, 0],
    [w - slant(w, h), h],
    [0, h],
  ],
  trapezoid: (w, h) => [
    [slant(w, h), 0],
    [w - slant(w, h), 0],
    [w, h],
    [0, h],
  ],
  pentagon: regular(5),
  hexagon: (w, h) => [
    [slant(w, h), 0],
    [w - slant(w, h), 0],
    [w, h / 2],
    [w - slant(w, h), h],
    [slant(w, h), h],
    [0, h / 2],
  ],
  octagon: (w, h) => {
    const cut = 0.29289 * Math.min(w, h)
    return [
      [cut, 0],
      [w - cut, 0],
      [w, cut],
      [w, h - cut],
      [w - cut, h],
      [cut, h],
      [0, h - cut],
      [0, cut],
    ]
  },
  plus: (w, h) => {
    const arm = slant(w, h)
    return [
      [arm, 0],
      [w - arm, 0],
      [w - arm, arm],
      [w, arm],
      [w, h - arm],
      [w - arm, h - arm],
      [w - arm, h],
      [arm, h],
      [arm, h - arm],
      [0, h - arm],
      [0, arm],
      [arm, arm],
    ]
  },
  star4: star(4, 0.382),
  star5: star(5, 0.382),
  star6: star(6, 0.577),
  arrowRight,
  arrowLeft: mirrored(arrowRight),
  arrowDown,
  arrowUp: flipped(arrowDown),
  arrowBoth: (w, h) => {
    const head = Math.min(w, h) / 2
    return [
      [0, h / 2],
      [head, 0],
      [head, h / 4],
      [w - head, h / 4],
      [w - head, 0],
      [w, h / 2],
      [w - head, h],
      [w - head, (3 * h) / 4],
      [head, (3 * h) / 4],
      [head, h],
    ]
  },
  tag: (w, h) => [
    [0, 0],
    [w - Math.min(w, h) / 2, 0],
    [w, h / 2],
    [w - Math.min(w, h) / 2, h],
    [0, h],
  ],
  chevron: (w, h) => [
    [0, 0],
    [w - Math.min(w, h) / 2, 0],
    [w, h / 2],
    [w - Math.min(w, h) / 2, h],
    [0, h],
    [Math.min(w, h) / 2, h / 2],
  ],
} satisfies Record<string, Form>
export type FormName = keyof typeof FORMS | 'rectangle' | 'ellipse'

/** A form in its box, mirrored where it is so. A box without an extent in one direction gets a little. */
export function formIn(
  { x, y, width: w, height: h }: Box,
  name: FormName,
  mirror: { across?: boolean; down?: boolean } = {},
): Shape {
  const box = { x, y, width: Math.max(w, LEAST), height: Math.max(h, LEAST) }
  if (name === 'rectangle' || name === 'ellipse') return { kind: name, ...box }
  const points = (FORMS[name] as Form)(box.width, box.height).map(([px, py]) => ({
    x: x + (mirror.across ? box.width - px : px),
    y: y + (mirror.down ? box.height - py : py),
  }))
  return { kind: 'polygon', points }
}
/** Points: less than this is no extent. */
export const LEAST = 0.5

/** The forms of the preset shapes of Office Open XML (ECMA-376 part 1, 20.1.10.56) that come near enough. */
export const PRESETS: Readonly<Record<string, FormName>> = {
  rect: 'rectangle',
  roundRect: 'rectangle',
  flowChartProcess: 'rectangle',
  flowChartAlternateProcess: 'rectangle',
  round2SameRect: 'rectangle',
  snip1Rect: 'rectangle',
  ellipse: 'ellipse',
  flowChartConnector: 'ellipse',
  triangle: 'triangle',
  rtTriangle: 'rightTriangle',
  diamond: 'diamond',
  flowChartDecision: 'diamond',
  parallelogram: 'parallelogram',
  flowChartInputOutput: 'parallelogram',
  trapezoid: 'trapezoid',
  pentagon: 'pentagon',
  hexagon: 'hexagon',
  octagon: 'octagon',
  plus: 'plus',
  mathPlus: 'plus',
  star4: 'star4',
  star5: 'star5',
  star6: 'star6',
  rightArrow: 'arrowRight',
  leftArrow: 'arrowLeft',
  upArrow: 'arrowUp',
  downArrow: 'arrowDown',
  leftRightArrow: 'arrowBoth',
  homePlate: 'tag',
  chevron: 'chevron',
}
