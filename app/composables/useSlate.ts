import { nanoid } from 'nanoid'
import { makeEdition } from '~~/core/board/edition'
import type { Board } from '~~/core/board/board'
import type { BalanceStep } from '~~/core/keys/balance'
import { progress as progressOf } from '~~/core/placement/placement'
import type { Actor } from '~~/core/slate/actor'
import type { Due } from '~~/core/handout/settings'
import type { SlateKind } from '~~/core/slate/kind'
import type { Step } from '~~/core/slate/history'
import type { Move } from '~~/core/slate/move'
import { whyShut, type Openness, type SlateStatus } from '~~/core/slate/status'
import type { SlateState } from '~~/core/slate/state'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import { SlateSession, UNHEARD_MS } from '~~/core/sync/slateSession'
import { outbox } from '~/sync/outbox'
import { openSocket } from '~/sync/socket'
import type { MarginEntry, ReviewEntry } from '~/composables/margin'

export interface SlateView {
  id: string
  openness: Openness
  handout: string
  /** The hash of the edition that lies under it. */
  edition: string
  /** Whose hand the reader's is on this slate. */
  actor: Actor
  /** The reader, as signed in. */
  reader: string
  name: string
  kind: SlateKind
  mark: string | null
  /** Of a frame: who works on it. */
  members: { name: string, hand: number, part: number | null }[]
  word: string
  due: Due | null
  /** Whether it is to be handed in, or being done is enough. */
  handIn: boolean
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

/** A connection that isn't heard is made anew once in this time. */
const LONGEST_WAIT_MS = UNHEARD_MS + 4000

/** A student's own slate: shown at once, kept on the device, sent when there is a connection. */
export function useSlate(view: SlateView, outdated: () => void) {
  const edition = makeEdition(view.board)
  const margin = shallowRef(view.margin)
  const review = shallowRef(view.review)
  const changes = ref(0)

  const session = new SlateSession({
    slate: view.id, edition, editionHash: view.edition, actor: view.actor, reader: view.reader,
    replica: receiveWhole(emptyReplica, view.number, view.state, edition, view.actor), steps: view.steps, openness: view.openness,
  }, {
    send: message => socket.send(message),
    renew: () => socket.renew(),
    after(milliseconds, then) {
      const timer = setTimeout(then, milliseconds)
      return () => clearTimeout(timer)
    },
    newId: () => nanoid(),
    store: outbox,
    changed: () => changes.value++,
    outdated,
  })
  const socket = openSocket({
    opened: () => session.connected(),
    message(message) {
      session.hear(message)
      if (!('slate' in message) || message.slate !== view.id) return
      const back = session.openness.status === 'handed-back'
      if (back && (message.say === 'status' || message.say === 'margin')) void reload()
    },
    tooBig: () => session.wasTooBig(),
  })

  async function reload() {
    const fresh = await ask<SlateView>(`/api/slates/${view.id}`).catch(() => null)
    if (!fresh) return
    margin.value = fresh.margin
    review.value = fresh.review
  }
  void session.takeUp()

  /** What the session says, asked again whenever it has changed. */
  const shown = <T>(read: () => T) => computed(() => {
    void changes.value
    return read()
  })
  const status = shown(() => session.openness.status)
  const state = shown(() => session.replica.shown)
  const unsent = shown(() => session.unsent)
  onScopeDispose(() => {
    session.stop()
    socket.close()
  })

  return {
    edition, state, unsent, status,
    connection: socket.state,
    shut: shown(() => whyShut(session.openness)),
    refused: shown(() => session.refused),
    setAside: shown(() => session.setAside),
    margin: shallowReadonly(margin), review: shallowReadonly(review),
    progress: computed(() => progressOf(state.value, edition)),
    canUndo: shown(() => session.undoable !== null),
    make: (move: Move) => void session.make(move),
    undo: () => void session.undo(),
    /** Whether all moves reached the server. While it can be heard, what is on its way is waited for. */
    async allSent() {
      const settled = () => unsent.value === 0 || socket.state.value !== 'open'
      if (!settled()) await until(settled).toBe(true, { timeout: LONGEST_WAIT_MS })
      return unsent.value === 0
    },
    async handIn() {
      const { status: now } = await ask<{ status: SlateStatus }>(`/api/slates/${view.id}/hand-in`, { method: 'POST', body: {} })
      session.hear({ say: 'status', slate: view.id, openness: { ...session.openness, status: now } })
    },
  }
}
