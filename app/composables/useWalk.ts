import type { Board } from '~~/core/board/board'
import { makeEdition, type Edition } from '~~/core/board/edition'
import { progress } from '~~/core/placement/placement'
import { emptyReplica, receive, receiveWhole, type Replica } from '~~/core/sync/replica'
import type { ServerMessage } from '~~/core/sync/messages'
import type { SlateState } from '~~/core/slate/state'
import type { SlateStatus } from '~~/core/slate/status'
import { openSocket } from '~/sync/socket'

export interface WalkView {
  id: string
  boardId: string
  className: string
  code: string
  board: Board
  slates: { id: string, name: string, status: SlateStatus, number: number, state: SlateState, movedAt: string | null, handedInAt: string | null, unreadable: boolean }[]
}
export interface WalkSlate { id: string, name: string, status: SlateStatus, replica: Replica, movedAt: number | null, placed: number, of: number, fresh: boolean, unreadable: boolean }

/** All slates of a handout, live: read once, and from there on each move as it happens. */
export function useWalk(handout: string) {
  const edition = shallowRef<Edition | null>(null)
  const view = shallowRef<WalkView | null>(null)
  const slates = shallowRef<ReadonlyMap<string, WalkSlate>>(new Map())
  const trouble = ref('')

  const socket = openSocket({ opened: () => socket.send({ say: 'walk', handout }), message: hear })

  /** Asked for once the socket follows the handout, so that nothing falls between the reading and the following. */
  async function load() {
    try {
      const read = await ask<WalkView>(`/api/handouts/${handout}`)
      edition.value ??= makeEdition(read.board)
      view.value = read
      slates.value = new Map(read.slates.map((s) => {
        const known = slates.value.get(s.id)
        const replica = receiveWhole(known?.replica ?? emptyReplica, s.number, s.state, edition.value!)
        return [s.id, withProgress({
          id: s.id, name: s.name, status: s.status, replica, movedAt: s.movedAt ? Date.parse(s.movedAt) : null, placed: 0, of: 0, fresh: known?.fresh ?? false, unreadable: s.unreadable,
        })]
      }))
    }
    catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
    }
  }

  function hear(message: ServerMessage) {
    if (message.say === 'walking') return void load()
    if (message.say === 'refused' && message.code === 'not-yours') trouble.value = 'not-yours'
    if (!('slate' in message) || !message.slate) return
    const slate = slates.value.get(message.slate)
    if (!slate || !edition.value) return
    if (message.say === 'moves') {
      const replica = receive(slate.replica, message.moves, edition.value)
      if (!replica) return void socket.send({ say: 'open', slate: slate.id, since: 0 })
      if (replica.number === slate.replica.number) return
      const status = slate.status === 'not-opened' ? 'under-way' : slate.status
      set({ ...slate, replica, status, movedAt: Date.parse(message.moves.at(-1)!.at) })
    }
    else if (message.say === 'slate') set({ ...slate, status: message.openness.status, replica: receiveWhole(slate.replica, message.number, message.state, edition.value) })
    else if (message.say === 'status') {
      const { status } = message.openness
      set({ ...slate, status, fresh: slate.fresh || (status === 'handed-in' && slate.status !== 'handed-in') })
    }
  }

  const withProgress = (slate: WalkSlate): WalkSlate => ({ ...slate, ...progress(slate.replica.shown, edition.value!) })
  const set = (slate: WalkSlate) => slates.value = new Map(slates.value).set(slate.id, withProgress(slate))

  onScopeDispose(socket.close)
  return { edition, view, slates: computed(() => [...slates.value.values()]), trouble: readonly(trouble), connection: socket.state }
}
