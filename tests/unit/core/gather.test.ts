import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyPage } from '../../../core/board/board'
import type { Box } from '../../../core/geometry/shape'
import { mayChangeOwn } from '../../../core/slate/ownership'
import { boxOfWords, gather, type Words, type Written } from '../../../core/tools/gather'
import { pageId } from '../../boards'

const PAGE = { ...emptyPage(pageId('page')), width: 960, height: 600 }
const note = (id: string, text: string, x = 900, y = 560, width = 120, height = 80): Written => ({
  id,
  own: { kind: 'note', page: PAGE.id, x, y, width, height, fill: 'straw', text },
})
const overlap = (a: Box, b: Box) =>
  a.x < b.x + b.width && b.x < a.x + a.width && a.y < b.y + b.height && b.y < a.y + a.height
const boxes = (words: readonly { own: Words }[]) => words.map(({ own }) => boxOfWords(own))

describe('gathering what was written', () => {
  it('lays it in rows under a heading, clear of what lies there, and changes nothing but where it lies', () => {
    const chosen = ['One', 'Two', 'Three', 'Four'].map((text, i) => note(`n${i}`, text))
    const others = [{ x: 0, y: 0, width: 500, height: 300 }]
    const { heading, moved } = gather(chosen, PAGE, others)!
    const lying = boxes(moved)
    for (const box of [heading, ...lying]) expect(others.some(other => overlap(box, other))).toBe(false)
    for (const [i, a] of lying.entries()) for (const b of lying.slice(i + 1)) expect(overlap(a, b)).toBe(false)
    for (const box of lying) {
      expect(overlap(box, heading)).toBe(false)
      expect(box.y).toBeGreaterThanOrEqual(heading.y + heading.height)
    }
    expect(moved.map(({ id, own }) => ({ id, own: { ...own, x: 0, y: 0 } }))).toEqual(
      chosen.map(({ id, own }) => ({ id, own: { ...own, x: 0, y: 0 } })),
    )
  })

  it('what reads the same lies in one pile: case, spaces and a closing sign apart, and in every script', () => {
    const chosen = [
      note('a', 'It clings.'),
      note('b', 'it  clings'),
      note('c', 'IT CLINGS!'),
      note('d', 'It crawls'),
      note('e', 'قمر'),
      note('f', ' قمر '),
    ]
    const { moved } = gather(chosen, PAGE, [])!
    const [a, b, c, d, e, f] = boxes(moved)
    expect([overlap(a!, b!), overlap(b!, c!), overlap(a!, d!), overlap(e!, f!), overlap(d!, e!)]).toEqual([
      true,
      true,
      false,
      true,
      false,
    ])
    // None hides another of its pile.
    expect(new Set([a, b, c].map(box => `${box!.x} ${box!.y}`)).size).toBe(3)
  })

  it('stays on the page whatever is gathered and whatever lies there; nothing is gathered of nothing', () => {
    expect(gather([], PAGE, [])).toBeNull()
    const size = fc.integer({ min: 20, max: 400 })
    fc.assert(
      fc.property(
        fc.array(fc.tuple(size, size, fc.integer({ min: 0, max: 9 })), { minLength: 1, maxLength: 40 }),
        fc.array(fc.tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 560 })), { maxLength: 20 }),
        (notes, lying) => {
          const chosen = notes.map(([width, height, text], i) =>
            note(`n${i}`, `words ${text}`, 480, 300, width, height),
          )
          const others = lying.map(([x, y]) => ({ x, y, width: 100, height: 40 }))
          const { moved } = gather(chosen, PAGE, others)!
          expect(moved.map(one => one.id)).toEqual(chosen.map(one => one.id))
          // The middle of each is on the page, as it is of whatever a hand puts down.
          for (const { own } of moved) {
            expect(own.x).toBeGreaterThanOrEqual(0)
            expect(own.x).toBeLessThanOrEqual(PAGE.width)
            expect(own.y).toBeGreaterThanOrEqual(0)
            expect(own.y).toBeLessThanOrEqual(PAGE.height)
          }
        },
      ),
      { numRuns: 60 },
    )
  })

  it('what somebody has made is its maker’s to change, and any teacher’s', () => {
    const own = { ...note('a', 'x').own, by: 'student:2' as const }
    expect(['student:2', 'student:1', 'teacher:0', 'assistant:1'].map(who => mayChangeOwn(own, who as never))).toEqual([
      true,
      false,
      true,
      true,
    ])
  })
})
