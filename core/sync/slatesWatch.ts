import type { Edition } from '../board/edition'
import type { Openness, SlateStatus } from '../slate/status'
import { knowTexts } from '../slate/withTexts'
import type { LiveLine, LiveSession } from './liveSession'
import type { NumberedMove, ServerMessage } from './messages'
import { fateOf, type RefusalCode } from './refusals'
import { receive, receiveWhole, type Replica } from './replica'

/** One of the slates that are looked at, and not touched. */
export interface SeenSlate {
  readonly id: string
  readonly edition: Edition
  readonly replica: Replica
  readonly status: SlateStatus
  /** Absent where only the status is known. */
  readonly openness?: Openness
  /** When the last move was made, in milliseconds; null where that is not known. */
  readonly movedAt: number | null
}

export interface WatchStart<Slate extends SeenSlate> {
  /** All slates of this handout are followed by one word, as they come and go; null: each by itself. */
  readonly handout: string | null
  /** What is known already; without it, the slates are read as soon as there is a connection. */
  readonly slates?: readonly Slate[]
  /** The slates as they are now; null when they can't be read just now: what is shown stays, and it is tried again. */
  readonly read: () => Promise<readonly Slate[] | null>
  readonly changed: () => void
  /** May no longer be looked at. */
  readonly ended: (code: RefusalCode) => void
  /** Moves of a slate that is known, as they are heard. */
  readonly moved?: (slate: Slate, moves: readonly NumberedMove[]) => void
  /** What goes with a slate has changed: its margin, its words, what is said beside it, its pictures. */
  readonly about?: (slate: string, what: 'margin' | 'words' | 'talk' | 'pictures') => void
}

type WatchPorts = Pick<LiveLine, 'send' | 'after'>

/** News come one for each slate; they are read once for all. */
export const READ_AFTER_MS = 100
const LONGEST_RETRY_MS = 20_000

/**
 * What a message makes of a slate; null when it changes nothing there, 'gap' when the whole of it has to be asked for.
 */
function heardOf<Slate extends SeenSlate>(slate: Slate, message: ServerMessage): Slate | 'gap' | null {
  switch (message.say) {
    case 'moves': {
      const replica = receive(slate.replica, message.moves, slate.edition)
      if (!replica) return 'gap'
      if (replica.number === slate.replica.number) return null
      const status = slate.status === 'not-opened' ? 'under-way' : slate.status
      return { ...slate, replica, status, movedAt: Date.parse(message.moves.at(-1)!.at) }
    }
    case 'slate':
      return {
        ...slate,
        status: message.openness.status,
        openness: message.openness,
        replica: receiveWhole({
          replica: slate.replica,
          number: message.number,
          state: message.state,
          edition: slate.edition,
        }),
      }
    case 'status':
      return { ...slate, status: message.openness.status, openness: message.openness }
    case 'edition':
    case 'members':
    case 'hands':
    case 'margin':
    case 'words':
    case 'talk':
    case 'pictures':
    case 'closing':
    case 'walking':
    case 'lesson':
    case 'point':
    case 'refused':
      return null
  }
}

/**
 * Slates that somebody looks at, live. They are followed first and read then (those of a handout), or read first and
 * followed from there (each by itself), so that nothing falls in between. Who works where and what lies under a slate
 * is read anew whenever news say that it has changed.
 */
class SlatesWatch<Slate extends SeenSlate> {
  private known: ReadonlyMap<string, Slate>
  private reading = 0
  private followed = false
  private wait = READ_AFTER_MS
  private cancelRead: (() => void) | null = null
  private stopped = false
  /** Whole slates are asked for once, until they come. */
  private readonly asked = new Set<string>()

  constructor(
    private readonly start: WatchStart<Slate>,
    private readonly ports: WatchPorts,
  ) {
    this.known = byId(start.slates ?? [])
  }

  /** In the order in which they were read. */
  get slates(): readonly Slate[] {
    return [...this.known.values()]
  }

  connected(): void {
    this.asked.clear()
    this.wait = READ_AFTER_MS
    this.follow()
  }

  lost(): void {}
  tooBig(): void {}

  stop(): void {
    this.stopped = true
    this.cancelRead?.()
    if (this.start.handout === null) for (const slate of this.known.keys()) this.ports.send({ say: 'close', slate })
  }

  private follow(): void {
    const { handout, slates } = this.start
    if (handout !== null) this.ports.send({ say: 'walk', handout })
    // After a time without a connection anything may have changed, what lies under the slates too; at first it is as it
    // was given.
    else if (slates && !this.followed) this.openAll()
    else void this.readNow()
    this.followed = true
  }

  /** Reads all of them anew; of several readings at once the last one counts. */
  async readNow(): Promise<void> {
    const turn = ++this.reading
    const read = await this.start.read()
    if (turn !== this.reading || this.stopped) return
    if (!read) return this.later(() => void this.readNow())
    const before = this.known
    this.known = byId(read.map(slate => this.carriedOn(slate)))
    this.start.changed()
    if (this.start.handout !== null) return
    // What is looked at no more is followed no more.
    for (const id of before.keys()) if (!this.known.has(id)) this.ports.send({ say: 'close', slate: id })
    this.openAll()
  }

  /** What was heard while it was read isn't lost; what was known over another edition says nothing of this one. */
  private carriedOn(slate: Slate): Slate {
    const before = this.known.get(slate.id)
    if (before?.edition !== slate.edition) return slate
    const { number, confirmed } = slate.replica
    return {
      ...slate,
      replica: receiveWhole({ replica: before.replica, number, state: confirmed, edition: slate.edition }),
    }
  }

  private openAll(): void {
    for (const { id, replica } of this.known.values())
      this.ports.send({ say: 'open', slate: id, since: replica.number })
  }

  /** News are gathered; after refusals it is asked ever more seldom. */
  private readonly readSoon = () => this.inAWhile(() => void this.readNow())

  private later(again: () => void): void {
    if (this.inAWhile(again)) this.wait = Math.min(2 * this.wait, LONGEST_RETRY_MS)
  }

  private inAWhile(then: () => void): boolean {
    if (this.cancelRead || this.stopped) return false
    this.cancelRead = this.ports.after(this.wait, () => {
      this.cancelRead = null
      then()
    })
    return true
  }

  hear(message: ServerMessage): void {
    if (this.stopped) return
    if (message.say === 'walking') {
      if (message.handout === this.start.handout) void this.readNow()
      return
    }
    if (message.say === 'refused') return this.hearRefusal(message)
    if (message.say === 'lesson' || message.say === 'point') return
    if (message.say === 'members' || message.say === 'edition') {
      if (this.start.handout !== null || this.known.has(message.slate)) this.readSoon()
      return
    }
    const slate = this.known.get(message.slate)
    if (!slate) return
    if (message.say === 'margin' || message.say === 'words' || message.say === 'talk' || message.say === 'pictures')
      return this.start.about?.(slate.id, message.say)
    this.take(slate, message)
  }

  private take(slate: Slate, message: ServerMessage): void {
    if (message.say === 'slate') this.asked.delete(slate.id)
    this.wait = READ_AFTER_MS
    const heard = heardOf(slate, message)
    if (heard === 'gap') return this.askWhole(slate.id)
    if (!heard) return
    this.known = new Map(this.known).set(heard.id, heard)
    if (message.say === 'moves') this.start.moved?.(heard, message.moves)
    this.start.changed()
  }

  private askWhole(slate: string): void {
    if (this.asked.has(slate)) return
    this.asked.add(slate)
    this.ports.send({ say: 'open', slate, since: 0 })
  }

  private hearRefusal({ slate, handout, code }: Extract<ServerMessage, { say: 'refused' }>): void {
    if (handout !== undefined && handout !== this.start.handout) return
    if (slate !== undefined && !this.known.has(slate)) return
    // A slate that can't be read is one that says so; it doesn't keep the others from being looked at.
    if (code === 'unreadable') return
    if (code === 'signed-out') return this.start.ended(code)
    if (fateOf(code) === 'passing') {
      this.asked.clear()
      return this.later(() => this.follow())
    }
    // It isn't open to them any more: reading says what still is.
    if (slate !== undefined) return this.later(() => void this.readNow())
    if (handout !== undefined) this.start.ended(code)
  }
}

const byId = <Slate extends SeenSlate>(slates: readonly Slate[]) => new Map(slates.map(slate => [slate.id, slate]))

/** Slates that are looked at: those of a handout that is walked round, or single ones. */
export function watchSlates<Slate extends SeenSlate>(live: LiveSession, start: WatchStart<Slate>): SlatesWatch<Slate> {
  knowTexts()
  return live.further(line => new SlatesWatch(start, line))
}
