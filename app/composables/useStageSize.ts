import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'

const FRAME = 18
const LEDGE_PADDING = 34
const GAP = 10
const BETWEEN = 12
const MOST_ROWS = 2
/** Below this the page is no longer made to fit the window: it keeps the size that fingers need, and can be pushed about. */
const SMALLEST_FIT = 0.9
const LARGEST = 2.2

/**
 * One scale (CSS pixels for a point) at which page and ledge share the room, and how high the ledge is. It depends on
 * the room and the board only, not on where the pieces are, so that nothing jumps while somebody works.
 */
export function useStageSize(room: Ref<HTMLElement | null>, page: () => Page, edition: () => Edition, editable: () => boolean) {
  const { width, height } = useElementSize(room)
  return computed(() => {
    const { width: pageWidth, height: pageHeight } = page()
    const sizes = page().pieces.map(piece => edition().pieces.get(piece.id)!.master)
    const highest = Math.max(0, ...sizes.map(s => s.height))
    const all = sizes.reduce((sum, s) => sum + s.width, 0)
    const layout = (rows: number) => {
      const across = (width.value - FRAME) / pageWidth
      const down = (height.value - FRAME - BETWEEN - LEDGE_PADDING - rows * GAP) / (pageHeight + rows * highest)
      const fit = Math.min(across, down, LARGEST)
      const scale = Math.max(fit, editable() && fit < SMALLEST_FIT ? 1 : 0.2)
      return { scale, rows, ledgeHeight: sizes.length ? rows * (highest * scale + GAP) + LEDGE_PADDING : 0, room: width.value }
    }
    const one = layout(1)
    return all * one.scale + sizes.length * GAP + 40 > width.value && sizes.length ? layout(MOST_ROWS) : one
  })
}
