import { makeEdition } from '~~/core/board/edition'
import type { Board } from '~~/core/board/board'
import type { BalanceStep } from '~~/core/keys/balance/kind'
import { progress as progressOf } from '~~/core/placement/tasks'
import type { Here } from '~~/core/sync/presence'
import { isStudent, type Actor, type Author } from '~~/core/slate/actor'
import type { Counts, Rubric } from '~~/core/handout/counting'
import { NO_RULES } from '~~/core/handout/noRules'
import type { Rules } from '~~/core/handout/rules'
import type { Said, TalkLine } from '~~/core/handout/talk'
import { isOfSeveral, type SlateKind } from '~~/core/slate/kind'
import type { Due, Looking } from '~~/core/handout/settings'
import type { HistoryStep } from '~~/core/slate/history'
import type { Move } from '~~/core/slate/move'
import { whyShut, type Openness, type SlateStatus } from '~~/core/slate/status'
import { wholeState, type SlateState } from '~~/core/slate/state'
import type { Envelope } from '~~/core/sync/messages'
import { emptyReplica, receiveWhole } from '~~/core/sync/replica'
import type { PictureView } from '~/composables/board/pictures'
import { tellAllFields } from '~/composables/board/openFields'
import { keepView } from '~/sync/views'
import type { MarginEntry, ReviewEntry } from '~/composables/slate/margin'

export interface Member {
  name: string
  hand: number
  part: number | null
  done: boolean
}

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
  /** Of an own page: what its student has called it; of a frame its group. */
  heading: string | null
  /** A teacher keeps it from the others. */
  headingHidden: boolean
  /** The word to the teacher that went with what was handed in. */
  said: string | null
  looking: Looking
  counts: Counts
  mostPoints: number | null
  rubric: Rubric | null
  /** Of a frame: who works on it. */
  members: Member[]
  rules: Rules
  /** How it was when this try began; null in a first. */
  before: { turn: number; state: SlateState; endedAt: string } | null
  talk: TalkLine[]
  pictures: PictureView[]
  word: string
  due: Due | null
  /** Whether it is to be handed in, or being done is enough. */
  handIn: boolean
  /** Help is asked for. */
  hand: boolean
  number: number
  state: SlateState
  board: Board
  steps: HistoryStep[]
  margin: MarginEntry[]
  /** There is a key; a student's device doesn't hold it. */
  keyed: boolean
  /** For the teacher: the true equations reached on a balance with an unknown. */
  balanced: { key: string; steps: BalanceStep[] }[]
  review: ReviewEntry | null
}

const aboutOf = ({
  actor,
  word,
  due,
  handIn,
  hand,
  headingHidden,
  looking,
  rules,
  members,
  before,
  talk,
}: SlateView) => ({ actor, word, due, handIn, hand, headingHidden, looking, rules, members, before, talk })

/** What was kept on the device by an older application lacks what came later. */
const completed = (view: SlateView): SlateView => ({
  ...view,
  state: wholeState(view.state),
  rules: { ...NO_RULES, ...view.rules },
  before: view.before ?? null,
  talk: view.talk ?? [],
  hand: view.hand ?? false,
  headingHidden: view.headingHidden ?? false,
  pictures: view.pictures ?? [],
})

/** Milliseconds between two pictures of what others have done: own moves and letters come before them. */
const APART = 100

/**
 * A student's own slate: shown at once, kept on the device, sent when there is a connection. `kept` is what the device
 * has of it and the server hasn't, where that was read already.
 */
export function useSlate(given: SlateView, outdated: () => void, kept: readonly Envelope[] = []) {
  const view = completed(given)
  const edition = makeEdition(view.board)
  const margin = shallowRef(view.margin)
  const review = shallowRef(view.review)
  /** What goes with the handout; a teacher may change it while they work. */
  const about = shallowRef(aboutOf(view))
  const changes = ref(0)
  /** Counts news of pictures. */
  const picturesChanged = ref(0)

  async function reload() {
    const fresh = await askFor<SlateView>(`/api/slates/${view.id}`).catch(() => null)
    if (!fresh) return
    margin.value = fresh.margin
    review.value = fresh.review
    about.value = aboutOf(fresh)
    session.becomes(fresh.actor)
  }
  async function readTalk() {
    const talk = await askFor<TalkLine[]>(`/api/slates/${view.id}/talk`).catch(() => null)
    if (talk) about.value = { ...about.value, talk }
  }
  const { live, connection } = useLive()
  const session = live.work(
    {
      slate: view.id,
      edition,
      editionHash: view.edition,
      actor: view.actor,
      reader: view.reader,
      replica: receiveWhole({
        replica: emptyReplica,
        number: view.number,
        state: view.state,
        edition,
        actor: view.actor,
      }),
      steps: view.steps,
      openness: view.openness,
      kept,
    },
    {
      changed: onceAFrame(() => changes.value++, APART),
      outdated,
      about: () => void reload(),
      closing: tellAllFields,
      talk: () => void readTalk(),
      pictures: () => picturesChanged.value++,
    },
  )
  /** Who else is on a slate of several; null on one's own. */
  const others = shallowRef<ReadonlyMap<Author, Here>>(new Map())
  const together = isOfSeveral(view.kind)
    ? live.together({
        slate: view.id,
        author: view.actor.author,
        changed: onceAFrame(() => (others.value = together!.others)),
      })
    : null

  // Opened without a connection, the slate is as it was left: what the server has confirmed, and what it hasn't is in
  // the outbox.
  const keepSoon = useDebounceFn(keep, 200, { maxWait: 2000 })
  function keep() {
    // A teacher's has the answers in it, and is for now alone.
    if (!isStudent(view.actor.author)) return
    const { replica, steps, openness } = session
    void keepView(view.reader, `/api/slates/${view.id}`, {
      ...view,
      number: replica.number,
      state: replica.confirmed,
      steps,
      openness,
      margin: margin.value,
      review: review.value,
      ...about.value,
    })
  }
  watch(changes, () => void keepSoon())
  useEventListener(window, 'pagehide', keep)

  /** What the session says, asked again whenever it has changed. */
  const shown = <T>(read: () => T) =>
    computed(() => {
      void changes.value
      return read()
    })
  const state = shown(() => session.replica.shown)

  /** What this hand does is shown at once. */
  function own(work: () => boolean) {
    work()
    changes.value++
  }
  async function become(what: 'hand-in' | 'take-back' | 'again', body: Record<string, unknown> = {}) {
    session.isNow(
      (await askFor<{ status: SlateStatus }>(`/api/slates/${view.id}/${what}`, { method: 'POST', body })).status,
    )
  }

  return {
    live,
    edition,
    state,
    connection,
    picturesChanged,
    others: shallowReadonly(others),
    /** What the others see of this one. */
    be: (change: Parameters<NonNullable<typeof together>['be']>[0]) => together?.be(change),
    unsent: shown(() => session.unsent),
    status: shown(() => session.openness.status),
    shut: shown(() => whyShut(session.openness)),
    refused: shown(() => session.refused),
    refusals: shown(() => session.refusals),
    setAside: shown(() => session.setAside),
    deviceFull: shown(() => session.deviceFull),
    margin: shallowReadonly(margin),
    review: shallowReadonly(review),
    about: shallowReadonly(about),
    progress: computed<ReturnType<typeof progressOf>>(before => {
      const now = progressOf(state.value, edition)
      return before?.placed === now.placed && before.of === now.of ? before : now
    }),
    canUndo: shown(() => session.undoable !== null),
    make: (move: Move) => own(() => session.make(move)),
    undo: () => own(() => session.undo()),
    allSent: () => session.allSent(),
    handIn: (word: string) => become('hand-in', { word }),
    takeBack: () => become('take-back'),
    beginAgain: () => become('again'),
    async sayDone(done: boolean) {
      await ask(`/api/slates/${view.id}/done`, { method: 'PUT', body: { done } })
    },
    async askForHelp(up: boolean) {
      await ask(`/api/slates/${view.id}/hand`, { method: 'PUT', body: { up } })
      about.value = { ...about.value, hand: up }
    },
    /** Sent twice with the same id it stands there once. */
    async speak(said: Said) {
      await ask(`/api/slates/${view.id}/talk`, { method: 'POST', body: { ...said } })
      await readTalk()
    },
  }
}
