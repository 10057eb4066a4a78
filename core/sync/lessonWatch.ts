import type { ServerMessage } from './messages'

interface LessonStart {
  readonly handout: string
  /** Has changed, or may have while there was no connection: it is read anew. */
  readonly changed: () => void
}

/**
 * What the teacher does with the class at work: the timer, what is called out, the questions. News come to whoever
 * follows a slate of the handout, or all of them; this only hears them.
 */
export class LessonWatch {
  private lostOnce = false

  constructor(private readonly start: LessonStart) {}

  connected(): void {
    if (this.lostOnce) this.start.changed()
  }
  lost(): void {
    this.lostOnce = true
  }
  tooBig(): void {}
  stop(): void {}

  hear(message: ServerMessage): void {
    if (message.say === 'lesson' && message.handout === this.start.handout) this.start.changed()
  }
}
