import type { Board, Page } from '~~/core/board/board'

/**
 * Which page of a board is open, and which of its activities is done now. With a name to keep it by, they are the same
 * on this device when it is opened again; `first` is the page that is opened where nothing is kept.
 */
export function usePages(board: () => Board, keptAs?: string, first = 0) {
  const kept = keptAs === undefined ? null : useLocalStorage(keptAs, `${first} 0`)
  const [pageFirst, stepFirst] = (kept?.value ?? '0 0').split(' ').map(n => Math.max(0, Math.trunc(Number(n)) || 0))
  const index = ref(Math.min(pageFirst!, board().pages.length - 1))
  const stepIndex = ref(stepFirst ?? 0)
  const page = computed((): Page => board().pages[Math.min(index.value, board().pages.length - 1)]!)
  const steps = computed(() => page.value.steps ?? [])
  if (stepIndex.value >= steps.value.length) stepIndex.value = 0
  watch(index, () => (stepIndex.value = 0))
  if (kept) watch([index, stepIndex], ([at, step]) => (kept.value = `${at} ${step}`))
  return {
    index,
    stepIndex,
    page,
    count: computed(() => board().pages.length),
    steps,
    step: computed(() => steps.value[stepIndex.value]?.id ?? null),
  }
}
