import * as v from 'valibot'
import { describe, expect, it } from 'vitest'
import { changedReview, inHalves, NO_REVIEW, reviewChange, ReviewChangeSchema } from '../../../core/handout/review'
import { withDecisions } from '../../../core/keys/mark'
import type { KeyMark } from '../../../core/keys/outcome'
import { keyId } from '../../boards'

const REVIEW = {
  decisions: { 'k/a': 'right', 'k/b': 0.5 },
  comment: 'Well seen',
  points: 3.5,
  levels: { 0: 1 },
  alone: { 'student:2': { points: 4, comment: 'You explained it' } },
} as const

describe('what is changed of a review', () => {
  it('makes the one of the other, and is null between alike ones', () => {
    for (const [before, after] of [
      [NO_REVIEW, REVIEW],
      [REVIEW, NO_REVIEW],
      [REVIEW, { ...REVIEW, decisions: { 'k/b': 1 }, alone: {} }],
    ] as const) {
      const change = reviewChange(before, after)!
      expect(v.parse(ReviewChangeSchema, change)).toEqual(change)
      expect(changedReview(before, change)).toEqual(after)
    }
    expect(reviewChange(REVIEW, structuredClone(REVIEW))).toBeNull()
  })

  it('of two windows leaves what the other has changed', () => {
    const one = reviewChange(NO_REVIEW, { ...NO_REVIEW, decisions: { 'k/a': 'right' }, comment: 'Hm' })!
    const other = reviewChange(NO_REVIEW, { ...NO_REVIEW, decisions: { 'k/b': 'wrong' }, points: 0 })!
    expect(changedReview(changedReview(NO_REVIEW, one), other)).toEqual({
      ...NO_REVIEW,
      decisions: { 'k/a': 'right', 'k/b': 'wrong' },
      comment: 'Hm',
      points: 0,
    })
  })

  it('is refused where it is no decision, no points, no hand', () => {
    for (const bad of [
      { decisions: { 'k/a': 'maybe' } },
      { decisions: { 'k/a': -1 } },
      { decisions: { 'no name': 'right' } },
      { points: -0.5 },
      { alone: { 'teacher:0': { points: 1, comment: '' } } },
      { alone: { 'student:1': { points: 1 } } },
      { levels: { 0: 1.5 } },
      { other: 1 },
    ])
      expect(v.is(ReviewChangeSchema, bad)).toBe(false)
  })
})

describe('part points', () => {
  const item = { is: 'piece', verdict: 'wrong', points: 0, of: 2, reason: { code: 'outside', words: {} } } as const
  const marks: KeyMark[] = [
    {
      key: keyId('k'),
      kind: 'sort',
      points: 0,
      of: 4,
      undecided: 0,
      items: ['a', 'b'].map(name => ({ ...item, item: name })),
    },
  ]
  it('add up, never give more than there is, and all of them are right', () => {
    const of = (a: number) => withDecisions(marks, { 'k/a': a })[0]!
    expect([of(0.5).points, of(0.5).items[0]!.verdict]).toEqual([0.5, 'wrong'])
    expect([of(2).points, of(2).items[0]!.verdict]).toEqual([2, 'right'])
    expect([of(9).points, of(9).items[0]!.verdict]).toEqual([2, 'right'])
    expect([of(0).points, of(0).items[0]!.verdict]).toEqual([0, 'wrong'])
  })

  it('are given in halves of the most there are', () => {
    expect([inHalves(2 / 3, 10), inHalves(0.5, 5), inHalves(0.725, 10), inHalves(1, 7), inHalves(0, 7)]).toEqual([
      6.5, 2.5, 7.5, 7, 0,
    ])
  })
})
