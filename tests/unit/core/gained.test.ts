import fc from 'fast-check'
import { expect, it } from 'vitest'
import { VERDICTS, type KeyMark, type Verdict } from '../../../core/keys/outcome'
import { gainsOf } from '../../../core/review/gained'
import { keyId } from '../../boards'

const marks = (verdicts: readonly Verdict[]): KeyMark[] => [
  {
    key: keyId('k'),
    kind: 'sort',
    points: 0,
    of: 0,
    undecided: 0,
    items: verdicts.map((verdict, i) => ({
      item: `c${i}`,
      is: 'piece',
      verdict,
      points: 0,
      of: 1,
      reason: { code: 'at-home', words: {} },
    })),
  },
]
const names = (items: readonly { item: string }[]) => items.map(one => one.item)

it('what became of each answer is said, and of what nobody can say it is not', () => {
  const before = marks(['wrong', 'right', 'not-placed', 'right', 'on-the-line', 'wrong', 'wrong'])
  const after = marks(['right', 'wrong', 'right', 'right', 'right', 'on-the-line', 'not-placed'])
  const { gained, lost, keptWrong } = gainsOf(before, after)
  expect([names(gained), names(lost), names(keptWrong)]).toEqual([['c0', 'c2'], ['c1'], ['c6']])
})

it('turned round, what was gained is lost', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.constantFrom(...VERDICTS), fc.constantFrom(...VERDICTS))), pairs => {
      const [one, other] = [marks(pairs.map(([a]) => a)), marks(pairs.map(([, b]) => b))]
      const [there, back] = [gainsOf(one, other), gainsOf(other, one)]
      expect(names(there.gained)).toEqual(names(back.lost))
      expect(names(there.keptWrong)).toEqual(names(back.keptWrong))
      expect(gainsOf(one, one).gained).toEqual([])
    }),
  )
})
