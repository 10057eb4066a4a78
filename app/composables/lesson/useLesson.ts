import type { JarSetting } from '~~/core/lesson/jar'
import type { NudgeSent } from '~~/core/lesson/nudge'
import type { Show } from '~~/core/lesson/show'
import type { Timer } from '~~/core/lesson/timer'
import type { LiveSession } from '~~/core/sync/liveSession'
import type { CallOutView } from '~/composables/lesson/useCallOut'

/** The lesson as who leads it sees it. */
export interface LessonView {
  paused: boolean
  timer: Timer | null
  show: Show
  jar: JarSetting
  call: CallOutView | null
  /** What was said last to each slate, a little while ago. */
  nudges: NudgeSent[]
}

/** A timer on this device: when it ends by the device's own count of time since it was started, not by its clock. */
export type TimerHere = Omit<Timer, 'left'> & { readonly endsAt: number }

export const timerHere = ({ left, ...timer }: Timer): TimerHere => ({ ...timer, endsAt: performance.now() + left })

/** What the teacher does with the class at work, read now and whenever it has changed. */
export function useLesson<Lesson extends { readonly timer: Timer | null }>(
  { path, handout }: { readonly path: string; readonly handout: string },
  live: Pick<LiveSession, 'lesson'>,
) {
  const lesson = shallowRef<(Omit<Lesson, 'timer'> & { readonly timer: TimerHere | null }) | null>(null)
  /** Counts readings. */
  const version = ref(0)
  let turn = 0
  /** Of several readings at once the last one counts. Without a connection what was read stays. */
  async function read(): Promise<void> {
    const mine = ++turn
    const now = await askFor<Lesson>(path).catch(() => null)
    if (!now || mine !== turn) return
    lesson.value = { ...now, timer: now.timer && timerHere(now.timer) }
    version.value++
  }
  live.lesson({ handout, changed: () => void read() })
  void read()
  return { lesson: shallowReadonly(lesson), version: readonly(version), read }
}
