import type { Board, Page, Step } from '../board/board'
import type { Edition } from '../board/edition'
import type { PageId, PieceId, StepId } from '../board/ids'
import { answerSlate } from '../keys/answerSlate'
import { placePieces } from '../placement/placement'
import { stepAround } from '../placement/tasks'
import { withPage } from './lookup'

/** What of the ledge an activity needs; null for all that no other one names. */
export function setStepPieces(board: Board, pageId: PageId, id: StepId, pieces: readonly PieceId[] | null): Board {
  return withPage(board, pageId, page => ({
    ...page,
    steps: page.steps?.map(({ pieces: before, ...step }): Step => {
      if (step.id !== id) return { ...step, ...(before && { pieces: before }) }
      return { ...step, ...(pieces && { pieces: [...pieces] }) }
    }),
  }))
}

/** The pieces that the answers have in an activity's part of the page, in the order of the ledge. */
export function answeredIn(page: Page, step: StepId, edition: Edition): PieceId[] {
  const homes = placePieces(answerSlate(page, edition), page, edition).filter(({ shares }) =>
    shares.some(share => {
      const place = page.places.find(one => one.id === share.place)
      return place && share.certainty === 'in' && stepAround(place, page)?.id === step
    }),
  )
  const there = new Set(homes.map(one => one.piece))
  return page.ledge.filter(id => there.has(id))
}
