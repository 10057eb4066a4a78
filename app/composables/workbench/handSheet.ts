import type { Page } from '~~/core/board/board'
import type { Box, Point } from '~~/core/geometry/shape'
import type { Guide } from '~~/core/layout/guides'

/**
 * A thing in a size that is only being tried: alone on a page, with its box, and its corners or ends where it has any
 * to be dragged.
 */
export interface Draft {
  readonly id: string
  readonly page: Page
  readonly box: Box
  readonly ends: readonly Point[]
}

/**
 * A sheet of glass over the page while hands are at work on it: what they hold moves on it, and the lines they are
 * pulled to are drawn on it. It lies beside the application in the document, not in it, so that the browser need not
 * draw the page anew in any frame, however much stands on it.
 */
export interface HandSheet {
  /** Where marks can be put, in the page's own measure. */
  readonly over: HTMLElement
  readonly guides: (guides: readonly Guide[]) => void
  /** What is held, moved by so many points from where it was taken up. */
  readonly to: (dx: number, dy: number) => void
  /** What is held shows no longer: another drawing of it stands over the page. */
  readonly hide: () => void
  readonly away: () => void
}

/**
 * `held` are drawn on the sheet instead of on the page from the first move on, until the sheet is taken away. `scale`
 * is CSS pixels for a point.
 */
export function layHandSheet(page: SVGSVGElement, held: readonly SVGElement[], scale: number): HandSheet {
  const own = roomOf(page)
  const shown = shownPart(page)
  const pane = laid('fixed z-50 overflow-clip pointer-events-none will-change-transform', shown)
  pane.setAttribute('aria-hidden', 'true')
  pane.dataset.handSheet = ''
  pane.style.borderRadius = shown.round
  const over = laid('absolute', { ...own, left: own.left - shown.left, top: own.top - shown.top })
  pane.append(over)
  document.body.append(pane)
  let moved: ReturnType<typeof glide> | null = null
  let drawn: ReturnType<typeof layGuides> | null = null
  function lift() {
    const sheet = document.createElement('div')
    sheet.className = 'absolute inset-0 will-change-transform'
    const drawing = page.cloneNode(false) as SVGSVGElement
    drawing.removeAttribute('role')
    drawing.style.overflow = 'visible'
    drawing.append(...held.map(element => element.cloneNode(true)))
    sheet.append(drawing)
    over.append(sheet)
    hide()
    return glide(sheet)
  }
  const show = (visibility: '' | 'hidden') => {
    for (const element of held) element.style.visibility = visibility
  }
  const hide = () => show('hidden')
  return {
    over,
    guides(guides) {
      drawn ??= layGuides(over, scale)
      drawn(guides)
    },
    to(dx, dy) {
      moved ??= lift()
      moved(`translate(${dx * scale}px, ${dy * scale}px)`)
    },
    hide,
    away() {
      pane.remove()
      show('')
    },
  }
}

interface Room {
  readonly left: number
  readonly top: number
  readonly width: number
  readonly height: number
}

function laid(className: string, { left, top, width, height }: Room): HTMLElement {
  const div = document.createElement('div')
  div.className = className
  Object.assign(div.style, { left: `${left}px`, top: `${top}px`, width: `${width}px`, height: `${height}px` })
  return div
}

/** Where a page can be seen: in its frame, with the frame's round corners, and be it pushed about there. */
function shownPart(page: Element): Room & { round: string } {
  const frame = page.closest('[data-frame]')
  if (!frame) return { ...roomOf(page), round: '' }
  const { left, top } = frame.getBoundingClientRect()
  return {
    left: left + frame.clientLeft,
    top: top + frame.clientTop,
    width: frame.clientWidth,
    height: frame.clientHeight,
    round: getComputedStyle(frame).borderRadius,
  }
}
function roomOf(element: Element): Room {
  const { left, top, width, height } = element.getBoundingClientRect()
  return { left, top, width, height }
}
