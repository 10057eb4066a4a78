import type { Author } from '../slate/actor'
import type { ClientMessage, ServerMessage } from './messages'
import { heardHands, type Here } from './presence'

export interface TogetherStart {
  readonly slate: string
  readonly author: Author
  /** Who else is here, or what they hold, has changed. */
  readonly changed: () => void
}

interface TogetherPorts {
  readonly send: (message: ClientMessage) => boolean
  readonly after: (milliseconds: number, then: () => void) => () => void
}

/** What somebody holds is told so often at most; the last of it always. */
export const TELL_EVERY_MS = 100

/**
 * Being together on one slate: who else is here now, what they hold as they hold it, and the same of oneself for them.
 */
export class Together {
  private known: ReadonlyMap<Author, Here> = new Map()
  private here: Here = {}
  private resting = false
  private due = false
  private cancelRest = () => {}
  private stopped = false

  constructor(
    private readonly start: TogetherStart,
    private readonly ports: TogetherPorts,
  ) {}

  /** The others who are here, without oneself. */
  get others(): ReadonlyMap<Author, Here> {
    return this.known
  }

  connected(): void {
    this.say()
  }

  /** Nobody is seen while there is no connection: who is here would only be guessed. */
  lost(): void {
    this.known = new Map()
    this.start.changed()
  }

  tooBig(): void {}

  stop(): void {
    this.stopped = true
    this.cancelRest()
  }

  hear(message: ServerMessage): void {
    if (this.stopped || message.say !== 'hands' || message.slate !== this.start.slate) return
    this.known = heardHands(
      this.known,
      message.hands.filter(([author]) => author !== this.start.author),
      message.whole,
    )
    this.start.changed()
  }

  /** Where one is, what one holds, whether one shows the page: what isn't named stays as it was. */
  be(change: { readonly [Part in keyof Here]: Here[Part] | undefined }): void {
    const next = { ...this.here, ...change }
    if (JSON.stringify(next) === JSON.stringify(this.here)) return
    this.here = next
    if (this.resting) this.due = true
    else this.say()
  }

  private say(): void {
    this.ports.send({ say: 'here', slate: this.start.slate, here: this.here })
    this.due = false
    this.resting = true
    this.cancelRest()
    this.cancelRest = this.ports.after(TELL_EVERY_MS, () => {
      this.resting = false
      if (this.due) this.say()
    })
  }
}
