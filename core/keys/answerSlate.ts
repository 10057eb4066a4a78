import type { Page } from '../board/board'
import type { Edition } from '../board/edition'
import { startOf, type SlateState } from '../slate/state'
import { kindOf } from './kinds'

/**
 * A page as its keys have it: each piece in its first home, slot or spot, answers written, arrows drawn, cells covered.
 * What a key leaves open (which tiles make a total, how an axis is drawn) is not there: those places stay as they are
 * given out.
 */
export function answerSlate(page: Page, edition: Edition): SlateState {
  return edition.board.keys
    .filter(key => key.page === page.id)
    .reduce((state, key) => kindOf(key).lay?.(key, { state, page, edition }) ?? state, startOf(edition))
}
