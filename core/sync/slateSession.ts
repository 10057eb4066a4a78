import { isStudent, type Actor } from '../slate/actor'
import { nextToUndo, undoOf, type HistoryStep } from '../slate/history'
import { apply, howKnown, invert, type Move } from '../slate/move'
import { opennessTo, waitsOut, whyShut, type Openness, type SlateStatus } from '../slate/status'
import { storable } from '../text/stored'
import type { Envelope, NumberedMove, ServerMessage } from './messages'
import { nextParcel } from './parcel'
import { fateOf, type RefusalCode } from './refusals'
import { dropMoves, makeMoves, receive, receiveWhole, takeUp, type Replica } from './replica'
import type { SessionPorts, SessionStart } from './sessionPorts'

const FIRST_RETRY_MS = 1500
const LONGEST_RETRY_MS = 20_000
export const UNHEARD_MS = 6000
/** A connection that isn't heard is made anew once in this time. */
const LONGEST_WAIT_MS = UNHEARD_MS + 4000

/**
 * One person's work on one slate, over a connection that comes and goes. There is at most one message on its way: what
 * was made first arrives first, whatever is refused, lost or sent again in between.
 */
export class SlateSession {
  private now: Replica
  private own: readonly HistoryStep[]
  private opened: Openness
  /** Whether the server has answered that this slate is open to us; nothing is sent before. */
  private heard = false
  private onWay = new Set<string>()
  /** After a message that couldn't be read as a whole: one move at a time, until the bad one is found. */
  private oneByOne = false
  private wait = FIRST_RETRY_MS
  private cancelRetry: (() => void) | null = null
  private cancelUnheard = () => {}
  private cancelUnanswered = () => {}
  private stopped = false
  private refusal: RefusalCode | null = null
  private timesRefused = 0
  private aside = 0
  private connectedNow = false
  private full = false
  private readonly passedOver = new Set<string>()
  private learning: Promise<void> | null = null
  /** Who waits until all is sent, or it is clear that it won't be soon. */
  private waiting: (() => void)[] = []

  constructor(
    private start: SessionStart,
    private readonly ports: SessionPorts,
  ) {
    this.now = start.replica
    this.own = start.steps
    this.opened = this.toMe(start.openness)
    this.takeUpThese(start.kept ?? [])
  }

  /** Whose part it is, or what may be changed of others', is another now. */
  becomes(actor: Actor): void {
    this.start = { ...this.start, actor }
  }

  get replica(): Replica {
    return this.now
  }
  get steps(): readonly HistoryStep[] {
    return this.own
  }
  get openness(): Openness {
    return this.opened
  }
  /** The last thing that the server wouldn't have, until something is made again. */
  get refused(): RefusalCode | null {
    return this.refusal
  }
  /** How often something was refused: the same thing a second time is news, too. */
  get refusals(): number {
    return this.timesRefused
  }
  private refuse(code: RefusalCode): void {
    this.refusal = code
    this.timesRefused++
  }
  /** How many moves were set aside on this device because they can't be read. */
  get setAside(): number {
    return this.aside
  }
  /** The device has no room: what is made is sent as always, and is lost with the page until it has arrived. */
  get deviceFull(): boolean {
    return this.full
  }
  get unsent(): number {
    return this.now.pending.length
  }

  private get making() {
    return { edition: this.start.edition, actor: this.start.actor }
  }

  /** A connection is there: the slate is asked for before anything is sent. */
  connected(): void {
    this.connectedNow = true
    this.askAnew()
  }

  lost(): void {
    this.connectedNow = false
    this.cancelUnanswered()
    this.stopWaiting()
  }

  private askAnew(): void {
    this.heard = false
    this.clearWay()
    this.open(this.now.number)
  }

  /** The connection was closed because a message was larger than the server takes. */
  tooBig(): void {
    if (this.onWay.size) this.couldNotBeRead('too-big')
  }

  private toMe(openness: Openness): Openness {
    return opennessTo(this.start.actor.author, openness)
  }

  private open(since: number): void {
    const { slate, reader, editionHash } = this.start
    this.ports.send({ say: 'open', slate, since, as: reader, edition: editionHash })
    this.cancelUnanswered()
    // A connection may look open and carry nothing: whoever isn't answered would never hear anything again.
    this.cancelUnanswered = this.ports.after(UNHEARD_MS, () => {
      if (this.connectedNow && !this.stopped) this.ports.renew()
    })
  }

  hear(message: ServerMessage): void {
    if (this.stopped) return
    if (message.say === 'refused') {
      if (message.handout === undefined && (message.slate ?? this.start.slate) === this.start.slate)
        this.hearRefusal(message.code, message.id)
      return
    }
    if (!('slate' in message) || message.slate !== this.start.slate) return
    switch (message.say) {
      case 'slate':
        if (message.edition !== this.start.editionHash) return this.ports.outdated()
        this.settle(
          receiveWhole({
            replica: this.now,
            number: message.number,
            state: message.state,
            edition: this.start.edition,
            actor: this.start.actor,
          }),
        )
        this.opened = this.toMe(message.openness)
        // A whole slate doesn't say which moves are in it. Those on their way are sent again; the server takes each
        // once.
        this.clearWay()
        return this.ready()
      case 'moves':
        return this.hearMoves(message.moves)
      case 'status':
        if (message.openness.status === 'handed-back' || message.openness.status !== this.opened.status)
          this.ports.about()
        this.opened = this.toMe(message.openness)
        if (!waitsOut(this.opened) && (this.refusal === 'paused' || this.refusal === 'collected')) this.refusal = null
        return this.ready()
      case 'edition':
        if (message.edition !== this.start.editionHash) this.ports.outdated()
        return
      case 'members':
        this.ports.about()
        return this.askAnew()
      case 'margin':
      case 'words':
        return this.ports.about()
      case 'closing':
        return this.ports.closing?.()
      case 'talk':
        return this.ports.talk?.()
      case 'pictures':
        return this.ports.pictures?.()
    }
  }

  private ready(): void {
    this.heard = true
    this.cancelUnanswered()
    this.ports.changed()
    this.flush()
  }

  private hearMoves(moves: readonly NumberedMove[]): void {
    if (moves.some(({ move }) => howKnown(move) === 'late')) return this.afterLearning(() => this.open(this.now.number))
    const next = receive(this.now, moves, this.start.edition, this.start.actor)
    if (!next) return this.open(0)
    const numbers = new Map(moves.map(move => [move.id, move.number]))
    if (this.own.some(step => step.number === undefined && numbers.has(step.id))) {
      this.own = this.own.map(step => (numbers.has(step.id) ? { ...step, number: numbers.get(step.id) } : step))
    }
    this.settle(next)
    this.answered(numbers.keys())
  }

  private hearRefusal(code: RefusalCode, id: string | undefined): void {
    if (id === undefined) this.cancelUnanswered()
    switch (fateOf(code)) {
      case 'passing':
        return this.hearPassing(code, id)
      case 'final':
        return this.hearFinal(code, id)
      case 'damaged':
        return id === undefined ? this.couldNotBeRead(code) : this.putAside(id, code)
    }
  }

  private hearPassing(code: RefusalCode, id: string | undefined): void {
    if (code !== 'trouble' && code !== 'too-fast') this.refuse(code)
    if (code === 'paused') this.opened = { ...this.opened, paused: true }
    if (code === 'collected') this.opened = { ...this.opened, status: 'handed-in', collected: true }
    if (id === undefined) this.onWay = new Set()
    else this.onWay.delete(id)
    this.ports.changed()
    // Pencils go up, and slates go back, with news of their own; everything else is tried again, ever more seldom.
    if (!waitsOut(this.opened)) this.retrySoon()
  }

  private hearFinal(code: RefusalCode, id: string | undefined): void {
    this.refuse(code)
    if (id === undefined) {
      // Not a move, but the slate itself: it isn't open to us, and what is waiting stays on this device.
      this.heard = false
      this.clearWay()
      return this.ports.changed()
    }
    this.drop(id)
    this.answered([id])
  }

  /** Which of several moves it was isn't said: they go one by one until it is found. */
  private couldNotBeRead(code: RefusalCode): void {
    const [only] = this.onWay
    if (this.onWay.size === 1 && only !== undefined) return this.putAside(only, code)
    this.oneByOne = true
    this.clearWay()
    this.flush()
  }

  private putAside(id: string, code: RefusalCode): void {
    const envelope = this.now.pending.find(e => e.id === id)
    this.refuse(code)
    if (envelope) {
      this.aside++
      void this.ports.store.setAside(this.start.slate, envelope, code)
      this.drop(id)
    }
    this.answered([id])
  }

  private drop(id: string): void {
    const ids = new Set([id])
    this.own = this.own.filter(step => step.id !== id)
    this.now = dropMoves(this.now, ids, this.start.edition, this.start.actor)
    void this.ports.store.forget(this.start.slate, ids)
  }

  private answered(ids: Iterable<string>): void {
    for (const id of ids) this.onWay.delete(id)
    this.wait = FIRST_RETRY_MS
    this.ports.changed()
    this.flush()
  }

  private settle(next: Replica): void {
    const left = new Set(next.pending.map(e => e.id))
    const done = new Set(this.now.pending.filter(e => !left.has(e.id)).map(e => e.id))
    this.now = next
    if (done.size) void this.ports.store.forget(this.start.slate, done)
  }

  private clearWay(): void {
    this.onWay = new Set()
    this.cancelUnheard()
  }

  private retrySoon(): void {
    if (this.cancelRetry) return
    this.cancelRetry = this.ports.after(this.wait, () => {
      this.cancelRetry = null
      if (this.heard) this.flush()
      else this.open(this.now.number)
    })
    this.wait = Math.min(2 * this.wait, LONGEST_RETRY_MS)
  }

  /** Sends what waits, if nothing is on its way and the slate is open. */
  private flush(): void {
    if (this.onWay.size === 0) {
      this.cancelUnheard()
      if (this.now.pending.length === 0) {
        this.oneByOne = false
        this.stopWaiting()
      }
    }
    if (this.stopped || !this.heard || this.onWay.size || waitsOut(this.opened)) return
    const parcel = nextParcel(this.start.slate, this.now.pending, this.oneByOne ? 1 : undefined)
    if (!parcel) return
    if ('tooBig' in parcel) return this.putAside(parcel.tooBig.id, 'too-big')
    if (!this.ports.send(parcel.message)) return
    this.onWay = new Set(parcel.ids)
    this.cancelUnheard()
    this.cancelUnheard = this.ports.after(UNHEARD_MS, () => {
      if (this.onWay.size) this.ports.renew()
    })
  }

  /** What was made on this device before a reload and hasn't reached the server. */
  async takeUp(): Promise<void> {
    const kept = await this.ports.store.of(this.start.slate)
    if (needLearning(kept)) {
      const learnt = await this.ports.learn().then(
        () => true,
        () => false,
      )
      if (!learnt) return void this.ports.after(FIRST_RETRY_MS, () => this.stopped || void this.takeUp())
    }
    if (this.takeUpThese(kept)) {
      this.ports.changed()
      this.flush()
    }
  }

  /** Others have written, or words are taken back, before anything was written here. */
  private afterLearning(then: () => void): void {
    this.learning ??= this.ports.learn().finally(() => (this.learning = null))
    this.learning.then(
      () => this.stopped || then(),
      () => {
        this.heard = false
        this.retrySoon()
      },
    )
  }

  private takeUpThese(kept: readonly Envelope[]): boolean {
    const known = new Set(this.now.pending.map(e => e.id))
    const fresh = kept.filter(e => !known.has(e.id))
    if (!fresh.length) return false
    const { replica, steps } = takeUp(this.now, fresh, this.making)
    this.now = replica
    // What arrived while the store was read is a step of the server's already.
    const there = new Set(this.own.map(step => step.id))
    this.own = [...this.own, ...steps.filter(step => !there.has(step.id))]
    return true
  }

  /**
   * Makes a move: shown at once, kept on the device, sent when it can be. False when it can't be made; why is told like
   * any refusal. Letters that were typed a moment before pencils went down wait, like what was made without a
   * connection.
   */
  make(move: Move, undoes?: string): boolean {
    if (whyShut(this.opened) && !(move.kind === 'edit' && waitsOut(this.opened))) return false
    const made = this.asMade(move)
    const before = this.now.shown
    const result = apply(before, made, this.making)
    if (!result.ok) {
      this.refuse(result.reason.code)
      this.ports.changed()
      return false
    }
    const envelope: Envelope = { id: this.ports.newId(), move: made, ...(undoes && { undoes }) }
    this.own = [
      ...this.own,
      { id: envelope.id, inverse: undoes ? null : invert(before, made, this.start.edition), undoes },
    ]
    this.now = makeMoves(this.now, [envelope], this.start.edition, this.start.actor)
    this.refusal = null
    this.ports.store.keep(this.start.slate, [envelope]).catch(() => this.couldNotKeep())
    this.ports.changed()
    this.flush()
    return true
  }

  private couldNotKeep(): void {
    this.full = true
    this.ports.changed()
  }

  /** Words without what can't be kept; starting again only in one's own part. */
  private asMade(move: Move): Move {
    if (move.kind === 'write') return { ...move, text: storable(move.text) }
    if (move.kind === 'edit' && move.put) return { ...move, put: { ...move.put, text: storable(move.put.text) } }
    const { part, author, several } = this.start.actor
    if (move.kind !== 'start-again') return move
    const mine = several && isStudent(author)
    return { ...move, by: author, ...(part !== 'all' && { part }), ...(mine && { mine }) }
  }

  /**
   * The step that undo is about, and the move that takes it back: null where somebody else has touched its things
   * since.
   */
  get undoable(): { readonly id: string; readonly move: Move | null } | null {
    if (whyShut(this.opened)) return null
    const step = nextToUndo(this.own, ({ id, inverse }) => inverse !== null && !this.passedOver.has(id))
    return step ? { id: step.id, move: undoOf(step, this.start.actor.author, this.now.confirmed) } : null
  }

  /** What can't be taken back is said, and passed over: the next undo is about the step before it. */
  undo(): boolean {
    const next = this.undoable
    if (!next) return false
    if (next.move && howKnown(next.move) === 'late') {
      this.afterLearning(() => void this.undo())
      return true
    }
    if (next.move) return this.make(next.move, next.id)
    this.passedOver.add(next.id)
    this.refuse('nothing-to-undo')
    this.ports.changed()
    return false
  }

  /** Whether all moves reached the server. While it can be heard, what is on its way is waited for. */
  async allSent(): Promise<boolean> {
    if (this.unsent > 0 && this.connectedNow && !this.stopped) {
      await new Promise<void>(done => {
        this.waiting.push(done)
        this.ports.after(LONGEST_WAIT_MS, done)
      })
    }
    return this.unsent === 0
  }

  private stopWaiting(): void {
    const waiting = this.waiting
    this.waiting = []
    waiting.forEach(done => done())
  }

  /** What the server has answered elsewhere, as when the slate was handed in. */
  isNow(status: SlateStatus): void {
    this.hear({ say: 'status', slate: this.start.slate, openness: { ...this.opened, status } })
  }

  stop(): void {
    this.stopped = true
    this.stopWaiting()
    this.cancelRetry?.()
    this.cancelUnheard()
    this.cancelUnanswered()
  }
}

/** Whether these can be taken up only by who has learnt (`withTexts.ts`). */
export const needLearning = (kept: readonly Envelope[]): boolean => kept.some(({ move }) => howKnown(move) === 'late')
