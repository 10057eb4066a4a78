import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import type { Stands, Votes } from '~~/core/findings/counts'
import type { Show, ShowKind } from '~~/core/lesson/show'
import type { Timer } from '~~/core/lesson/timer'
import type { SlateState } from '~~/core/slate/state'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import type { Pointed } from '~~/core/sync/pointing'
import { watchSlates, type SeenSlate } from '~~/core/sync/slatesWatch'
import { timerHere, type TimerHere } from '~/composables/lesson/useLesson'

interface ScreenView {
  kind: ShowKind
  title: string
  page: number
  pen: Show['pen']
  timer: Timer | null
  code: string | null
  /** Where one is shown: null once it is hidden. */
  question?: { words: string; name: string | null; up: number; down: number } | null
  /** What all slates make together, where that is shown. */
  counts?: (Votes | Stands)[]
  boards: Record<string, Board>
  slates: { id: string | null; edition: string; number: number; state: SlateState; name: string | null }[]
}
/** What stands on the class screen, beside its slates. */
export type OnScreen = Omit<ScreenView, 'timer' | 'boards' | 'slates'> & { readonly timer: TimerHere | null }
export interface ScreenSlate extends SeenSlate {
  readonly name: string | null
}

const COUNT_EVERY_MS = 2000

/** What stands on the class screen, live. */
export function useScreen(handout: string) {
  const screen = shallowRef<OnScreen | null>(null)
  const slates = shallowRef<readonly ScreenSlate[]>([])
  /** The board as it is given out, with what is revealed of it: nobody works on it, so nothing of it is followed. */
  const board = shallowRef<ScreenSlate | null>(null)
  const editions = new Map<string, Edition>()
  const trouble = ref('')

  async function read(): Promise<ScreenSlate[] | null> {
    try {
      const { boards, slates: given, timer, ...now } = await askFor<ScreenView>(`/api/handouts/${handout}/screen`)
      screen.value = { ...now, timer: timer && timerHere(timer) }
      trouble.value = ''
      const seen = given.map(({ id, edition: hash, number, state, name }) => {
        const edition = editions.get(hash) ?? makeEdition(boards[hash]!)
        editions.set(hash, edition)
        return {
          id: id ?? '',
          name,
          edition,
          replica: receiveWhole({ replica: emptyReplica, number, state, edition }),
          status: 'under-way' as const,
          movedAt: null,
        }
      })
      board.value = seen.find(one => one.id === '') ?? null
      return seen.filter(one => one.id !== '')
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
      // Whoever is signed out shows nothing any more; without a connection what stands there stays.
      return error.code === 'offline' || error.code === 'trouble' ? null : []
    }
  }
  const { live, connection } = useLive()
  const watched = watchSlates<ScreenSlate>(live, {
    handout: null,
    read,
    changed: () => (slates.value = watched.slates),
    ended: code => {
      trouble.value = code
      screen.value = null
      board.value = null
      slates.value = []
    },
  })
  const pointed = shallowRef<Pointed | null>(null)
  const lesson = live.lesson({
    handout,
    alone: true,
    changed: () => void watched.readNow(),
    pointed: at => (pointed.value = at),
  })
  // What many do is added up now and then, not for each of their moves.
  useIntervalFn(() => screen.value?.kind === 'class' && void watched.readNow(), COUNT_EVERY_MS)
  return {
    screen: shallowReadonly(screen),
    slates: computed(() => (board.value ? [board.value] : slates.value)),
    trouble: readonly(trouble),
    connection,
    /** Where the teacher points on another device. */
    pointed: shallowReadonly(pointed),
    point: (at: Pointed | null) => lesson.point(at),
  }
}
