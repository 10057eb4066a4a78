import type { Board, Page } from '~~/core/board/board'

/** Which page of a board is open, and which of its activities is done now. */
export function usePages(board: () => Board) {
  const index = ref(0)
  const stepIndex = ref(0)
  const page = computed((): Page => board().pages[Math.min(index.value, board().pages.length - 1)]!)
  watch(index, () => (stepIndex.value = 0))
  return {
    index,
    stepIndex,
    page,
    count: computed(() => board().pages.length),
    steps: computed(() => page.value.steps ?? []),
    step: computed(() => page.value.steps?.[stepIndex.value]?.id ?? null),
  }
}
