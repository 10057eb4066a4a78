import type { Board } from '../../board/board'
import { withPage } from '../../design/lookup'
import { kindOf } from '../../keys/kinds'
import { toolsAnywhereOn } from '../../slate/own'
import type { Finding, Rule } from '../finding'

/**
 * A key for which students aren't given what it takes: the right kind of place, of piece, or of tool. Without it
 * nothing can be marked.
 */
export const missingTool: Rule = {
  name: 'missing-tool',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      const page = board.pages.find(p => p.id === key.page)
      if (!page || kindOf(key).canBeDone(key, page, toolsAnywhereOn(board, page))) return []
      const allowed = (b: Board) => withPage(b, page.id, p => ({ ...p, arrows: true }))
      const fix = key.kind === 'arrows' ? { code: 'allow-arrows', apply: allowed } : undefined
      return [
        { rule: `missing-${key.kind}`, severity: 'stops', page: page.id, subjects: [], words: {}, ...(fix && { fix }) },
      ]
    }),
}
