import { makeEdition } from '../../board/edition'
import { markSlate } from '../../keys/mark'
import { startOf } from '../../slate/state'
import type { Finding, Rule } from '../finding'

/** A start on which something is right already: points for nothing. */
export const startsRight: Rule = {
  name: 'starts-right',
  look(board) {
    if (!board.pages.some(page => Object.keys(page.staged ?? {}).length)) return []
    const edition = makeEdition(board)
    return markSlate(startOf(edition), edition).flatMap((mark): Finding[] => {
      const right = mark.items.filter(item => item.verdict === 'right' && item.of > 0)
      const key = board.keys.find(k => k.id === mark.key)!
      return right.length
        ? [
            {
              rule: 'starts-right',
              severity: 'warning',
              page: key.page,
              subjects: right.map(i => i.item),
              words: { count: right.length },
            },
          ]
        : []
    })
  },
}
