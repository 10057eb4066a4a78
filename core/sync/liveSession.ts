import type { ClientMessage, ServerMessage } from './messages'
import type { SessionPorts, SessionStart, SessionStore, WorkEvents } from './sessionPorts'
import { LessonWatch, type LessonStart } from './lessonWatch'
import { SlateSession } from './slateSession'
import { Together, type TogetherStart } from './together'

/** The connection of a device; it comes back by itself. */
export interface Connection {
  /** False when there is no connection; the message is gone then. */
  readonly send: (message: ClientMessage) => boolean
  /** Gives up a connection that looks alive and isn't. */
  readonly renew: () => void
  readonly close: () => void
}

export interface ConnectionEvents {
  readonly opened: () => void
  readonly lost: () => void
  readonly message: (message: ServerMessage) => void
  /** The server closed it since a message was larger than it takes. */
  readonly tooBig: () => void
}

/** What a live session needs of the device it runs on. */
export interface LivePorts {
  readonly connect: (on: ConnectionEvents) => Connection
  /** Calls back once, after so many milliseconds, unless what it returns is called before. */
  readonly after: (milliseconds: number, then: () => void) => () => void
  readonly newId: () => string
  readonly store: SessionStore
  /** As a session needs it. */
  readonly learn: SessionPorts['learn']
}

/** What one of the things that are talked about has of the connection. */
export type LiveLine = Pick<Connection, 'send' | 'renew'> & Pick<LivePorts, 'after'>

/** One of the things that are talked about over the connection. */
export interface Talk {
  readonly connected: () => void
  readonly lost: () => void
  readonly hear: (message: ServerMessage) => void
  readonly tooBig: () => void
  readonly stop: () => void
}

/**
 * All that a device says to the server over its one connection: slates that are worked on, and slates that are watched,
 * alone or with all others of a handout. Each of them is told when the connection comes and goes, and hears what is
 * said;
 * what one of them is refused is no matter of the others.
 */
export class LiveSession {
  private readonly talks = new Set<Talk>()
  private readonly connection: Connection
  private open = false
  private stopped = false

  constructor(private readonly ports: LivePorts) {
    const each = (tell: (talk: Talk) => void) => () => [...this.talks].forEach(tell)
    this.connection = ports.connect({
      opened: () => {
        this.open = true
        each(talk => talk.connected())()
      },
      lost: () => {
        this.open = false
        each(talk => talk.lost())()
      },
      message: message => each(talk => talk.hear(message))(),
      tooBig: each(talk => talk.tooBig()),
    })
  }

  /** Work on a slate: shown at once, kept on the device, sent when there is a connection. */
  work(start: SessionStart, on: WorkEvents): SlateSession {
    const { after, newId, store, learn } = this.ports
    const session = new SlateSession(start, { ...this.line, after, newId, store, learn, ...on })
    this.begin(session)
    // Also where the store was read for the view: what came into it since then would be sent by nobody.
    void session.takeUp()
    return session
  }

  /** One more, of a kind that not every device has (`watchSlates`). */
  further<One extends Talk>(make: (line: LiveLine) => One): One {
    const one = make({ ...this.line, after: this.ports.after })
    this.begin(one)
    return one
  }

  /** Be seen by the others on a slate of several, and see them. */
  together(start: TogetherStart): Together {
    const together = new Together(start, { ...this.line, after: this.ports.after })
    this.begin(together)
    return together
  }

  /** Hear of what the teacher does with the class at work. */
  lesson(start: LessonStart): LessonWatch {
    const lesson = new LessonWatch(start, this.line)
    this.begin(lesson)
    return lesson
  }

  /** Ends one of them; the others go on. */
  leave(talk: Talk): void {
    talk.stop()
    this.talks.delete(talk)
  }

  stop(): void {
    if (this.stopped) return
    this.stopped = true
    for (const talk of this.talks) this.leave(talk)
    this.connection.close()
  }

  private readonly line = {
    send: (message: ClientMessage) => !this.stopped && this.connection.send(message),
    renew: () => this.connection.renew(),
  }

  private begin(talk: Talk): void {
    this.talks.add(talk)
    if (this.open) talk.connected()
  }
}
