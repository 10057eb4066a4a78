import type { Board, Page } from '../board/board'
import type { Random } from '../layout/random'
import { rescrambled } from './pieces'
import { ledgeTells } from './telling'

/**
 * The board with its ledges laid by chance that can't be foreseen, of which only the result is kept: nothing that could
 * be reckoned back to the order in which the teacher typed the words, or to the key. A page whose pieces and answers
 * leave its old order as good as it was keeps it, so that nothing jumps while a teacher works.
 */
export function layLedges(board: Board, chance: Random, before?: Board): Board {
  return board.pages.reduce((now, page) => {
    const old = before?.pages.find(p => p.id === page.id)
    if (old && page.ledge === old.ledge) return now
    const kept = old && asBefore(page, old)
    if (kept) {
      const withOld = { ...now, pages: now.pages.map(p => (p.id === page.id ? kept : p)) }
      if (!ledgeTells(withOld, kept)) return withOld
    }
    return rescrambled(now, page.id, chance)
  }, board)
}

/** The page with its pieces in the order in which they stood; null when some weren't there. */
function asBefore(page: Page, old: Page): Page | null {
  const here = new Set(page.ledge)
  const ledge = old.ledge.filter(id => here.has(id))
  return ledge.length === page.ledge.length ? { ...page, ledge } : null
}
