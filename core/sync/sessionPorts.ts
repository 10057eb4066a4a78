import type { Edition } from '../board/edition'
import type { Actor } from '../slate/actor'
import type { HistoryStep } from '../slate/history'
import type { Openness } from '../slate/status'
import type { ClientMessage, Envelope } from './messages'
import type { RefusalCode } from './refusals'
import type { Replica } from './replica'

/** What whoever shows the slate is told. */
export interface WorkEvents {
  /** Something that is shown has changed. */
  readonly changed: () => void
  /** The slate has to be asked for anew: another edition lies under it, or it is somebody else's now. */
  readonly outdated: () => void
  /** What goes with it has changed: its words, or its margin. */
  readonly about: () => void
  /** It is about to be handed in by somebody else: what still stands in a field is made a move now. */
  readonly closing?: () => void
  /** Something was said beside it. */
  readonly talk?: () => void
  /** A picture has come, or may be seen by others now. */
  readonly pictures?: () => void
}

/** What a session needs of the device it runs on. */
export interface SessionPorts extends WorkEvents {
  /** False when there is no connection; the message is gone then. */
  readonly send: (message: ClientMessage) => boolean
  /** Gives up a connection that looks alive and isn't. */
  readonly renew: () => void
  /** Calls back once, after so many milliseconds, unless what it returns is called before. */
  readonly after: (milliseconds: number, then: () => void) => () => void
  readonly newId: () => string
  /** What merges texts (`withTexts.ts`): a device has it from here on. Fails where it can't be had now. */
  readonly learn: () => Promise<void>
  readonly store: SessionStore
}

/** What is kept on the device until the server has it. */
export interface SessionStore {
  readonly keep: (slate: string, envelopes: readonly Envelope[]) => Promise<void>
  /** In the order in which they were made. */
  readonly of: (slate: string) => Promise<Envelope[]>
  readonly forget: (slate: string, ids: ReadonlySet<string>) => Promise<void>
  /** What the server can't read is taken out of the way, and kept. */
  readonly setAside: (slate: string, envelope: Envelope, code: RefusalCode) => Promise<void>
}

export interface SessionStart {
  readonly slate: string
  readonly edition: Edition
  readonly editionHash: string
  readonly actor: Actor
  /** Who the device thinks is signed in. */
  readonly reader: string
  readonly replica: Replica
  readonly steps: readonly HistoryStep[]
  readonly openness: Openness
  /** What the device's store holds of it, where that was read already: it shows from the first moment on. */
  readonly kept?: readonly Envelope[]
}
