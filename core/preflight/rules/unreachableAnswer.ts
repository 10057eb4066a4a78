import { makeEdition } from '../../board/edition'
import type { PieceId } from '../../board/ids'
import type { KeyKind } from '../../keys/key'
import { answerSlate } from '../../keys/answerSlate'
import { kindOf } from '../../keys/kinds'
import { markSlate } from '../../keys/mark'
import type { Finding, Rule } from '../finding'

/** Keys that can be laid out in one way only leave no doubt; sets may be laid in more ways than are tried. */
const TRIED: { readonly [Kind in KeyKind]: boolean } = {
  sort: true,
  order: true,
  slots: true,
  label: true,
  scale: true,
  arrows: true,
  cover: true,
  write: true,
  match: false,
  total: false,
  balance: false,
  expression: false,
  ink: false,
  vote: false,
  spectrum: false,
}

/**
 * Answers that can't be given as the keys have them: laid out where each belongs, with all keys of the page at once,
 * the page isn't right. A region without room, a home that is hidden in another, a lane too short, a label without a
 * pin, two keys that contradict each other. What another rule says more plainly is left to it.
 */
export const unreachableAnswer: Rule = {
  name: 'unreachable-answer',
  look(board, found) {
    const stopped = new Set(found.filter(({ severity }) => severity === 'stops').map(({ page }) => page))
    const edition = makeEdition(board)
    return board.pages.flatMap((page): Finding[] => {
      if (page.reading || stopped.has(page.id)) return []
      const state = answerSlate(page, edition)
      const wrong = markSlate(state, edition).flatMap(mark => {
        const key = board.keys.find(one => one.id === mark.key)!
        if (key.page !== page.id || !TRIED[key.kind] || kindOf(key).lay === null) return []
        const unpinned =
          key.kind === 'label' ? Object.keys(key.pins).filter(label => key.pins[label as PieceId]!.length === 0) : []
        return [...unpinned, ...mark.items.filter(item => item.verdict !== 'right').map(item => item.item)]
      })
      return wrong.length
        ? [
            {
              rule: 'unreachable-answer',
              severity: 'stops',
              page: page.id,
              subjects: [...new Set(wrong)],
              words: { count: new Set(wrong).size },
            },
          ]
        : []
    })
  },
}
