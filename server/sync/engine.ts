import type { Connection } from '../database/connect'
import { EditionCache } from '../database/editions'
import type { NumberedMove } from '../../core/sync/messages'
import { Batcher } from './batcher'
import { listen, type Listening } from './channel'
import { Committer, type Outcome, type Submission } from './commit'
import { Hub } from './hub'

const MOST_A_COMMIT = 500

/** The moves of all slates in this process: taken, stored in batches, and told to whoever follows. */
export class Engine {
  readonly editions = new EditionCache()
  readonly hub: Hub
  private readonly batcher: Batcher<Submission, Outcome>
  private listening: Listening | null = null

  constructor(private readonly connection: Connection) {
    const committer = new Committer(connection.db, this.editions)
    this.hub = new Hub(connection.db)
    this.batcher = new Batcher(batch => committer.commit(batch), MOST_A_COMMIT)
  }

  async start(): Promise<void> {
    this.listening = await listen(this.connection.url, news => void this.hub.hear(news).catch(() => {}), () => void this.hub.recover().catch(() => {}))
  }

  async stop(): Promise<void> {
    await this.listening?.stop()
  }

  /** Outcomes in the order of the moves. Rejects when the database can't be reached; nothing is stored then. */
  async submit(handout: string, submissions: readonly Submission[]): Promise<Outcome[]> {
    const outcomes = await Promise.all(submissions.map(s => this.batcher.add(s)))
    const bySlate = new Map<string, NumberedMove[]>()
    outcomes.forEach((outcome, i) => {
      if (!outcome.ok || !outcome.fresh) return
      const { slate } = submissions[i]!
      bySlate.set(slate, [...bySlate.get(slate) ?? [], outcome.move])
    })
    for (const [slate, moves] of bySlate) await this.hub.made(slate, handout, moves)
    return outcomes
  }
}
