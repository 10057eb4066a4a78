import type { PieceId } from '../../board/ids'
import { pieceName } from '../../board/pieceName'
import { quantity } from '../../exact/quantity'
import type { Finding, Rule } from '../finding'

/** Values that the scale doesn't reach: their pieces can't be put right. */
export const offScale: Rule = {
  name: 'off-scale',
  look: board =>
    board.keys.flatMap((key): Finding[] => {
      if (key.kind !== 'scale') return []
      const page = board.pages.find(p => p.id === key.page)
      const scale = page?.places.find(p => p.id === key.scale)
      if (!page || scale?.kind !== 'scale') return []
      const [least, most] = [quantity(scale.least), quantity(scale.most)]
      const beyond = (Object.entries(key.values) as [PieceId, string][])
        .filter(([, value]) => quantity(value).compare(least) < 0 || quantity(value).compare(most) > 0)
        .map(([id]) => id)
      if (beyond.length === 0) return []
      const names = page.pieces
        .filter(p => beyond.includes(p.id))
        .map(pieceName)
        .join(', ')
      return [
        {
          rule: 'off-scale',
          severity: 'stops',
          page: page.id,
          subjects: beyond,
          words: { count: beyond.length, names },
        },
      ]
    }),
}
