import type { Said, TalkLine } from '~~/core/handout/talk'
import { NO_REVIEW, reviewChange, type Review } from '~~/core/handout/review'
import type { Levels } from '~~/core/handout/counting'
import { makeEdition } from '~~/core/board/edition'
import { decisionName, withDecisions, type Decision, type Decisions } from '~~/core/keys/mark'
import type { ItemMark, KeyMark } from '~~/core/keys/outcome'
import type { PieceId } from '~~/core/board/ids'
import type { MarginItem, WrittenItem } from '~~/core/margin/item'
import { layOf } from '~~/core/margin/pinned'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import { watchSlates, type SeenSlate } from '~~/core/sync/slatesWatch'
import { canBeginAgain, canHandBack, canMove, type SlateStatus } from '~~/core/slate/status'
import { nanoid } from 'nanoid'
import { provideSeenPictures, type PictureView } from '~/composables/board/pictures'
import type { SlateView } from '~/composables/slate/useSlate'

const SAVE_AFTER = 500
const READ_AFTER = 150

export interface OutcomesView {
  readonly number: number
  readonly keys: readonly KeyMark[]
  /** What they said when it was reviewed, where that is something else by now. */
  readonly reviewed: readonly KeyMark[] | null
  /** What they say of the try before, by the keys as they are now; null for a first. */
  readonly before: readonly KeyMark[] | null
  /** How many moves each student made, by hand. */
  readonly moves: Readonly<Record<string, number>>
}

const sumOf = (marks: readonly KeyMark[]) =>
  marks.reduce(
    (sum, m) => ({ points: sum.points + m.points, of: sum.of + m.of, undecided: sum.undecided + m.undecided }),
    { points: 0, of: 0, undecided: 0 },
  )

/** One slate as its teacher reviews it: the work, live while it is under way, what the key says, and the margin. */
export function useReview(view: SlateView, given: OutcomesView | null, outdated: () => void) {
  const edition = makeEdition(view.board)
  const state = shallowRef(view.state)
  const status = ref(view.openness.status)
  const paused = ref(view.openness.paused)
  const margin = shallowRef(view.margin)
  const decisions = ref<Decisions>(view.review?.decisions ?? {})
  const said = ref(view.said)
  const talk = shallowRef(view.talk)
  const before = shallowRef(view.before)
  const pictures = shallowRef(view.pictures)
  provideSeenPictures(
    () => view.id,
    () => pictures.value.length,
  )
  /** The review as the server has it: what differs from it is still to be saved. */
  let kept: Review = view.review ?? NO_REVIEW
  const comment = ref(kept.comment)
  const points = ref<number | null>(kept.points)
  const levels = ref<Levels>(kept.levels)
  const alone = ref<Review['alone']>(kept.alone)
  const content = (): Review => ({
    decisions: decisions.value,
    comment: comment.value,
    points: points.value,
    levels: levels.value,
    alone: alone.value,
  })
  const trouble = ref('')
  /** Items taken away or added, the latest last: each can be taken back. */
  const done = ref<{ id: string; added: boolean }[]>([])
  const path = `/api/slates/${view.id}`

  /**
   * The slate is watched while it is reviewed; what lies under it, and what was written on it elsewhere, is read anew.
   */
  const { live } = useLive()
  const seen = (now: SlateView): SeenSlate => ({
    id: now.id,
    edition,
    status: now.openness.status,
    movedAt: null,
    replica: receiveWhole({ replica: emptyReplica, number: now.number, state: now.state, edition }),
  })
  const watched = watchSlates<SeenSlate>(live, {
    handout: null,
    slates: [seen(view)],
    async read() {
      const now = await attempt(() => askFor<SlateView>(path))
      if (!now) return null
      said.value = now.said
      talk.value = now.talk
      before.value = now.before
      if (now.edition !== view.edition) outdated()
      return [seen(now)]
    },
    changed() {
      const [slate] = watched.slates
      if (!slate) return
      state.value = slate.replica.shown
      if (slate.replica.number !== outcomes.value?.number) void readOutcomesSoon()
      // What was said with it comes with it.
      if (slate.status !== status.value) void watched.readNow()
      // Another try has begun: what was decided was about the one before.
      if (slate.status === 'under-way' && canBeginAgain(status.value)) forget()
      status.value = slate.status
      if (slate.openness) paused.value = slate.openness.paused
    },
    ended: code => (trouble.value = code),
    about: (_, what) => (what === 'talk' ? void readTalk() : what === 'pictures' ? void readPictures() : undefined),
  })

  /** What the keys say, as the server has marked it: of the number that was last asked about. */
  const outcomes = shallowRef(given)
  const readOutcomes = () => attempt(async () => (outcomes.value = await askFor<OutcomesView>(`${path}/outcomes`)))
  const readOutcomesSoon = useDebounceFn(readOutcomes, READ_AFTER, { maxWait: 1000 })
  const marks = computed(() => withDecisions(outcomes.value?.keys ?? [], decisions.value))
  /** Every item of every key by the name under which the teacher decides on it. */
  const items = computed(
    () => new Map<string, ItemMark>(marks.value.flatMap(m => m.items.map(i => [decisionName(m.key, i.item), i]))),
  )
  const total = computed(() => sumOf(marks.value))

  /** What it came to when it was reviewed; null where that is what it comes to now. */
  const reviewedAs = computed(() => {
    const keys = outcomes.value?.reviewed
    return keys ? sumOf(withDecisions(keys, decisions.value)) : null
  })

  async function attempt<T>(task: () => Promise<T>): Promise<T | undefined> {
    trouble.value = ''
    try {
      return await task()
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      trouble.value = error.code
    }
  }

  const readTalk = () => attempt(async () => (talk.value = await askFor<TalkLine[]>(`${path}/talk`)))
  async function speak(said: Said) {
    await askFor(`${path}/talk`, { method: 'POST', body: { ...said } })
    await readTalk()
  }
  const readPictures = () => attempt(async () => (pictures.value = await askFor<PictureView[]>(`${path}/pictures`)))
  const hideThing = (thing: string, hidden: boolean) =>
    attempt(() => askFor(`${path}/hidden`, { method: 'PUT', body: { id: nanoid(), thing, hidden } }))
  async function approve(picture: string, approved: boolean) {
    await attempt(() => askFor(`${path}/pictures/${picture}/approved`, { method: 'PUT', body: { approved } }))
    await readPictures()
  }
  const hide = (line: TalkLine) =>
    attempt(() => askFor(`${path}/talk/${line.id}`, { method: 'PUT', body: { hidden: !line.hidden } }))

  /** One after the other: what was said last stands last. */
  let sent: Promise<unknown> = Promise.resolve()
  const saveReview = () => (sent = sent.then(() => attempt(saveChange)))
  /** Only what was changed here: whoever reviews it in another window loses nothing by it. */
  async function saveChange() {
    const now = content()
    const body = reviewChange(kept, now)
    if (!body) return
    await askFor(`${path}/review`, { method: 'PUT', body: { ...body } })
    kept = now
  }
  let saving: ReturnType<typeof setTimeout> | undefined
  /** What is still to be saved is saved now: whoever reads it next must find it, and nothing older may come later. */
  async function flush() {
    if (saving !== undefined) {
      clearTimeout(saving)
      saving = undefined
      void saveReview()
    }
    await sent
  }
  function saveSoon() {
    clearTimeout(saving)
    saving = setTimeout(() => void flush(), SAVE_AFTER)
  }
  onScopeDispose(() => void flush())

  /** The teacher's word on an item; the same word again takes it back. */
  function decide(item: string, decision: Decision) {
    const { [item]: before, ...others } = decisions.value
    decisions.value = before === decision ? others : { ...others, [item]: decision }
    saveSoon()
  }

  /** What is written while they work they see at once, where the teacher wants it. */
  const atOnce = ref(true)
  /** What a draft is called once the server has it; null where it didn't take it. */
  const drafts = new Map<string, Promise<string | null>>()
  async function add(item: WrittenItem) {
    // Seen at once; if the server won't have it, it goes again and the reason is said.
    const shown = atOnce.value && canMove(status.value)
    const draft = { id: `draft-${margin.value.length}-${Date.now()}`, item, shown }
    margin.value = [...margin.value, draft]
    const adding = attempt(() => askFor<{ id: string }>(`${path}/margin`, { method: 'POST', body: { item, shown } }))
    drafts.set(
      draft.id,
      adding.then(added => added?.id ?? null),
    )
    const added = await adding
    margin.value = added
      ? margin.value.map(entry => (entry.id === draft.id ? { ...draft, id: added.id } : entry))
      : margin.value.filter(entry => entry.id !== draft.id)
    if (added) done.value = [...done.value, { id: added.id, added: true }]
  }

  /** Off the page and into their tray, all for one reason; undone they lie where they lay. */
  async function setAside(pieces: readonly PieceId[], why: string) {
    const those = pieces.flatMap(piece => {
      const lies = state.value.pieces[piece]
      const page = edition.pieces.get(piece)?.page.id
      return lies && page ? [{ piece, page, lay: layOf(lies) }] : []
    })
    if (those.length === 0) return
    const added = await attempt(() =>
      askFor<{ ids: string[] }>(`${path}/second-thoughts`, {
        method: 'POST',
        body: { pieces: those.map(({ piece, lay }) => ({ piece, lay })), why },
      }),
    )
    if (!added) return
    const entries = those.map((one, i) => ({
      id: added.ids[i]!,
      item: { kind: 'second-thought' as const, ...one, why },
      shown: true,
    }))
    margin.value = [...margin.value, ...entries]
    done.value = [...done.value, ...entries.map(({ id }) => ({ id, added: true }))]
  }

  const removed = new Map<string, { item: MarginItem; shown: boolean }>()
  async function setRemoved(one: string, gone: boolean) {
    // Taken away before the server said what it is called.
    const id = await (drafts.get(one) ?? one)
    if (id === null) return false
    const changed = await attempt(() => askFor(`${path}/margin/${id}`, { method: 'PUT', body: { removed: gone } }))
    if (!changed) return false
    const entry = margin.value.find(e => e.id === id)
    if (gone && entry) {
      removed.set(id, entry)
      margin.value = margin.value.filter(e => e.id !== id)
    } else if (!gone && removed.has(id)) margin.value = [...margin.value, { ...removed.get(id)!, id }]
    return true
  }

  async function remove(id: string) {
    const known = (await drafts.get(id)) ?? id
    if (await setRemoved(known, true)) done.value = [...done.value, { id: known, added: false }]
  }

  async function undo() {
    const step = done.value.at(-1)
    if (step && (await setRemoved(step.id, step.added))) done.value = done.value.slice(0, -1)
  }

  function forget() {
    decisions.value = {}
    comment.value = ''
    points.value = null
    levels.value = {}
    alone.value = {}
    kept = NO_REVIEW
  }
  let handingBack: Promise<void> | null = null
  /** Pressed twice it is done once. */
  const handBack = (again = false) => (handingBack ??= handItBack(again).finally(() => (handingBack = null)))
  async function handItBack(again: boolean) {
    clearTimeout(saving)
    saving = undefined
    await sent
    await attempt(async () => {
      await saveChange()
      status.value = (
        await askFor<{ status: SlateStatus }>(`${path}/hand-back`, { method: 'POST', body: { again } })
      ).status
      if (again) forget()
    })
  }

  return {
    edition,
    state: shallowReadonly(state),
    status: readonly(status),
    paused: readonly(paused),
    atOnce,
    setAside,
    margin,
    said: readonly(said),
    talk: shallowReadonly(talk),
    before: shallowReadonly(before),
    pictures: shallowReadonly(pictures),
    hideThing,
    approve,
    speak,
    hide,
    comment,
    points,
    levels,
    alone,
    marksBefore: computed(() => outcomes.value?.before ?? null),
    marks,
    moves: computed(() => outcomes.value?.moves ?? {}),
    decisions: readonly(decisions),
    trouble,
    items,
    total,
    reviewedAs,
    canUndo: computed(() => done.value.length > 0),
    canHandBack: computed(() => canHandBack(status.value)),
    decide,
    saveSoon,
    flush,
    add,
    remove,
    undo,
    handBack,
  }
}
