import type { ClientMessage, ServerMessage } from './messages'
import type { Pointed } from './pointing'

export interface LessonStart {
  readonly handout: string
  /** Nothing else of the handout is followed over this connection: news have to be asked for. */
  readonly alone?: boolean
  /** Has changed, or may have while there was no connection: it is read anew. */
  readonly changed: () => void
  /** The teacher points, somewhere else, at what is on the class screen; null for no longer. */
  readonly pointed?: (at: Pointed | null) => void
}
interface LessonPorts {
  readonly send: (message: ClientMessage) => boolean
}

/**
 * What the teacher does with the class at work: the timer, what is shown, the questions. News come to whoever follows a
 * slate of the handout, or all of them; who follows none asks for them.
 */
export class LessonWatch {
  private lostOnce = false

  constructor(
    private readonly start: LessonStart,
    private readonly ports: LessonPorts,
  ) {}

  connected(): void {
    // The answer to it is the news that are to be read.
    if (this.start.alone) this.ports.send({ say: 'attend', handout: this.start.handout })
    else if (this.lostOnce) this.start.changed()
  }
  lost(): void {
    this.lostOnce = true
  }
  tooBig(): void {}
  stop(): void {}

  /** Said only, never kept: without a connection it is gone. */
  point(at: Pointed | null): void {
    this.ports.send({ say: 'point', handout: this.start.handout, at })
  }

  hear(message: ServerMessage): void {
    if (message.say === 'lesson' && message.handout === this.start.handout) this.start.changed()
    if (message.say === 'point' && message.handout === this.start.handout) this.start.pointed?.(message.at)
  }
}
