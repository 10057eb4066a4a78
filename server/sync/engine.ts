import { nanoid } from 'nanoid'
import type { Author } from '../../core/slate/actor'
import type { Move } from '../../core/slate/move'
import type { Pointed } from '../../core/sync/pointing'
import type { Connection } from '../database/connect'
import { EditionCache } from '../database/editions'
import { log } from '../log'
import type { News } from '../news/news'
import type { NewsWire } from '../news/wire'
import type { Actor } from '../rights/actor'
import { Committer, type Reply, type Submission } from './commit'
import { Hub, type Listener } from './hub'
import { Intake } from './intake'
import { OpenSlates, SEEN_EVERY_MS } from './openSlates'
import { AGAIN_EVERY_MS, Presence } from './presence'

const LOOK_ROUND_MS = 4000

/** What decides on the moves of a slate, and what only stands beside it. */
const DECIDES: Readonly<Record<Extract<News, { scope: 'slate' }>['changed'], boolean>> = {
  status: true,
  members: true,
  edition: true,
  margin: false,
  words: false,
  talk: false,
  pictures: false,
  closing: false,
}

/** The moves of all slates in this process: taken, stored, and told to whoever follows. */
export class Engine {
  readonly editions = new EditionCache()
  readonly hub: Hub
  readonly presence: Presence
  readonly open: OpenSlates
  private readonly committer: Committer
  private readonly intake: Intake
  private looking: ReturnType<typeof setInterval> | undefined
  private sayingAgain: ReturnType<typeof setInterval> | undefined
  private seeing: ReturnType<typeof setInterval> | undefined

  constructor(
    private readonly connection: Connection,
    readonly wire: NewsWire,
  ) {
    this.committer = new Committer(connection, this.editions, wire)
    this.hub = new Hub(connection.db)
    this.intake = new Intake(this.committer)
    this.open = new OpenSlates(
      connection.db,
      () => this.hub.open(),
      error => log.warn({ error: String(error) }, 'who has a slate open could not be written down'),
    )
    this.presence = new Presence({
      origin: wire.origin,
      tell: (slate, message) => this.hub.tellFollowers(slate, message),
      announce: news => wire.tellPassing(news),
      now: Date.now,
      after: (milliseconds, then) => void setTimeout(then, milliseconds).unref(),
    })
  }

  async start(): Promise<void> {
    const quietly = (work: Promise<void>) =>
      void work.catch((error: unknown) => log.warn({ error: String(error) }, 'news could not be passed on'))
    await this.wire.listen({
      news: news => {
        if (news.scope === 'here') return this.presence.hear(news)
        if (news.scope === 'point') {
          if (news.from !== this.wire.origin) this.hub.tellPoint(news.handout, news.at)
          return
        }
        this.unlearn(news)
        quietly(this.hub.hear(news))
      },
      gap: () => quietly(this.hub.recover()),
    })
    this.looking = setInterval(() => quietly(this.hub.lookRound()), LOOK_ROUND_MS)
    this.looking.unref()
    this.sayingAgain = setInterval(() => this.presence.again(), AGAIN_EVERY_MS)
    this.sayingAgain.unref()
    this.seeing = setInterval(() => quietly(this.see()), SEEN_EVERY_MS)
    this.seeing.unref()
  }

  async stop(): Promise<void> {
    clearInterval(this.looking)
    clearInterval(this.seeing)
    clearInterval(this.sayingAgain)
    this.open.stop()
    await this.committer.stop()
    await this.wire.stop()
  }

  /** Everybody who has a socket here is here now. */
  async see(): Promise<void> {
    const sessions = this.hub.sessions()
    if (sessions.length)
      await this.connection.db
        .updateTable('sessions')
        .set({ seen_at: new Date() })
        .where('id', 'in', sessions)
        .execute()
    await this.open.again()
  }

  /** What is known of a slate is right by its number and epoch; this only saves finding that out from the database. */
  private unlearn(news: News): void {
    if (news.scope === 'slate' && DECIDES[news.changed]) this.committer.forget(news.slate)
    if (news.scope === 'handout' && news.changed !== 'lesson') this.committer.forgetHandout(news.handout)
  }

  /**
   * Moves of who leads the lesson, on a slate that is anybody's; whoever calls this has asked whether they may. False
   * where one of them wasn't taken.
   */
  async lead(slate: string, { who, author }: { who: Actor; author: Author }, moves: readonly Move[]): Promise<boolean> {
    const envelopes = moves.map(move => ({ id: nanoid(), move }))
    const reply = await this.submit({ slate, who, hold: null, leads: author, envelopes })
    return reply.outcomes.every(outcome => outcome.ok)
  }

  /** A teacher points at what is on the class screen: told to all screens, in every process, and kept nowhere. */
  point(handout: string, at: Pointed | null, by: Listener): void {
    this.hub.tellPoint(handout, at, by)
    this.wire.tellPassing([{ scope: 'point', from: this.wire.origin, handout, at }])
  }

  /** What became of a message's moves, in their order. Never rejects; in trouble nothing is stored. */
  async submit(submission: Submission): Promise<Reply> {
    const reply = await this.intake.add(submission)
    const fresh = reply.outcomes.flatMap(outcome => (outcome.ok && outcome.fresh ? [outcome.move] : []))
    if (fresh.length && reply.handout) this.hub.made(submission.slate, reply.handout, fresh)
    return reply
  }
}
