import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { quantile, quietOnes, upperFence, type Going } from '../../../core/lesson/quiet'

/** NIST/SEMATECH e-Handbook of Statistical Methods, 7.1.6, "What are outliers in the data?" (from memory). */
const NIST = [
  30, 171, 184, 201, 212, 250, 265, 270, 272, 289, 305, 306, 322, 322, 336, 346, 351, 370, 390, 404, 409, 411, 436, 437,
  439, 441, 444, 448, 451, 453, 470, 480, 482, 487, 494, 495, 499, 503, 514, 521, 522, 527, 548, 550, 559, 560, 570,
  572, 574, 578, 585, 592, 592, 607, 616, 618, 621, 629, 637, 638, 640, 656, 668, 707, 709, 719, 737, 739, 752, 758,
  766, 792, 792, 794, 802, 818, 830, 832, 843, 858, 860, 869, 918, 925, 953, 991, 1000, 1005, 1068, 1441,
]

describe('quartiles and fence', () => {
  it('are those of the handbook', () => {
    expect(NIST).toHaveLength(90)
    expect(quantile(NIST, 0.25)).toBeCloseTo(429.75, 9)
    expect(quantile(NIST, 0.5)).toBeCloseTo(559.5, 9)
    expect(quantile(NIST, 0.75)).toBeCloseTo(742.25, 9)
    expect(upperFence(NIST)).toBeCloseTo(1211, 9)
    expect(NIST.filter(n => n > upperFence(NIST))).toEqual([1441])
  })
  it('lie between the least and the most, and grow with their share', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 1e6 }), { minLength: 1, maxLength: 40 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (numbers, a, b) => {
          const sorted = numbers.toSorted((x, y) => x - y)
          const [low, high] = [quantile(sorted, Math.min(a, b)), quantile(sorted, Math.max(a, b))]
          expect(low).toBeGreaterThanOrEqual(sorted[0]!)
          expect(high).toBeLessThanOrEqual(sorted.at(-1)!)
          expect(low).toBeLessThanOrEqual(high)
        },
      ),
    )
  })
})

const NOW = 1_000_000_000
const MINUTE = 60_000
const going = (quiet: readonly (number | null)[], more: Partial<Going> = {}): Going[] =>
  quiet.map((ms, i) => ({
    id: `s${i}`,
    status: 'under-way',
    movedAt: ms === null ? null : NOW - ms,
    placed: 3,
    of: 12,
    ...more,
  }))
const names = (slates: readonly Going[]) => [...quietOnes(slates, NOW).keys()]

describe('who is quiet', () => {
  it('is whoever stopped while the class goes on, with the minutes of both', () => {
    const random = seeded(3)
    // Moves that come by chance: the time since the last one is exponential, here with a mean of 25 seconds.
    const class_ = Array.from({ length: 24 }, () => -25_000 * Math.log(1 - random()))
    const slates = going([...class_, 4.5 * MINUTE, 6 * MINUTE])
    expect(names(slates)).toEqual(['s24', 's25'])
    expect(quietOnes(slates, NOW).get('s24')).toEqual({ minutes: 4, usual: 0 })
  })
  it('is nobody while all of them listen, however long', () => {
    const random = seeded(5)
    expect(names(going(Array.from({ length: 24 }, () => 6 * MINUTE + 40_000 * random())))).toEqual([])
  })
  it('is never most of a class', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 40 * MINUTE }), { minLength: 5, maxLength: 40 }), quiet => {
        // Beyond the upper fence there is at most a quarter, for it is beyond the upper quartile.
        expect(names(going(quiet)).length).toBeLessThanOrEqual(Math.ceil((quiet.length + 1) / 4))
      }),
    )
  })
  it('is not who has placed everything, has not begun, has handed in, or paused for less than a minute', () => {
    const busy = going(Array.from({ length: 12 }, (_, i) => 1000 * i))
    const odd = (more: Partial<Going>, ms: number | null = 9 * MINUTE) => [
      ...busy,
      { ...going([ms])[0]!, id: 'odd', ...more },
    ]
    expect(names(odd({}))).toEqual(['odd'])
    expect(names(odd({ placed: 12 }))).toEqual([])
    expect(names(odd({}, null))).toEqual([])
    expect(names(odd({ status: 'handed-in' }))).toEqual([])
    expect(names(odd({}, 59_000))).toEqual([])
    expect(names(odd({ placed: 0, of: 0 }))).toEqual([])
  })
  it('is measured by those still at it: who has placed everything and waits hides nobody', () => {
    const busy = going(Array.from({ length: 8 }, (_, i) => 2000 * i))
    const done = going(Array.from({ length: 8 }, () => 6 * MINUTE)).map((one, i) => ({
      ...one,
      id: `d${i}`,
      placed: 12,
    }))
    const odd = { ...going([5 * MINUTE])[0]!, id: 'odd' }
    expect(names([...busy, ...done, odd])).toEqual(['odd'])
  })
  it('is, of a few, whoever was for three minutes; of none nobody', () => {
    expect(names(going([3 * MINUTE, 2 * MINUTE, 10_000]))).toEqual(['s0'])
    expect(names([])).toEqual([])
  })
})
