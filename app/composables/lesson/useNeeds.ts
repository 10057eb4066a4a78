import type { Verdict } from '~~/core/keys/outcome'
import { needsOf, type Need, type Watched } from '~~/core/lesson/needs'
import type { Trail } from '~~/core/lesson/trail'
import { useVerdicts } from '~/composables/lesson/useVerdicts'
import type { WalkSlate } from '~/composables/review/useWalk'

/** What a key says of a slate so far. */
export interface SaidSoFar {
  readonly right: number
  readonly wrong: number
  readonly line: number
}

/**
 * Who needs the teacher, and what the key says so far. Worked out a moment after something has changed, not for each
 * move.
 */
export function useNeeds({
  handout,
  slates,
  trailOf,
  now,
}: {
  readonly handout: string
  readonly slates: () => readonly WalkSlate[]
  readonly trailOf: (id: string) => Trail
  /** The server's time: that of a device may be an hour off. */
  readonly now: () => number
}) {
  const needs = shallowRef<ReadonlyMap<string, readonly Need[]>>(new Map())
  const { known, verdictsOf } = useVerdicts(handout, slates)
  const watched = (slate: WalkSlate): Watched => ({
    ...slate,
    trail: trailOf(slate.id),
    verdicts: slate.status === 'under-way' ? verdictsOf(slate) : new Map(),
    hints: Object.values(slate.replica.shown.hints).reduce((sum, count) => sum + count, 0),
  })
  const work = () => (needs.value = needsOf(slates().map(watched), now()))
  const workSoon = useDebounceFn(work, 200, { maxWait: 1000 })
  watch([slates, known], () => void workSoon())
  useIntervalFn(work, 10_000)

  function saidSoFar(slate: WalkSlate): SaidSoFar {
    const verdicts = [...verdictsOf(slate).values()]
    const count = (verdict: Verdict) => verdicts.filter(one => one === verdict).length
    return { right: count('right'), wrong: count('wrong'), line: count('on-the-line') }
  }
  return { needs: shallowReadonly(needs), saidSoFar }
}
