import type { Committer, Reply, Submission } from './commit'
import { MOST_STORED } from './storing'

/** Statements under way at once: while one waits for the disk, others are worked on. */
const LANES = 3
/** Slates that go the careful way at once; more wait, and delay nobody else. */
const CAREFUL = 6
const MOST_MOVES = 500

interface Waiting {
  readonly submission: Submission
  readonly resolve: (reply: Reply) => void
}

/**
 * Gathers what arrives while the lanes are busy, so that under load many moves share one commit and an idle server
 * makes nobody wait. A slate is in one lane at a time, so its messages are taken in the order in which they came.
 */
export class Intake {
  private waiting: Waiting[] = []
  private readonly busy = new Set<string>()
  private lanes = 0
  private cautious = 0
  private readonly queue: Waiting[][] = []
  private due = false

  constructor(private readonly committer: Pick<Committer, 'quick' | 'careful'>) {}

  /** Never rejects: trouble is an outcome. */
  add(submission: Submission): Promise<Reply> {
    return new Promise(resolve => {
      this.waiting.push({ submission, resolve })
      this.pumpSoon()
    })
  }

  private pumpSoon(): void {
    if (this.due) return
    this.due = true
    // Everything that came in the same turn of the event loop travels together.
    setImmediate(() => {
      this.due = false
      while (this.lanes < LANES) {
        const batch = this.next()
        if (batch.length === 0) break
        this.lanes++
        void this.run(batch)
      }
    })
  }

  private next(): Waiting[] {
    const batch: Waiting[] = []
    const slates = new Set<string>()
    let moves = 0
    const left: Waiting[] = []
    // What comes behind a message that waits mustn't overtake it.
    const behind = new Set<string>()
    for (const item of this.waiting) {
      const { slate, envelopes } = item.submission
      const room = slates.has(slate) || slates.size < MOST_STORED
      if (
        !this.busy.has(slate)
        && !behind.has(slate)
        && room
        && (moves === 0 || moves + envelopes.length <= MOST_MOVES)
      ) {
        batch.push(item)
        slates.add(slate)
        moves += envelopes.length
      } else {
        left.push(item)
        behind.add(slate)
      }
    }
    for (const slate of slates) this.busy.add(slate)
    this.waiting = left
    return batch
  }

  private async run(batch: readonly Waiting[]): Promise<void> {
    const replies = await this.committer.quick(batch.map(item => item.submission))
    const left = new Map<string, Waiting[]>()
    batch.forEach((item, i) => {
      const reply = replies[i]
      const { slate } = item.submission
      if (reply) item.resolve(reply)
      else left.set(slate, [...(left.get(slate) ?? []), item])
    })
    for (const {
      submission: { slate },
    } of batch)
      if (!left.has(slate)) this.busy.delete(slate)
    this.lanes--
    this.queue.push(...left.values())
    this.takeCare()
    this.pumpSoon()
  }

  private takeCare(): void {
    while (this.cautious < CAREFUL && this.queue.length) {
      const items = this.queue.shift()!
      this.cautious++
      void this.committer.careful(items.map(item => item.submission)).then(replies => {
        items.forEach((item, i) => item.resolve(replies[i]!))
        this.cautious--
        this.busy.delete(items[0]!.submission.slate)
        this.takeCare()
        this.pumpSoon()
      })
    }
  }
}
