import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { Tool } from '~~/core/board/tools'
import { writtenSpots } from '~~/core/layout/written'
import type { Size } from '~~/core/geometry/shape'
import { TEXT_SIZES, toolsAnywhereOn } from '~~/core/slate/own'

const FRAME = 18
const LEDGE_PADDING = 34
const GAP = 10
const BETWEEN = 12
const MOST_ROWS = 4
/**
 * CSS pixels. Where pieces would be lower than this for a finger, first the ledge gets one row, then the page is looked
 * at more closely than it fits: it can be pushed about, and seen as a whole. A mouse needs less.
 */
const FINGER = 44
const MOUSE = 24
/** CSS pixels: what its room may be larger by, since it is rounded up to whole ones on each side. */
const ROUNDED = 2
/**
 * So much of that is enough where it shows the whole page at once; for a finger still half as high again as WCAG 2.5.8
 * asks for.
 */
const STILL_CAUGHT = 36 / 44
/** CSS pixels. The same where words that students read or write would be smaller than this, as on a phone. */
const READABLE = 12
/** CSS pixels: small, but read, where that shows the whole page at once. */
const STILL_READ = 10
/** Nearer to the whole page than this is the whole page. */
const NEARLY_WHOLE = 1.02
const LARGEST = 2.2
const SMALLEST = 0.2
/** Tools whose things are read. */
const WORDED: ReadonlySet<Tool> = new Set(['write', 'note'])

/**
 * How page and ledge share the room, in CSS pixels for a point: `scale` is that of the ledge, and that at which the
 * page can be read and caught; `whole` that at which all of the page is seen; `closer` says how much there is between.
 * It depends on the room and the board only, not on where the pieces are, so that nothing jumps while somebody works.
 */
export function useStageSize({
  room,
  page,
  edition,
  editable,
  steady,
  ledge,
  endWidth,
  barHeight,
}: {
  readonly room: Ref<HTMLElement | null>
  readonly page: () => Page
  readonly edition: () => Edition
  readonly editable: () => boolean
  /** The page is whole and as large whatever may be done on it. */
  readonly steady: () => boolean
  /** Where no ledge stands below it, the page has all of the room. */
  readonly ledge: () => boolean
  readonly endWidth: () => number
  readonly barHeight: () => number
}) {
  const { width, height } = useElementSize(room)
  const byFinger = useMediaQuery('(any-pointer: coarse)')
  return computed(() => {
    const { width: pageWidth, height: pageHeight } = page()
    const share = ledgeShare(page(), edition())
    const sizes = (ledge() ? page().pieces : []).map(piece => {
      const { kind, width: w, height: h, textSize } = edition().pieces.get(piece.id)!.master
      return {
        kind,
        width: w * share(piece.id),
        height: h * share(piece.id),
        textSize: piece.text ? textSize : Infinity,
      }
    })
    const highest = Math.max(0, ...sizes.map(s => s.height))
    // Tiles are as large as their values, however small; they get room to be caught around them instead.
    const cards = sizes.filter(s => s.kind !== 'tile')
    const letters = [
      ...cards.map(s => s.textSize),
      ...writtenSpots(page()).map(spot => spot.textSize),
      ...(toolsAnywhereOn(edition().board, page()).some(tool => WORDED.has(tool)) ? [TEXT_SIZES.medium] : []),
    ]
    const leastFor = (hand: number, letter: number) =>
      editable() && !steady()
        ? Math.max(0, ...cards.map(s => hand / s.height), ...letters.map(size => letter / size))
        : 0
    const hand = byFinger.value ? FINGER : MOUSE
    const [least, leastWhole] = [leastFor(hand, READABLE), leastFor(hand * STILL_CAUGHT, STILL_READ)]
    // What students take up is as large as a finger on the ledge, however small it is drawn.
    const caught = editable() || steady() ? FINGER + ROUNDED : 0
    const rowAt = (scale: number) => Math.max(highest * scale, caught)
    const layout = (rows: number) => {
      const across = (width.value - FRAME) / pageWidth
      const below = ledge() ? BETWEEN + LEDGE_PADDING + rows * GAP : 0
      const free = height.value - barHeight() - FRAME - below
      const drawn = free / (pageHeight + rows * highest)
      const down = highest * drawn < caught ? (free - rows * caught) / pageHeight : drawn
      const fit = Math.max(Math.min(across, down, LARGEST), SMALLEST)
      const scale = fit >= leastWhole ? fit : Math.max(fit, least)
      const ledgeHeight = sizes.length ? rows * (rowAt(scale) + GAP) + LEDGE_PADDING : 0
      const above = height.value - barHeight() - FRAME - (ledge() ? BETWEEN + ledgeHeight : 0)
      const whole = Math.max(Math.min(across, above / pageHeight, scale), SMALLEST)
      const closer = scale > whole * NEARLY_WHOLE ? scale / whole : 1
      return { scale, whole, closer, fits: Math.min(down, LARGEST) >= scale, ledgeHeight }
    }
    const holds = (rows: number, { scale }: ReturnType<typeof layout>) =>
      sizes.reduce((sum, s) => sum + Math.max(s.width * scale, caught), 0)
        + sizes.length * GAP
        + rows * (40 + endWidth())
      <= rows * Math.min(width.value, pageWidth * scale + FRAME)
    const one = layout(1)
    if (holds(1, one)) return one
    let chosen = layout(2)
    if (!chosen.fits) return one
    // More rows only where they cost the page nothing, as on a phone that is held upright.
    for (let rows = 3; rows <= MOST_ROWS && !holds(rows - 1, chosen); rows++) {
      const more = layout(rows)
      if (!more.fits || more.scale < chosen.scale) break
      chosen = more
    }
    return chosen
  })
}

/**
 * CSS pixels on each side of what is drawn so large on the ledge, so that a finger catches it there: whole ones, for
 * browsers round parts of one down.
 */
export const fingerPadding = ({ width, height }: Size) =>
  [height, width].map(size => `${Math.max(0, Math.ceil((FINGER - size) / 2))}px`).join(' ')

/** Around a small tile, so much that a finger catches it; in the page's own points. */
export function fingerRoom({ width, height }: Size, scale: number) {
  const [w, h] = [Math.max(width, FINGER / scale), Math.max(height, FINGER / scale)]
  return { x: -w / 2, y: -h / 2, width: w, height: h }
}
