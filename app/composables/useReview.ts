import { makeEdition } from '~~/core/board/edition'
import { decisionName, markSlate, withDecisions, type Decisions, type ItemMark } from '~~/core/keys/mark'
import type { MarginItem } from '~~/core/margin/item'
import { emptyReplica, receive, receiveWhole } from '~~/core/sync/replica'
import type { ServerMessage } from '~~/core/sync/messages'
import { canHandBack, type SlateStatus } from '~~/core/slate/status'
import { openSocket } from '~/sync/socket'
import type { SlateView } from './useSlate'

const SAVE_AFTER = 500

/** One slate as its teacher reviews it: the work, live while it is under way, what the key says, and the margin. */
export function useReview(view: SlateView) {
  const edition = makeEdition(view.board)
  const replica = shallowRef(receiveWhole(emptyReplica, view.number, view.state, edition))
  const status = ref(view.openness.status)
  const margin = shallowRef(view.margin)
  const decisions = ref<Decisions>(view.review?.decisions ?? {})
  const comment = ref(view.review?.comment ?? '')
  const trouble = ref('')
  /** Items taken away or added, the latest last: each can be taken back. */
  const done = ref<{ id: string, added: boolean }[]>([])
  const path = `/api/slates/${view.id}`

  const socket = openSocket({ opened: () => socket.send({ say: 'open', slate: view.id, since: replica.value.number }), message: hear })
  function hear(message: ServerMessage) {
    if (!('slate' in message) || message.slate !== view.id) return
    if (message.say === 'slate') {
      replica.value = receiveWhole(replica.value, message.number, message.state, edition)
      status.value = message.openness.status
    }
    else if (message.say === 'status') status.value = message.openness.status
    else if (message.say === 'moves') {
      const next = receive(replica.value, message.moves, edition)
      if (next) replica.value = next
      else socket.send({ say: 'open', slate: view.id, since: 0 })
    }
  }

  const marks = computed(() => withDecisions(markSlate(replica.value.shown, edition), decisions.value))
  /** Every item of every key by the name under which the teacher decides on it. */
  const items = computed(() => new Map<string, ItemMark>(marks.value.flatMap(m => m.items.map(i => [decisionName(m.key, i.item), i]))))
  const total = computed(() => marks.value.reduce((sum, m) => ({
    points: sum.points + m.points, of: sum.of + m.of, undecided: sum.undecided + m.undecided,
  }), { points: 0, of: 0, undecided: 0 }))

  async function attempt<T>(task: () => Promise<T>): Promise<T | undefined> {
    trouble.value = ''
    try {
      return await task()
    }
    catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
    }
  }

  const saveReview = () => attempt(() => ask(`${path}/review`, { method: 'PUT', body: { decisions: decisions.value, comment: comment.value } }))
  const saveSoon = useDebounceFn(saveReview, SAVE_AFTER)

  /** The teacher's word on an item; the same word again takes it back. */
  function decide(item: string, verdict: 'right' | 'wrong') {
    const { [item]: before, ...others } = decisions.value
    decisions.value = before === verdict ? others : { ...others, [item]: verdict }
    void saveSoon()
  }

  async function add(item: MarginItem) {
    // Seen at once; if the server won't have it, it goes again and the reason is said.
    const draft = { id: `draft-${margin.value.length}-${Date.now()}`, item }
    margin.value = [...margin.value, draft]
    const added = await attempt(() => ask<{ id: string }>(`${path}/margin`, { method: 'POST', body: item }))
    margin.value = added
      ? margin.value.map(entry => entry.id === draft.id ? { ...draft, id: added.id } : entry)
      : margin.value.filter(entry => entry.id !== draft.id)
    if (added) done.value = [...done.value, { id: added.id, added: true }]
  }

  const removed = new Map<string, MarginItem>()
  async function setRemoved(id: string, gone: boolean) {
    const changed = await attempt(() => ask(`${path}/margin/${id}`, { method: 'PUT', body: { removed: gone } }))
    if (!changed) return false
    const entry = margin.value.find(e => e.id === id)
    if (gone && entry) {
      removed.set(id, entry.item)
      margin.value = margin.value.filter(e => e.id !== id)
    }
    else if (!gone && removed.has(id)) margin.value = [...margin.value, { id, item: removed.get(id)! }]
    return true
  }

  async function remove(id: string) {
    if (await setRemoved(id, true)) done.value = [...done.value, { id, added: false }]
  }

  async function undo() {
    const step = done.value.at(-1)
    if (step && await setRemoved(step.id, step.added)) done.value = done.value.slice(0, -1)
  }

  async function handBack() {
    await attempt(async () => {
      await ask(`${path}/review`, { method: 'PUT', body: { decisions: decisions.value, comment: comment.value } })
      status.value = (await ask<{ status: SlateStatus }>(`${path}/hand-back`, { method: 'POST', body: {} })).status
    })
  }

  onScopeDispose(socket.close)
  return {
    edition, state: computed(() => replica.value.shown), status: readonly(status), margin, comment, decisions: readonly(decisions), trouble,
    items, total, canUndo: computed(() => done.value.length > 0), canHandBack: computed(() => canHandBack(status.value)),
    decide, saveSoon, add, remove, undo, handBack,
  }
}
