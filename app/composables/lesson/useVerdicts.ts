import type { Edition } from '~~/core/board/edition'
import type { Verdict } from '~~/core/keys/outcome'
import type { WalkSlate } from '~/composables/review/useWalk'

interface Known {
  /** Of which number and edition of the slate it is what was asked for. */
  readonly number: number
  readonly edition: Edition
  readonly verdicts: ReadonlyMap<string, Verdict>
}
const NOTHING: ReadonlyMap<string, Verdict> = new Map()
const AGAIN_MS = 10_000
const MOST_AT_ONCE = 200

/** What the keys say of each slate, as the server has marked it; asked for again a moment after a slate has changed. */
export function useVerdicts(handout: string, slates: () => readonly WalkSlate[]) {
  const known = shallowRef<ReadonlyMap<string, Known>>(new Map())
  /** Its key has something else to say by now. */
  const isOld = (slate: WalkSlate) => {
    if (slate.edition.board.keys.length === 0) return false
    const one = known.value.get(slate.id)
    return !one || one.number !== slate.replica.number || one.edition !== slate.edition
  }
  let asking = false
  async function read() {
    const old = slates().filter(isOld).slice(0, MOST_AT_ONCE)
    if (asking || old.length === 0) return
    asking = true
    const body = { slates: old.map(slate => slate.id) }
    const path = `/api/handouts/${handout}/outcomes`
    const answer = await askFor<Record<string, { verdicts: Record<string, Verdict> }>>(path, {
      method: 'POST',
      body,
    }).catch(() => null)
    asking = false
    // Asked again after a while, and not at once, by all who walk round.
    if (!answer) return
    // What can't be marked says nothing, and isn't asked for again before it has changed.
    known.value = new Map([
      ...known.value,
      ...old.map(({ id, replica, edition }): [string, Known] => {
        const verdicts = new Map(Object.entries(answer[id]?.verdicts ?? {}))
        return [id, { number: replica.number, edition, verdicts }]
      }),
    ])
    if (slates().some(isOld)) void readSoon()
  }
  const readSoon = useDebounceFn(read, 300, { maxWait: 1000 })
  watch(slates, () => void readSoon(), { immediate: true })
  // After trouble with the connection.
  useIntervalFn(read, AGAIN_MS)
  return {
    known: shallowReadonly(known),
    verdictsOf: (slate: WalkSlate) => known.value.get(slate.id)?.verdicts ?? NOTHING,
  }
}
