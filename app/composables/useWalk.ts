import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { progress } from '~~/core/placement/placement'
import { emptyReplica, receive, receiveWhole, type Replica } from '~~/core/sync/replica'
import type { ServerMessage } from '~~/core/sync/messages'
import type { Due } from '~~/core/handout/settings'
import type { HandoutMode } from '~~/core/slate/kind'
import type { SlateState } from '~~/core/slate/state'
import type { SlateStatus } from '~~/core/slate/status'
import { openSocket } from '~/sync/socket'

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
  closed: boolean
  /** False for a teacher who only helps. */
  mayChange: boolean
  /** What newcomers get, and every edition that a slate lies over, by its hash. */
  edition: string
  boards: Record<string, Board>
  slates: { id: string, name: string, mark: string | null, members: WalkMember[], edition: string, status: SlateStatus, number: number, state: SlateState, movedAt: string | null, handedInAt: string | null, unreadable: boolean }[]
  /** Students who are on no frame. */
  loose: { student: string, name: string }[]
}
export interface WalkMember { student: string, name: string, hand: number, part: number | null }
export interface WalkSlate { id: string, name: string, mark: string | null, members: WalkMember[], edition: Edition, status: SlateStatus, replica: Replica, movedAt: number | null, placed: number, of: number, fresh: boolean, unreadable: boolean }

/** All slates of a handout, live: read once, and from there on each move as it happens. */
export function useWalk(handout: string) {
  const editions = shallowRef<ReadonlyMap<string, Edition>>(new Map())
  const edition = computed(() => view.value ? editions.value.get(view.value.edition) ?? null : null)
  const view = shallowRef<WalkView | null>(null)
  const slates = shallowRef<ReadonlyMap<string, WalkSlate>>(new Map())
  const trouble = ref('')

  const socket = openSocket({ opened: () => socket.send({ say: 'walk', handout }), message: hear })

  /** Asked for once the socket follows the handout, so that nothing falls between the reading and the following. */
  async function load() {
    try {
      const read = await ask<WalkView>(`/api/handouts/${handout}`)
      editions.value = new Map(Object.entries(read.boards).map(([hash, board]) => [hash, editions.value.get(hash) ?? makeEdition(board)]))
      view.value = read
      slates.value = new Map(read.slates.map((s) => {
        const known = slates.value.get(s.id)
        const under = editions.value.get(s.edition)!
        // What was known over another edition says nothing of this one.
        const replica = receiveWhole(known?.edition === under ? known.replica : emptyReplica, s.number, s.state, under)
        return [s.id, withProgress({
          id: s.id, name: s.name, mark: s.mark, members: s.members, edition: under, status: s.status, replica, movedAt: s.movedAt ? Date.parse(s.movedAt) : null, placed: 0, of: 0, fresh: known?.fresh ?? false, unreadable: s.unreadable,
        })]
      }))
    }
    catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
    }
  }

  /** News comes one for each slate; they are read once for all. */
  const loadSoon = useDebounceFn(load, 100)

  function hear(message: ServerMessage) {
    if (message.say === 'walking') return void load()
    if (message.say === 'refused' && message.code === 'not-yours') trouble.value = 'not-yours'
    // Who works where, or what lies under the slates, has changed.
    if (message.say === 'members' || message.say === 'edition') return void loadSoon()
    if (!('slate' in message) || !message.slate) return
    const slate = slates.value.get(message.slate)
    if (!slate) return
    if (message.say === 'moves') {
      const replica = receive(slate.replica, message.moves, slate.edition)
      if (!replica) return void socket.send({ say: 'open', slate: slate.id, since: 0 })
      if (replica.number === slate.replica.number) return
      const status = slate.status === 'not-opened' ? 'under-way' : slate.status
      set({ ...slate, replica, status, movedAt: Date.parse(message.moves.at(-1)!.at) })
    }
    else if (message.say === 'slate') set({ ...slate, status: message.openness.status, replica: receiveWhole(slate.replica, message.number, message.state, slate.edition) })
    else if (message.say === 'status') {
      const { status } = message.openness
      set({ ...slate, status, fresh: slate.fresh || (status === 'handed-in' && slate.status !== 'handed-in') })
    }
  }

  const withProgress = (slate: WalkSlate): WalkSlate => ({ ...slate, ...progress(slate.replica.shown, slate.edition) })
  const set = (slate: WalkSlate) => slates.value = new Map(slates.value).set(slate.id, withProgress(slate))

  onScopeDispose(socket.close)
  return { edition, view, slates: computed(() => [...slates.value.values()]), trouble: readonly(trouble), connection: socket.state, load }
}
