import { makeEdition } from '~~/core/board/edition'
import type { Board } from '~~/core/board/board'
import type { Built } from '~~/core/lesson/callOut'
import { handsOf, momentsOf } from '~~/core/review/moments'
import { replayOf, type MadeMove, type Replay } from '~~/core/slate/replay'

interface History {
  whole: boolean
  chapters: { board: Board; moves: MadeMove[] }[]
  calls: { target: string; number: number; is: Built['is']; way: string; after: number | null }[]
}

/** How fast moves follow each other, in milliseconds from one to the next; as they were made where there is none. */
export const SPEEDS = { slow: 1000, quick: 250, quickest: 50, asItWas: null } as const
export type Speed = keyof typeof SPEEDS
/** Milliseconds: nobody waits longer for the next move, however long its maker thought. */
const LONGEST_PAUSE = 3000

/** How a slate came about: read when it is wanted, then looked at from any of its moves. */
export function useReplay(slate: string) {
  const { attempt, trouble } = useAsking()
  const replay = shallowRef<Replay | null>(null)
  const calls = shallowRef<History['calls']>([])
  const whole = ref(true)
  const count = ref(0)
  const playing = ref(false)
  const speed = ref<Speed>('quick')
  let timer: ReturnType<typeof setTimeout> | undefined

  async function open() {
    const read = await attempt(() => askFor<History>(`/api/slates/${slate}/history`))
    if (!read) return
    replay.value = replayOf(read.chapters.map(({ board, moves }) => ({ edition: makeEdition(board), moves })))
    calls.value = read.calls
    whole.value = read.whole
    count.value = replay.value.moves.length
  }
  function close() {
    pause()
    replay.value = null
  }
  const length = computed(() => replay.value?.moves.length ?? 0)
  const moments = computed(() => (replay.value ? momentsOf(replay.value) : []))
  const hands = computed(() => handsOf(replay.value?.moves ?? []))
  const stand = computed(() => replay.value?.after(count.value) ?? null)
  /** The move that was made last; null before the first. */
  const move = computed(() => replay.value?.moves[count.value - 1] ?? null)

  function pause() {
    clearTimeout(timer)
    playing.value = false
  }
  function step() {
    const moves = replay.value?.moves
    if (!moves || count.value >= moves.length) return pause()
    const [now, next] = [moves[count.value - 1], moves[count.value]!]
    const wait = SPEEDS[speed.value] ?? Math.min(LONGEST_PAUSE, now ? next.at - now.at : 0)
    timer = setTimeout(() => {
      count.value++
      step()
    }, wait)
  }
  function play() {
    if (count.value >= length.value) count.value = 0
    playing.value = true
    step()
  }
  onScopeDispose(pause)
  return {
    open,
    close,
    trouble,
    calls: shallowReadonly(calls),
    whole: readonly(whole),
    length,
    moments,
    hands,
    stand,
    move,
    playing: readonly(playing),
    speed,
    count: computed({
      get: () => count.value,
      set(now: number) {
        pause()
        count.value = Math.min(Math.max(0, now), length.value)
      },
    }),
    toggle: () => (playing.value ? pause() : play()),
    /** As it stood after the move of this number. */
    goTo(number: number) {
      pause()
      count.value = replay.value?.moves.filter(one => one.number <= number).length ?? 0
    },
  }
}
