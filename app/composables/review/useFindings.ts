import type { GroupAlone } from '~~/core/findings/alone'
import type { Findings, FindingsData } from '~~/core/findings/findings'
import type { SlateStatus } from '~~/core/slate/status'

export interface FindingsView extends FindingsData {
  readonly hints: { readonly slates: number; readonly looks: number }
  readonly unmarked: number
  readonly handIn: boolean
  /** Names of those on whose slates nothing was done. */
  readonly idle: readonly string[]
  /** Of frames: beside the same students alone. */
  readonly alone: { readonly groups: readonly GroupAlone[] } | null
}

/** While work goes on findings are read anew so often; of slates on which nothing was done since nothing is marked. */
const READ_EVERY_MS = 8000
/** … and of a large handout less often. */
const READ_LARGE_EVERY_MS = 30_000
const LARGE = 120

/** What a handout tells, worked out in a worker: anew as work comes in, of the slates in these states. */
export function useFindings(handout: string) {
  const { attempt, trouble } = useAsking()
  const view = shallowRef<FindingsView | null>(null)
  const statuses = ref<readonly SlateStatus[]>(['under-way', 'handed-in', 'handed-back'])
  const findings = shallowRef<Findings | null>(null)
  /** How much of it is worked out, from 0 to 1; null while nothing is. */
  const share = ref<number | null>(null)

  const worker = new Worker(new URL('../../workers/findings.ts', import.meta.url), { type: 'module' })
  let asked = 0
  worker.addEventListener(
    'message',
    ({ data }: MessageEvent<{ asked: number; share?: number; findings?: Findings }>) => {
      // What was asked before is passed over.
      if (data.asked !== asked) return
      share.value = data.share ?? null
      if (data.findings) findings.value = data.findings
    },
  )
  onScopeDispose(() => worker.terminate())
  watch([view, statuses], () => {
    if (!view.value) return
    const { hints: _, unmarked: __, idle: ___, alone: ____, handIn: _____, ...data } = view.value
    worker.postMessage({ asked: ++asked, data, statuses: [...statuses.value] })
    share.value = 0
  })

  let last = ''
  async function read() {
    const now = await attempt(() => askFor<FindingsView>(`/api/handouts/${handout}/findings`))
    if (!now) return
    const text = JSON.stringify(now)
    if (text !== last) view.value = now
    last = text
  }
  const every = computed(() => ((view.value?.slates.length ?? 0) > LARGE ? READ_LARGE_EVERY_MS : READ_EVERY_MS))
  useIntervalFn(() => void (document.visibilityState === 'visible' && read()), every)
  return { view, statuses, findings, share, trouble, read }
}
