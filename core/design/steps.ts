import type { Board, Step } from '../board/board'
import type { PageId, StepId } from '../board/ids'
import { overlaps } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { withPage } from './lookup'

export const MOST_STEPS = 20
const MARGIN = 12

/** One activity more, in a free part of the page (of a third by a half of it, over the rest where none is free). */
export function addStep(board: Board, pageId: PageId, id: StepId): Board {
  return withPage(board, pageId, page => {
    const steps = page.steps ?? []
    if (steps.length >= MOST_STEPS) return page
    const size = { width: (page.width - 4 * MARGIN) / 3, height: (page.height - 3 * MARGIN) / 2 }
    const spots = Array.from({ length: 6 }, (_, i): Box => ({
      x: MARGIN + (i % 3) * (size.width + MARGIN),
      y: MARGIN + Math.floor(i / 3) * (size.height + MARGIN),
      ...size,
    }))
    const box = spots.find(spot => !steps.some(step => overlaps(step, spot))) ?? spots[steps.length % 6]!
    return { ...page, steps: [...steps, { id, ...box, instructions: '' }] }
  })
}

export function changeStep(board: Board, pageId: PageId, id: StepId, part: Partial<Pick<Step, 'instructions'>>): Board {
  return withPage(board, pageId, page => ({
    ...page,
    steps: (page.steps ?? []).map(step => (step.id === id ? { ...step, ...part } : step)),
  }))
}

/** The step is done so much earlier or later; its number follows, its part of the page stays. */
export function moveStep(board: Board, pageId: PageId, id: StepId, by: number): Board {
  return withPage(board, pageId, page => {
    const steps = page.steps ?? []
    const from = steps.findIndex(step => step.id === id)
    const to = Math.min(steps.length - 1, Math.max(0, from + by))
    return from < 0 || from === to ? page : { ...page, steps: steps.toSpliced(from, 1).toSpliced(to, 0, steps[from]!) }
  })
}
