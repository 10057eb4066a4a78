import { describe, expect, it } from 'vitest'
import { tagsOver, type Work } from '../../../core/findings/year'

const work = (day: string, share: number | null, ...tags: string[]): Work => ({ day, share, tags })

describe('subjects and tags over a year', () => {
  it('come the weakest first, with each month and what changed from the first to the last', () => {
    const works = [
      work('2026-09-02', 0.5, 'Science', 'shore'),
      work('2026-10-01', 0.9, 'Maths'),
      work('2026-11-20', 1, 'science', 'Shore'),
      work('2026-11-03', 0.6, 'Science'),
    ]
    expect(tagsOver(works)).toEqual([
      {
        tag: 'Science',
        count: 3,
        mean: expect.closeTo(0.7, 10),
        months: [
          { month: '2026-09', mean: 0.5, count: 1 },
          { month: '2026-11', mean: 0.8, count: 2 },
        ],
        change: expect.closeTo(0.3, 10),
      },
      {
        tag: 'shore',
        count: 2,
        mean: 0.75,
        months: [
          { month: '2026-09', mean: 0.5, count: 1 },
          { month: '2026-11', mean: 1, count: 1 },
        ],
        change: 0.5,
      },
      { tag: 'Maths', count: 1, mean: 0.9, months: [{ month: '2026-10', mean: 0.9, count: 1 }], change: null },
    ])
    expect(tagsOver(works.toReversed())).toEqual(tagsOver(works))
  })

  it('count nothing of which nobody can say, and a tag once for each board', () => {
    expect(tagsOver([])).toEqual([])
    expect(tagsOver([work('2026-09-02', null, 'Science')])).toEqual([])
    expect(tagsOver([work('2026-09-02', 1, 'Science', 'science')])[0]).toMatchObject({ count: 1 })
  })
})
