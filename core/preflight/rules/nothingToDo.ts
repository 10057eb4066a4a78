import type { Board, Page } from '../../board/board'
import type { Place } from '../../board/place'
import { withPage } from '../../design/lookup'
import { toolsAnywhereOn } from '../../slate/own'
import type { Finding, Rule } from '../finding'

/**
 * A page on which students can do nothing: there is nothing to move, to fill or to make anything with, and it isn't
 * meant for reading. A whole board without anything on it stops; places that wait for pieces, or a page among others,
 * may be meant so for now.
 */
export const nothingToDo: Rule = {
  name: 'nothing-to-do',
  look(board) {
    const idle = board.pages.filter(page => !page.reading && !canBeWorkedOn(board, page))
    const whole = board.pages.every(page => idle.includes(page))
    const empty = whole && board.pages.every(page => page.places.length === 0)
    return idle.map((page): Finding => ({
      rule: whole ? 'empty-board' : 'nothing-to-do',
      severity: empty ? 'stops' : 'advice',
      page: page.id,
      subjects: [],
      words: {},
      ...(!whole && { fix: { code: 'to-read', apply: b => withPage(b, page.id, p => ({ ...p, reading: true })) } }),
    }))
  },
}

const canBeWorkedOn = (board: Board, page: Page): boolean =>
  page.pieces.length > 0
  || page.places.some(isFilled)
  || toolsAnywhereOn(board, page).length > 0
  || page.explain !== undefined
  || page.notes === true

/** Whether a student puts something into it without having a piece. */
function isFilled(place: Place): boolean {
  switch (place.kind) {
    case 'writing':
    case 'drawing':
      return true
    case 'gaps':
      return place.typed
    case 'zone':
      return place.blank === true
    case 'lane':
    case 'slot':
    case 'grid':
    case 'scale':
    case 'pin':
    case 'pan':
      return false
  }
}
