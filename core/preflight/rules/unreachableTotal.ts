import { canMakeTotal } from '../../keys/total/reachable'
import { measure, measureText } from '../../exact/measure'
import type { Finding, Rule } from '../finding'

/** A target that no choice of the page's tiles makes, or not in as many ways as there are places for it. */
export const unreachableTotal: Rule = {
  name: 'unreachable-total',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      if (key.kind !== 'total') return []
      const page = board.pages.find(p => p.id === key.page)
      if (canMakeTotal(page?.pieces ?? [], key)) return []
      const { amount, dimension } = measure(key.target)
      return [
        {
          rule: 'unreachable-total',
          severity: 'stops',
          page: key.page,
          subjects: [key.place],
          words: { target: measureText(amount, dimension) },
        },
      ]
    }),
}
