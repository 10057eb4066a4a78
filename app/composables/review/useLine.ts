import { LINE_ORDERS, lineUp, nextWaiting, type InLine, type LineOrder } from '~~/core/review/line'
import type { OutcomesView } from '~/composables/review/useReview'
import type { SlateView } from '~/composables/slate/useSlate'

export interface ToReview {
  readonly view: SlateView
  /** Null where it can't be marked: it is reviewed by the teacher alone. */
  readonly outcomes: OutcomesView | null
}

const FRESH_MS = 30_000

/** The line of those to review, in the order that the teacher likes, and the slates of it, the next one read ahead. */
export function useLine(handout: string) {
  const slates = shallowRef<readonly InLine[]>([])
  const order = useLocalStorage<LineOrder>('review-order', 'waiting')
  if (!LINE_ORDERS.includes(order.value)) order.value = 'waiting'
  /** As it was when it was lined up: nobody moves under one's hands while their slate is looked at. */
  const places = shallowRef<readonly string[]>([])
  const lineUpAnew = () => (places.value = lineUp(slates.value, order.value).map(slate => slate.id))
  watch(order, lineUpAnew)
  const line = computed(() => {
    const known = new Map(slates.value.map(slate => [slate.id, slate]))
    const later = slates.value.filter(slate => !places.value.includes(slate.id))
    return [...places.value.flatMap(id => known.get(id) ?? []), ...later]
  })
  async function read() {
    const now = await ask(`/api/handouts/${handout}/line`).catch(() => null)
    if (!now) return
    slates.value = now
    if (places.value.length === 0) lineUpAnew()
  }

  const ahead = new Map<string, { at: number; found: Promise<ToReview | null> }>()
  const ofSlate = async (slate: string): Promise<ToReview> => {
    const path = `/api/slates/${slate}`
    const [view, outcomes] = await Promise.all([
      askFor<SlateView>(path),
      askFor<OutcomesView>(`${path}/outcomes`).catch(() => null),
    ])
    return { view, outcomes }
  }
  /** Read before it is looked at. What fails then is asked for again, and said, when it is. */
  function readAhead(slate: string | undefined) {
    if (slate && !ahead.has(slate)) ahead.set(slate, { at: Date.now(), found: ofSlate(slate).catch(() => null) })
  }
  async function open(slate: string): Promise<ToReview> {
    const before = ahead.get(slate)
    ahead.delete(slate)
    const known = before && Date.now() - before.at < FRESH_MS ? await before.found : null
    return known ?? ofSlate(slate)
  }
  const beside = (slate: string, by: 1 | -1): InLine | undefined => {
    const at = line.value.findIndex(one => one.id === slate)
    return at < 0 ? undefined : line.value[at + by]
  }
  return { line, order, read, open, readAhead, beside, nextWaiting: (after: string) => nextWaiting(line.value, after) }
}
