import type { WalkSlate } from '~/composables/review/useWalk'

const READ_EVERY_MS = 8_000
const MINUTE = 60_000

/** Who has which slate before them, read again and again; and how long ago something was, by the server's clock. */
export function useOpenSlates(handout: string) {
  const { t } = useWords()
  const open = shallowRef<Readonly<Record<string, readonly string[]>>>({})
  /** By how much the server is ahead of this device. */
  const ahead = ref(0)
  async function read() {
    if (document.hidden) return
    const answer = await ask(`/api/handouts/${handout}/open`).catch(() => null)
    // Without an answer nobody is known to be here.
    open.value = answer?.slates ?? {}
    if (answer) ahead.value = answer.now - Date.now()
  }
  void read()
  useIntervalFn(read, READ_EVERY_MS)
  useEventListener(document, 'visibilitychange', read)
  const device = useNow({ interval: 10_000 })
  const serverNow = () => Date.now() + ahead.value

  /** Their names, in the order of the slate's people. */
  function openOn(slate: WalkSlate): string[] {
    const there = open.value[slate.id]
    return there ? slate.members.filter(member => there.includes(member.student)).map(member => member.name) : []
  }

  function since(at: number): string {
    const now = device.value.getTime() + ahead.value
    const minutes = Math.floor((now - at) / MINUTE)
    if (minutes < 1) return t('walk.since.now')
    if (minutes < 60) return t('walk.since.minutes', { count: minutes })
    const [then, today] = [new Date(at), new Date(now)]
    if (then.toDateString() === today.toDateString())
      return t('walk.since.time', { time: then.toLocaleTimeString('en-GB', { timeStyle: 'short' }) })
    return t('walk.since.day', { day: then.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' }) })
  }
  return { openOn, since, serverNow }
}
