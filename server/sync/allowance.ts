import type { SentEnvelope } from '../../core/sync/messages'

/** Points a second, and at most: a message costs one and one more for each 8 KB, a move a fortieth. */
const POINTS_A_SECOND = 40
const MOST_POINTS = 160
/**
 * Refusals that are borne with; they are forgotten as steadily as points come back, so that only a flood gathers them.
 */
const PATIENCE = 400
const BYTES_A_POINT = 8192
const MOVES_A_POINT = 40

/**
 * What a socket may ask of the server: a bucket that fills at a steady rate, so that a burst passes and a flood does
 * not.
 */
export class Allowance {
  private points = MOST_POINTS
  private last: number
  private refused = 0

  constructor(private readonly now: () => number) {
    this.last = now()
  }

  /** For a message when it comes, by its length; *flood* when it has gone on for too long. */
  spend(length: number): 'fine' | 'too-fast' | 'flood' {
    const now = this.now()
    const gained = ((now - this.last) / 1000) * POINTS_A_SECOND
    this.points = Math.min(MOST_POINTS, this.points + gained)
    this.refused = Math.max(0, this.refused - gained)
    this.last = now
    if (this.points < 1) return ++this.refused > PATIENCE ? 'flood' : 'too-fast'
    this.points -= 1 + length / BYTES_A_POINT
    return 'fine'
  }

  /** For what is in it, once it is read. It may go into debt: what is begun is done, and what comes next waits. */
  spendOn(envelopes: readonly SentEnvelope[]): void {
    this.points -= envelopes.length / MOVES_A_POINT
  }
}
