import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { emptyTrail, onTrail, type Trail } from '~~/core/lesson/trail'
import { progress } from '~~/core/placement/tasks'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import { watchSlates, type SeenSlate } from '~~/core/sync/slatesWatch'
import type { Rules } from '~~/core/handout/rules'
import type { Due, FreeFrames, Looking } from '~~/core/handout/settings'
import type { HandoutMode } from '~~/core/slate/kind'
import type { SlateState } from '~~/core/slate/state'
import type { Openness, SlateStatus } from '~~/core/slate/status'

export interface WalkView {
  id: string
  boardId: string
  classId: string
  className: string
  code: string
  mode: HandoutMode
  word: string
  due: Due | null
  handIn: boolean
  rules: Rules
  looking: Looking
  /** Frames that students take themselves. */
  free: FreeFrames | null
  /** Each student makes an own page when they come. */
  ownPages: boolean
  /** Whether whoever comes by the code is in; null for a class with a list. */
  newcomers: 'open' | 'closed' | null
  closed: boolean
  /** False for a teacher who only helps. */
  mayChange: boolean
  /** What newcomers get, and every edition that a slate lies over, by its hash. */
  edition: string
  boards: Record<string, Board>
  /** What some students got instead. */
  versions: { number: number; name: string }[]
  slates: {
    id: string
    version: number | null
    name: string
    heading: string | null
    mark: string | null
    members: WalkMember[]
    edition: string
    status: SlateStatus
    openness: Openness
    number: number
    state: SlateState
    movedAt: string | null
    handAt: string | null
    seenAt: string | null
    handedInAt: string | null
    unreadable: boolean
    waiting: number
  }[]
  /** Students who are on no frame. */
  loose: { student: string; name: string }[]
}
export interface WalkMember {
  student: string
  name: string
  hand: number
  part: number | null
  /** Away today, by the teacher's word. */
  absent: boolean
}
interface Seen extends SeenSlate {
  readonly version: number | null
  readonly name: string
  readonly heading: string | null
  readonly mark: string | null
  readonly members: WalkMember[]
  readonly unreadable: boolean
  /** Since when help is asked for. */
  readonly handAt: number | null
  /** When a teacher last said to have seen it. */
  readonly seenAt: number | null
  /** Pictures that others see once the teacher has let them through. */
  readonly waiting: number
}
export interface WalkSlate extends Seen {
  readonly placed: number
  readonly of: number
  readonly fresh: boolean
  readonly from: Seen
}

/** All slates of a handout, live: read once, and from there on each move as it happens. */
export function useWalk(handout: string) {
  const editions = shallowRef<ReadonlyMap<string, Edition>>(new Map())
  const edition = computed(() => (view.value ? (editions.value.get(view.value.edition) ?? null) : null))
  const view = shallowRef<WalkView | null>(null)
  const slates = shallowRef<ReadonlyMap<string, WalkSlate>>(new Map())
  const trouble = ref('')

  async function read(): Promise<Seen[] | null> {
    try {
      const now = await askFor<WalkView>(`/api/handouts/${handout}?day=${today()}`)
      editions.value = new Map(
        Object.entries(now.boards).map(([hash, board]) => [hash, editions.value.get(hash) ?? makeEdition(board)]),
      )
      view.value = now
      trouble.value = ''
      return now.slates.map(slate => {
        const under = editions.value.get(slate.edition)!
        return {
          id: slate.id,
          version: slate.version,
          name: slate.name,
          heading: slate.mark ? null : slate.heading,
          mark: slate.mark,
          members: slate.members,
          edition: under,
          status: slate.status,
          openness: slate.openness,
          replica: receiveWhole({ replica: emptyReplica, number: slate.number, state: slate.state, edition: under }),
          movedAt: slate.movedAt ? Date.parse(slate.movedAt) : null,
          handAt: slate.handAt ? Date.parse(slate.handAt) : null,
          seenAt: slate.seenAt ? Date.parse(slate.seenAt) : null,
          unreadable: slate.unreadable,
          waiting: slate.waiting,
        }
      })
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
      return null
    }
  }

  const { live, connection } = useLive()
  /** What was done last on each; read whenever there is a connection again, and gone on with from there. */
  const trails = new Map<string, Trail>()
  async function readTrails() {
    const read = await ask(`/api/handouts/${handout}/trails`).catch(() => null)
    if (!read) return
    // What was heard while it was read isn't lost.
    const last = (trail: Trail | undefined) => trail?.steps.at(-1)?.at ?? 0
    for (const [id, trail] of Object.entries(read)) if (last(trail) >= last(trails.get(id))) trails.set(id, trail)
    triggerRef(slates)
  }
  watch(connection, now => now === 'open' && void readTrails())
  const watched = watchSlates<Seen>(live, {
    handout,
    read,
    changed: show,
    ended: code => (trouble.value = code),
    moved: ({ id, edition: under }, moves) => trails.set(id, onTrail(trails.get(id) ?? emptyTrail, moves, under)),
    about: (_, what) => (what === 'pictures' || what === 'words') && void readSoon(),
  })
  /** A class that takes its photos makes one reading of it. */
  const readSoon = useDebounceFn(() => watched.readNow(), 600)

  /** Of each slate that changed its progress is worked out anew; one that was handed in before one's eyes is new. */
  function show() {
    const before = slates.value
    slates.value = new Map(
      watched.slates.map(slate => {
        const known = before.get(slate.id)
        if (known?.from === slate) return [slate.id, known]
        const fresh = known ? known.fresh || (slate.status === 'handed-in' && known.status !== 'handed-in') : false
        return [slate.id, { ...slate, ...progress(slate.replica.shown, slate.edition), fresh, from: slate }]
      }),
    )
  }

  return {
    edition,
    view,
    slates: computed(() => [...slates.value.values()]),
    trailOf: (id: string) => trails.get(id) ?? emptyTrail,
    trouble: readonly(trouble),
    connection,
    live,
    load: () => watched.readNow(),
  }
}
