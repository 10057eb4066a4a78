import { findingsFrom, ofStatuses, type FindingsData } from '~~/core/findings/findings'
import type { SlateStatus } from '~~/core/slate/status'

interface Asked {
  readonly asked: number
  readonly data: FindingsData
  readonly statuses: readonly SlateStatus[]
}

/** Findings beside the page's own thread: those of a thousand slates are worked out without a dropped frame. */
self.addEventListener('message', ({ data: { asked, data, statuses } }: MessageEvent<Asked>) => {
  const steps = findingsFrom(ofStatuses(data, new Set(statuses)))
  for (;;) {
    const step = steps.next()
    if (step.done) return self.postMessage({ asked, findings: step.value })
    self.postMessage({ asked, share: step.value })
  }
})
