import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import type { StepId } from '~~/core/board/ids'
import { hintsOf } from '~~/core/slate/moves/hint'
import { askedReasons } from '~/composables/slate/reasons'

export type Side = 'talk' | 'beside' | 'hints'

interface Where {
  readonly edition: () => Edition
  readonly page: () => Page
  readonly step: () => StepId | null
  readonly further: () => boolean
}

/** What stands beside the page, one thing at a time; what the page doesn't have is closed when it is turned to. */
export function useBeside({ edition, page, step, further }: Where) {
  const side = ref<Side | null>(null)
  const open = (what: Side) => (side.value = side.value === what ? null : what)
  const besides = computed(() => further() || !!page().notes || askedReasons(edition().board, [page()]).length > 0)
  /** An activity's own hints go before those of its page. */
  const hintOf = computed(() => {
    const at = step()
    return at !== null && hintsOf(edition(), at).length ? at : page().id
  })
  const hints = computed(() => hintsOf(edition(), hintOf.value))
  // Another try asks what is seen differently now.
  watch(further, now => now && (side.value ??= 'beside'))
  watch([() => page().id, besides, () => hints.value.length], () => {
    if ((side.value === 'beside' && !besides.value) || (side.value === 'hints' && !hints.value.length))
      side.value = null
  })
  return { side, open, besides, hintOf, hints }
}
