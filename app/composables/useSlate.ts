import { nanoid } from 'nanoid'
import { makeEdition } from '~~/core/board/edition'
import type { Board } from '~~/core/board/board'
import type { BalanceStep } from '~~/core/keys/balance'
import { progress as progressOf } from '~~/core/placement/placement'
import { nextToUndo, type Step } from '~~/core/slate/history'
import { apply, invert, type Move } from '~~/core/slate/move'
import { canMove, type SlateStatus } from '~~/core/slate/status'
import type { SlateState } from '~~/core/slate/state'
import { MOST_MOVES_A_MESSAGE, type Envelope, type RefusalCode, type ServerMessage } from '~~/core/sync/messages'
import { dropMove, emptyReplica, makeMove, receive, receiveWhole, type Replica } from '~~/core/sync/replica'
import { outbox } from '~/sync/outbox'
import { openSocket } from '~/sync/socket'
import type { MarginEntry, ReviewEntry } from '~/composables/margin'

export interface SlateView {
  id: string
  status: SlateStatus
  handout: string
  edition: string
  name: string
  number: number
  state: SlateState
  board: Board
  steps: Step[]
  margin: MarginEntry[]
  /** There is a key; a student's device doesn't hold it. */
  keyed: boolean
  /** For the teacher: the true equations reached on a balance with an unknown. */
  balanced: { key: string, steps: BalanceStep[] }[]
  review: ReviewEntry | null
}

/** These come again when the cause is gone: the move stays in the outbox. All other refusals are final. */
const PASSING: ReadonlySet<RefusalCode> = new Set(['trouble', 'too-fast', 'signed-out', 'not-yours'])
const RETRY_MS = 1500
const UNHEARD_MS = 6000
/** A connection that isn't heard is made anew once in this time. */
const LONGEST_WAIT_MS = UNHEARD_MS + 4000

/** A student's own slate: shown at once, kept on the device, sent when there is a connection. */
export function useSlate(view: SlateView) {
  const edition = makeEdition(view.board)
  const replica = shallowRef<Replica>(receiveWhole(emptyReplica, view.number, view.state, edition))
  const steps = shallowRef<readonly Step[]>(view.steps)
  const status = ref(view.status)
  const refused = ref<RefusalCode | null>(null)
  const margin = shallowRef(view.margin)
  const review = shallowRef(view.review)
  let onWay = new Set<string>()
  let retry: ReturnType<typeof setTimeout> | undefined
  let unheard: ReturnType<typeof setTimeout> | undefined

  const socket = openSocket(() => {
    onWay = new Set()
    socket.send({ say: 'open', slate: view.id, since: replica.value.number })
    flush()
  }, hear)

  function flush() {
    const waiting = replica.value.pending.filter(({ id }) => !onWay.has(id)).slice(0, MOST_MOVES_A_MESSAGE)
    if (waiting.length === 0 || !socket.send({ say: 'moves', slate: view.id, moves: waiting })) return
    for (const { id } of waiting) onWay.add(id)
    clearTimeout(unheard)
    unheard = setTimeout(() => {
      if (replica.value.pending.length && socket.state.value === 'open') socket.renew()
    }, UNHEARD_MS)
    flush()
  }

  function settle(next: Replica) {
    const left = new Set(next.pending.map(e => e.id))
    const done = new Set(replica.value.pending.filter(e => !left.has(e.id)).map(e => e.id))
    replica.value = next
    if (done.size) void outbox.forget(view.id, done)
    if (left.size === 0) clearTimeout(unheard)
  }

  function hear(message: ServerMessage) {
    if (!('slate' in message) || message.slate !== view.id) return
    switch (message.say) {
      case 'slate':
        settle(receiveWhole(replica.value, message.number, message.state, edition))
        status.value = message.status
        // A whole slate doesn't say which moves are in it. Those on their way are sent again; the server takes each once.
        onWay = new Set()
        return flush()
      case 'moves': {
        const next = receive(replica.value, message.moves, edition)
        if (next) settle(next)
        else socket.send({ say: 'open', slate: view.id, since: 0 })
        return
      }
      case 'status':
        status.value = message.status
        if (message.status === 'handed-back') void reload()
        return
      case 'margin':
        if (status.value === 'handed-back') void reload()
        return
      case 'refused': return hearRefusal(message.code, message.id)
    }
  }

  function hearRefusal(code: RefusalCode, id: string | undefined) {
    if (PASSING.has(code)) {
      if (id) onWay.delete(id)
      else onWay = new Set()
      clearTimeout(retry)
      retry = setTimeout(flush, RETRY_MS)
      if (code === 'not-yours' || code === 'signed-out') refused.value = code
      return
    }
    refused.value = code
    if (!id) return
    settle(dropMove(replica.value, id, edition))
    steps.value = steps.value.filter(step => step.id !== id)
    void outbox.forget(view.id, new Set([id]))
  }

  async function reload() {
    const fresh = await ask<SlateView>(`/api/slates/${view.id}`).catch(() => null)
    if (!fresh) return
    margin.value = fresh.margin
    review.value = fresh.review
  }

  function show(envelope: Envelope): boolean {
    const before = replica.value.shown
    if (!apply(before, envelope.move, edition).ok) return false
    steps.value = [...steps.value, { id: envelope.id, inverse: invert(before, envelope.move), undoes: envelope.undoes }]
    replica.value = makeMove(replica.value, envelope, edition)
    return true
  }

  function make(move: Move, undoes?: string) {
    if (!canMove(status.value)) return
    const envelope: Envelope = { id: nanoid(), move, ...(undoes && { undoes }) }
    if (!show(envelope)) return
    refused.value = null
    void outbox.keep(view.id, envelope)
    flush()
  }

  /** What was made here before a reload and hasn't reached the server. */
  async function takeUp() {
    const known = new Set(replica.value.pending.map(e => e.id))
    for (const envelope of await outbox.of(view.id)) {
      if (known.has(envelope.id)) continue
      if (!show(envelope)) replica.value = makeMove(replica.value, envelope, edition)
    }
    flush()
  }
  void takeUp()

  const next = computed(() => nextToUndo(steps.value))
  onScopeDispose(() => {
    clearTimeout(retry)
    clearTimeout(unheard)
    socket.close()
  })

  return {
    edition,
    state: computed(() => replica.value.shown),
    unsent: computed(() => replica.value.pending.length),
    connection: socket.state,
    status: readonly(status), refused: readonly(refused), margin: shallowReadonly(margin), review: shallowReadonly(review),
    progress: computed(() => progressOf(replica.value.shown, edition)),
    canUndo: computed(() => next.value !== undefined && canMove(status.value)),
    make: (move: Move) => make(move),
    undo: () => next.value && make(next.value.inverse, next.value.id),
    /** Whether all moves reached the server. While it can be heard, what is on its way is waited for. */
    async allSent() {
      const settled = () => replica.value.pending.length === 0 || socket.state.value !== 'open'
      if (!settled()) await until(settled).toBe(true, { timeout: LONGEST_WAIT_MS })
      return replica.value.pending.length === 0
    },
    async handIn() {
      const { status: now } = await ask<{ status: SlateStatus }>(`/api/slates/${view.id}/hand-in`, { method: 'POST', body: {} })
      status.value = now
    },
  }
}
