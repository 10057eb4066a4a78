import type { Connection } from '../database/connect'
import { EditionCache } from '../database/editions'
import { log } from '../log'
import type { News } from '../news/news'
import type { NewsWire } from '../news/wire'
import { Committer, type Reply, type Submission } from './commit'
import { Hub } from './hub'
import { Intake } from './intake'

const LOOK_ROUND_MS = 4000
/** Who has a socket is said so often in the database, for all processes. */
export const SEEN_EVERY_MS = 30_000

/** The moves of all slates in this process: taken, stored, and told to whoever follows. */
export class Engine {
  readonly editions = new EditionCache()
  readonly hub: Hub
  private readonly committer: Committer
  private readonly intake: Intake
  private looking: ReturnType<typeof setInterval> | undefined
  private seeing: ReturnType<typeof setInterval> | undefined

  constructor(private readonly connection: Connection, readonly wire: NewsWire) {
    this.committer = new Committer(connection, this.editions, wire)
    this.hub = new Hub(connection.db)
    this.intake = new Intake(this.committer)
  }

  async start(): Promise<void> {
    const quietly = (work: Promise<void>) => void work.catch((error: unknown) => log.warn({ error: String(error) }, 'news could not be passed on'))
    await this.wire.listen({
      news: (news) => {
        this.unlearn(news)
        quietly(this.hub.hear(news))
      },
      gap: () => quietly(this.hub.recover()),
    })
    this.looking = setInterval(() => quietly(this.hub.lookRound()), LOOK_ROUND_MS)
    this.looking.unref()
    this.seeing = setInterval(() => quietly(this.see()), SEEN_EVERY_MS)
    this.seeing.unref()
  }

  async stop(): Promise<void> {
    clearInterval(this.looking)
    clearInterval(this.seeing)
    await this.committer.stop()
    await this.wire.stop()
  }

  /** Everybody who has a socket here is here now. */
  async see(): Promise<void> {
    const sessions = this.hub.sessions()
    if (sessions.length) await this.connection.db.updateTable('sessions').set({ seen_at: new Date() }).where('id', 'in', sessions).execute()
  }

  /** What is known of a slate is right by its number and epoch; this only saves finding that out from the database. */
  private unlearn(news: News): void {
    if (news.scope === 'slate' && news.changed !== 'margin') this.committer.forget(news.slate)
    if (news.scope === 'handout') this.committer.forgetHandout(news.handout)
  }

  /** What became of a message's moves, in their order. Never rejects; in trouble nothing is stored. */
  async submit(submission: Submission): Promise<Reply> {
    const reply = await this.intake.add(submission)
    const fresh = reply.outcomes.flatMap(outcome => outcome.ok && outcome.fresh ? [outcome.move] : [])
    if (fresh.length && reply.handout) this.hub.made(submission.slate, reply.handout, fresh)
    return reply
  }
}
