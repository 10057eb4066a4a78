import { describe, expect, it } from 'vitest'
import { readBoard } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { addCards } from '../../../core/design/pieces'
import { ORGANIZERS, organizerNamed } from '../../../core/organizers/organizers'
import { boardOf, PURPOSES } from '../../../core/organizers/plan'
import { placePieces } from '../../../core/placement/placement'
import { freeSpot } from '../../../core/placement/freeSpot'
import { takes } from '../../../core/board/whatPlacesTake'
import { preflight } from '../../../core/preflight/preflight'
import { HOLDER } from '../../../core/slate/actor'
import { apply } from '../../../core/slate/move'
import { startOf, type SlateState } from '../../../core/slate/state'
import { writtenSpots } from '../../../core/layout/written'
import { boxOf } from '../../../core/geometry/outline'
import { masterId, pieceId } from '../../boards'

const filledIn = (name: string) => {
  let n = 0
  return addCards(
    boardOf(organizerNamed(name)!),
    boardOf(organizerNamed(name)!).pages[0]!.id,
    ['limpet', 'goby', 'gull'],
    { piece: () => pieceId(`card-${++n}`), master: () => masterId('cards') },
  )
}

describe('the shipped organizers', () => {
  it('are at least 30, of every purpose, each with a name of its own', () => {
    expect(ORGANIZERS.length).toBeGreaterThanOrEqual(30)
    expect(new Set(ORGANIZERS.map(o => o.name)).size).toBe(ORGANIZERS.length)
    expect(new Set(ORGANIZERS.map(o => o.title)).size).toBe(ORGANIZERS.length)
    expect(new Set(ORGANIZERS.map(o => o.purpose))).toEqual(new Set(PURPOSES))
  })

  describe.each(ORGANIZERS.map(o => o.name))('%s', name => {
    it('is a whole board with places, and preflight finds nothing that stops students or is likely to go wrong', () => {
      const board = boardOf(organizerNamed(name)!)
      expect(readBoard(JSON.parse(JSON.stringify(board)))).toEqual({ ok: true, value: board })
      expect(board.pages[0]!.places.length).toBeGreaterThan(0)
      expect(preflight(board).filter(finding => finding.severity !== 'advice')).toEqual([])
    })

    it("stays on its page, and its places don't cover each other unless they are rings", () => {
      const page = boardOf(organizerNamed(name)!).pages[0]!
      const boxes = page.places.map(place => ({ place, box: boxOf(place) }))
      for (const { box } of boxes)
        expect(box.x >= 0 && box.y >= 0 && box.x + box.width <= page.width && box.y + box.height <= page.height).toBe(
          true,
        )
      const apart = boxes.filter(({ place }) => place.shape.kind === 'rectangle')
      const covering = apart.flatMap(({ box: a }, i) =>
        apart
          .slice(i + 1)
          .filter(
            ({ box: b }) =>
              a.x < b.x + b.width - 0.01
              && b.x < a.x + a.width - 0.01
              && a.y < b.y + b.height - 0.01
              && b.y < a.y + a.height - 0.01,
          ),
      )
      expect(covering).toEqual([])
    })

    it('can be filled: a card goes into every place that takes cards, and words into every writing space', () => {
      const board = filledIn(name)
      const edition = makeEdition(board)
      const page = board.pages[0]!
      const card = pieceId('card-1')
      for (const place of page.places.filter(p => p.kind !== 'pin' && takes(p, { kind: 'card' }))) {
        const start = startOf(edition)
        const put = apply(
          start,
          { kind: 'put', piece: card, ...freeSpot({ state: start, piece: card, place, page, edition }) },
          { edition, actor: HOLDER },
        )
        if (!put.ok) throw new Error(JSON.stringify(put.reason))
        const lies = placePieces(put.value, page, edition).find(p => p.piece === card)!
        expect(lies.shares.map(s => s.place)).toContain(place.id)
      }
      const written = writtenSpots(page).reduce<SlateState>((state, spot) => {
        const next = apply(state, { kind: 'write', in: spot.name, text: 'low tide' }, { edition, actor: HOLDER })
        if (!next.ok) throw new Error(JSON.stringify(next.reason))
        return next.value
      }, startOf(edition))
      expect(Object.keys(written.texts)).toHaveLength(writtenSpots(page).length)
    })
  })
})
