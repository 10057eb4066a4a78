import type { Page } from '~~/core/board/board'
import type { Box, Point } from '~~/core/geometry/shape'

/** A thing in a size that is only being tried: alone on a page, with its box, and its corners or ends where it has any to be dragged. */
export interface Draft { readonly id: string, readonly page: Page, readonly box: Box, readonly ends: readonly Point[] }

/**
 * A sheet of glass over the page while hands are at work on it: what they hold moves on it, and the lines they are pulled
 * to are drawn on it. It lies beside the application in the document, not in it, so that the browser need not draw the page
 * anew in any frame, however much stands on it.
 */
export interface HandSheet {
  /** Where marks can be put, in the page's own measure. */
  readonly over: HTMLElement
  /** What is held, moved by so many CSS pixels from where it was taken up. */
  readonly to: (dx: number, dy: number) => void
  /** What is held shows no longer: another drawing of it stands over the page. */
  readonly hide: () => void
  readonly away: () => void
}

/** `held` are drawn on the sheet instead of on the page from the first move on, until the sheet is taken away. */
export function layHandSheet(page: SVGSVGElement, held: readonly SVGElement[]): HandSheet {
  const over = document.createElement('div')
  const { left, top, width, height } = page.getBoundingClientRect()
  over.className = 'pointer-events-none fixed z-50 overflow-clip will-change-transform'
  over.setAttribute('aria-hidden', 'true')
  Object.assign(over.style, { left: `${left}px`, top: `${top}px`, width: `${width}px`, height: `${height}px` })
  document.body.append(over)
  let moved: HTMLElement | null = null
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
    return sheet
  }
  const show = (visibility: '' | 'hidden') => {
    for (const element of held) element.style.visibility = visibility
  }
  const hide = () => show('hidden')
  return {
    over,
    to(dx, dy) {
      moved ??= lift()
      moved.style.transform = `translate3d(${dx}px, ${dy}px, 0)`
    },
    hide,
    away() {
      over.remove()
      show('')
    },
  }
}
