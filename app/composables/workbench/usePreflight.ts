import type { Board } from '~~/core/board/board'
import type { Found } from '~~/core/preflight/preflight'

const AFTER = 150

/**
 * What will go wrong on a board, found anew in a worker shortly after each change. Null until it was first looked
 * through.
 */
export function usePreflight(board: Ref<Board>) {
  const findings = shallowRef<readonly Found[] | null>(null)
  const worker = new Worker(new URL('../../workers/preflight.ts', import.meta.url), { type: 'module' })
  let asked = 0
  worker.addEventListener('message', ({ data }: MessageEvent<{ asked: number; findings: Found[] }>) => {
    // An answer about an older board is passed over.
    if (data.asked === asked) findings.value = data.findings
  })
  const look = useDebounceFn(() => worker.postMessage({ asked: ++asked, board: board.value }), AFTER)
  watch(board, () => void look(), { immediate: true })
  onScopeDispose(() => worker.terminate())
  return findings
}
