import type { Board, Page } from '../../board/board'
import type { Key } from '../../board/key'
import type { Tool } from '../../board/tools'
import { readTerm } from '../../exact/polynomial'
import { withPage } from '../../design/lookup'
import { toolsAnywhereOn } from '../../slate/own'
import type { Finding, Rule } from '../finding'

/** A key for which students aren't given what it takes: the right kind of place, of piece, or of tool. Without it nothing can be marked. */
export const missingTool: Rule = {
  name: 'missing-tool',
  look: board => board.keys.flatMap((key): Finding[] => {
    const page = board.pages.find(p => p.id === key.page)
    if (!page || has(key, page, toolsAnywhereOn(board, page))) return []
    const fix = key.kind === 'arrows' ? { code: 'allow-arrows', apply: (b: Board) => withPage(b, page.id, p => ({ ...p, arrows: true })) } : undefined
    return [{ rule: `missing-${key.kind}`, severity: 'stops', page: page.id, subjects: [], words: {}, ...(fix && { fix }) }]
  }),
}

function has(key: Key, page: Page, tools: readonly Tool[]): boolean {
  const kindOf = (id: string) => page.places.find(p => p.id === id.split(':')[0])?.kind
  const tiles = page.pieces.filter(p => p.kind === 'tile')
  const letters = tiles.some(p => readTerm(p.term ?? '1') !== '1')
  switch (key.kind) {
    case 'order': return kindOf(key.lane) === 'lane'
    case 'scale': return kindOf(key.scale) === 'scale'
    case 'spectrum': return kindOf(key.scale) === 'scale'
    case 'cover': return kindOf(key.grid) === 'grid' && (page.pieces.length > 0 || tools.includes('colour'))
    case 'label': return page.pieces.some(p => p.kind === 'label') && page.places.some(p => p.kind === 'pin')
    case 'total': case 'balance': return tiles.length > 0
    case 'expression': return letters || tiles.length > 0
    case 'arrows': return page.arrows === true
    case 'ink': return kindOf(key.place) === 'drawing'
    case 'vote': return page.pieces.length > 0 || tools.includes('sign')
    case 'write': return Object.keys(key.answers).every((space) => {
      const place = page.places.find(p => p.id === space.split(':')[0])
      return space.includes(':') ? place?.kind === 'gaps' && place.typed : place?.kind === 'writing'
    })
    case 'slots': return Object.keys(key.fits).every((slot) => {
      const place = page.places.find(p => p.id === slot.split(':')[0])
      return place?.kind === 'slot' || place?.kind === 'grid' || (place?.kind === 'gaps' && !place.typed)
    })
    case 'sort': case 'match': return true
  }
}
