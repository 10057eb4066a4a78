import { describe, expect, it } from 'vitest'
import { checkBoard, emptyBoard, type Board } from '../../../core/board/board'
import type { Key } from '../../../core/keys/key'
import { activityOf, alone, clipOf, cutItems, pasteClip, repeatItems } from '../../../core/design/clip'
import { itemsOf, setBoxes } from '../../../core/design/items'
import { addPlaces } from '../../../core/design/places'
import { stagedPut } from '../../../core/design/staging'
import { addStep } from '../../../core/design/steps'
import { readClip, writeClip } from '../../../core/format/clip'
import { boxOf } from '../../../core/geometry/outline'
import { ORGANIZERS } from '../../../core/organizers/organizers'
import { boardOf } from '../../../core/organizers/plan'
import { counting, keyId, pageId, pieceId, placeId, shore } from '../../boards'
import { examples } from '../../examples'

describe('the hands, with a part of a page,', () => {
  const page = pageId('page')

  it('carry a part of a board to another by the clipboard, with the answers that are whole', () => {
    for (const { board } of examples) {
      const first = board.pages[0]!
      const all = new Set([
        ...first.places.map(p => p.id as string),
        ...first.pieces.map(p => p.id),
        ...(first.backdrop.figures?.map(f => f.id) ?? []),
      ])
      const clip = readClip(writeClip(clipOf(board, first.id, all)))!
      const target = emptyBoard('Other', pageId('other'), 1)
      const { board: pasted, ids } = pasteClip({
        board: target,
        pageId: pageId('other'),
        clip,
        by: { dx: 0, dy: 0 },
        fresh: counting('new-'),
      })
      expect(checkBoard(pasted)).toBeNull()
      expect(pasted.keys).toHaveLength(board.keys.length)
      expect(ids).toHaveLength(first.places.length + first.pieces.length + (first.backdrop.figures?.length ?? 0))
    }
    expect(readClip('{"format":"dappled-slate/clip"}')).toBeNull()
    expect(readClip('some words')).toBeNull()
  })

  it('keep their own look where two boards name different styles alike', () => {
    const small = shore()
    const large = { ...shore(), masters: shore().masters.map(m => ({ ...m, textSize: 30 })) }
    const { board, ids } = pasteClip({
      board: small,
      pageId: page,
      clip: clipOf(large, page, new Set(['c0'])),
      by: { dx: 0, dy: 0 },
      fresh: counting('new-'),
    })
    const pasted = board.pages[0]!.pieces.find(p => p.id === ids[0])!
    expect(board.masters.find(m => m.id === pasted.master)!.textSize).toBe(30)
    expect(board.masters).toHaveLength(2)
    expect(
      pasteClip({
        board: small,
        pageId: page,
        clip: clipOf(small, page, new Set(['c0'])),
        by: { dx: 0, dy: 0 },
        fresh: counting('new-'),
      }).board.masters,
    ).toEqual(small.masters)
  })

  it('leave out answers that name something else too', () => {
    const board = examples.find(e => e.file.startsWith('sort'))!.board
    const clip = clipOf(board, board.pages[0]!.id, new Set([board.pages[0]!.places[0]!.id]))
    expect(clip.keys).toEqual([])
    expect(clip.page.places).toHaveLength(1)
  })

  it('repeat things along a line in equal steps', () => {
    const { board, ids } = repeatItems({
      board: setBoxes(shore(), page, new Map([['z0', { x: 20, y: 60, width: 60, height: 60 }]])),
      pageId: page,
      ids: new Set(['z0']),
      by: { dx: 70, dy: 0 },
      times: 4,
      fresh: counting(),
    })
    expect(ids.map(id => boxOf(board.pages[0]!.places.find(p => p.id === id)!).x)).toEqual([90, 160, 230, 300])
  })

  /**
   * Two activities: three zones with a key for cards c0 to c4 in the first, a slot without one in the second; c5 is
   * named by nobody.
   */
  function twoActivities(): Board {
    const key: Key = {
      kind: 'sort',
      id: keyId('k'),
      page,
      homes: Object.fromEntries([0, 1, 2, 3, 4].map(i => [pieceId(`c${i}`), [placeId(`z${i % 3}`)]])),
    }
    const one = setBoxes(
      shore(),
      page,
      new Map([0, 1, 2].map(i => [`z${i}`, { x: 40 + 130 * i, y: 100, width: 110, height: 120 }])),
    )
    const both = addPlaces(addStep(addStep({ ...one, keys: [key] }, page, 's1' as never), page, 's2' as never), page, [
      {
        kind: 'slot',
        id: placeId('slot'),
        heading: '',
        shape: { kind: 'rectangle', x: 600, y: 400, width: 60, height: 30 },
      },
    ])
    return setBoxes(
      both,
      page,
      new Map([
        ['s1', { x: 20, y: 40, width: 420, height: 200 }],
        ['s2', { x: 560, y: 360, width: 200, height: 100 }],
      ]),
    )
  }

  it('copy an activity whole: its places, its key, and the cards that the key names from the ledge', () => {
    const board = twoActivities()
    const ids = activityOf(board, page, new Set(['s1']))
    expect([...ids].toSorted()).toEqual(['c0', 'c1', 'c2', 'c3', 'c4', 's1', 'z0', 'z1', 'z2'])
    const { board: pasted } = pasteClip({
      board,
      pageId: page,
      clip: clipOf(board, page, ids),
      by: { dx: 16, dy: 16 },
      fresh: counting(),
    })
    expect(checkBoard(pasted)).toBeNull()
    expect(pasted.keys).toHaveLength(2)
    expect(pasted.pages[0]!.ledge).toHaveLength(11)
    // The new one lies beside the old one, and took none of its places along.
    const [first, , again] = pasted.pages[0]!.steps!
    expect([again!.x - first!.x, again!.y - first!.y]).toEqual([16, 16])
    const places = pasted.pages[0]!.places.map(boxOf)
    expect(places.slice(0, 4)).toEqual(board.pages[0]!.places.map(boxOf))
    expect(places.slice(4).map(box => box.x)).toEqual([56, 186, 316])
    // Things that are no activity come as they were chosen.
    expect(activityOf(board, page, new Set(['z0']))).toEqual(new Set(['z0']))
  })

  it('cut what was copied, pieces too, but none that another answer names', () => {
    const board = twoActivities()
    const left = cutItems(board, page, activityOf(board, page, new Set(['s1'])))
    expect(checkBoard(left)).toBeNull()
    expect(left.keys).toEqual([])
    expect(left.pages[0]!.pieces.map(p => p.id)).toEqual(['c5'])
    expect(left.pages[0]!.places.map(p => p.id)).toEqual(['slot'])
    const other = {
      ...board,
      keys: [...board.keys, { kind: 'slots' as const, id: keyId('k2'), page, fits: { slot: [pieceId('c0')] } }],
    }
    expect(cutItems(other, page, activityOf(other, page, new Set(['s1']))).pages[0]!.pieces.map(p => p.id)).toEqual([
      'c0',
      'c5',
    ])
    const staged = stagedPut(shore(), page, { kind: 'put', piece: pieceId('c0'), x: 480, y: 240 })
    expect(cutItems(staged, page, new Set(['c0'])).pages[0]!.pieces.map(p => p.id)).toEqual([
      'c1',
      'c2',
      'c3',
      'c4',
      'c5',
    ])
  })
})

describe('one thing alone', () => {
  it('takes a new box as it would among the others', () => {
    let compared = 0
    for (const organizer of ORGANIZERS.slice(0, 12)) {
      const board = boardOf(organizer)
      const page = board.pages[0]!
      for (const layer of ['backdrop', 'places'] as const) {
        for (const { id, box } of itemsOf(board, page.id, layer)) {
          const next = new Map([
            [id, { x: box.x + 8, y: box.y + 8, width: box.width * 0.75, height: box.height * 1.25 }],
          ])
          const boxIn = (b: Board) => itemsOf(b, page.id, layer).find(item => item.id === id)!.box
          const single = alone(board, page.id, id)
          expect(itemsOf(single, page.id, layer).filter(item => item.kind !== 'step')).toHaveLength(
            page.steps?.some(s => s.id === id) ? 0 : 1,
          )
          expect(boxIn(setBoxes(single, page.id, next))).toEqual(boxIn(setBoxes(board, page.id, next)))
          compared++
        }
      }
    }
    expect(compared).toBeGreaterThan(40)
  })
})
