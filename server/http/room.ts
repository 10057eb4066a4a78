/** So much of something that there is only so much of: memory, or hands. */
export class Room {
  private taken = 0
  constructor(private readonly most: number) {}

  /** False when there isn't so much left. */
  take(much: number): boolean {
    if (much > 0 && this.taken + much > this.most) return false
    this.taken += much
    return true
  }

  giveBack(much: number): void {
    this.taken -= much
  }
}

/** So many at once; more wait in line, and beyond that are refused. */
export class WaitingLine {
  private running = 0
  private readonly waiting: (() => void)[] = []
  constructor(
    private readonly atOnce: number,
    private readonly longest: number,
  ) {}

  /** Null when the line is too long. */
  async through<T>(work: () => Promise<T>): Promise<T | null> {
    if (this.running >= this.atOnce) {
      if (this.waiting.length >= this.longest) return null
      await new Promise<void>(resolve => this.waiting.push(resolve))
    }
    this.running++
    try {
      return await work()
    } finally {
      this.running--
      this.waiting.shift()?.()
    }
  }
}
