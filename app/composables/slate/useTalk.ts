import type { TalkLine } from '~~/core/handout/talk'
import { isStudent } from '~~/core/slate/actor'
import type { Side } from '~/composables/slate/useBeside'

interface Beside {
  readonly slate: string
  readonly lines: () => readonly TalkLine[]
  /** Whether students may begin it. */
  readonly mayTalk: () => boolean
  readonly several: boolean
  readonly side: () => Side | null
}

/**
 * What is said beside the whole page: among several, or between a student and the teacher, who may always be answered.
 * What was said while nobody looked is still new the next time.
 */
export function useTalk({ slate, lines, mayTalk, several, side }: Beside) {
  const talk = computed(() => lines().filter(line => line.about === null))
  const talks = computed(() => mayTalk() || talk.value.length > 0)
  const open = computed(() => mayTalk() || (!several && talk.value.some(line => !isStudent(line.by))))
  const heard = useLocalStorage(`heard on ${slate}`, 0)
  watch([side, () => talk.value.length], () => side() === 'talk' && (heard.value = talk.value.length), {
    immediate: true,
  })
  /** What is written and not said yet. */
  const draft = ref('')
  return { talk, talks, open, draft, unread: computed(() => Math.max(0, talk.value.length - heard.value)) }
}
