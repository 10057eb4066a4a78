import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { timeLeft } from '../../../core/lesson/timer'

const MINUTE = 60_000

describe('the time that is left', () => {
  it('is told in begun minutes, the last minute by name, and then counted down', () => {
    expect(timeLeft(5 * MINUTE, 10)).toEqual({ kind: 'minutes', minutes: 5 })
    expect(timeLeft(5 * MINUTE - 1, 10)).toEqual({ kind: 'minutes', minutes: 5 })
    expect(timeLeft(4 * MINUTE, 10)).toEqual({ kind: 'minutes', minutes: 4 })
    expect(timeLeft(MINUTE + 1, 10)).toEqual({ kind: 'minutes', minutes: 2 })
    expect(timeLeft(MINUTE, 10)).toEqual({ kind: 'last-minute' })
    expect(timeLeft(10_001, 10)).toEqual({ kind: 'last-minute' })
    expect(timeLeft(10_000, 10)).toEqual({ kind: 'countdown', seconds: 10 })
    expect(timeLeft(1, 10)).toEqual({ kind: 'countdown', seconds: 1 })
    expect(timeLeft(0, 10)).toEqual({ kind: 'over' })
  })

  it('has no countdown where none is wanted, and is over for what is no time', () => {
    expect(timeLeft(1, 0)).toEqual({ kind: 'last-minute' })
    for (const left of [-5, Number.NaN, Number.NEGATIVE_INFINITY]) expect(timeLeft(left, 10)).toEqual({ kind: 'over' })
  })

  it('never grows while it runs, and says each second of the countdown once', () => {
    const RANK = { minutes: 3, 'last-minute': 2, countdown: 1, over: 0 }
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 1, max: 400 }), (countdown, length) => {
        const told = Array.from({ length: length * 4 + 1 }, (_, i) => timeLeft((length * 4 - i) * 250, countdown))
        const size = (at: (typeof told)[number]) =>
          RANK[at.kind] * 1000 + (at.kind === 'minutes' ? at.minutes : at.kind === 'countdown' ? at.seconds : 0)
        for (let i = 1; i < told.length; i++) expect(size(told[i]!)).toBeLessThanOrEqual(size(told[i - 1]!))
        const seconds = new Set(told.flatMap(at => (at.kind === 'countdown' ? [at.seconds] : [])))
        expect([...seconds]).toEqual(
          Array.from({ length: Math.min(countdown, length) }, (_, i) => Math.min(countdown, length) - i),
        )
      }),
    )
  })
})
