import { builder, waysOf, type Built } from '~~/core/lesson/callOut'
import type { WalkSlate } from '~/composables/review/useWalk'

/** A target that is called, as it is told. */
export interface CallOutView {
  readonly id: string
  readonly number: number
  readonly page: number
  readonly target: string
}

/** Who has what is called, and how they built it, live. */
export function useCallOut(call: () => CallOutView | null, slates: () => readonly WalkSlate[]) {
  const known = new WeakMap<WalkSlate, { readonly call: string; readonly built: Built | null }>()
  let reading: { readonly call: string; readonly built: ReturnType<typeof builder> } | null = null
  /** Null where nothing is called, or it isn't for this slate. */
  function builtOf(slate: WalkSlate): Built | null {
    const now = call()
    if (!now || slate.status !== 'under-way') return null
    const before = known.get(slate)
    if (before?.call === now.id) return before.built
    if (reading?.call !== now.id) reading = { call: now.id, built: builder(now.target, now.page) }
    const built = reading.built(slate.replica.shown, slate.edition)
    known.set(slate, { call: now.id, built })
    return built
  }
  const builds = computed(() =>
    slates().flatMap(slate => {
      const built = builtOf(slate)
      return built ? [{ slate: slate.id, built }] : []
    }),
  )
  return {
    builtOf,
    builds,
    ways: computed(() => waysOf(builds.value)),
    there: computed(() => builds.value.filter(({ built }) => built.is === 'there').length),
  }
}
