import { CompiledQuery, sql, type Kysely, type Transaction } from 'kysely'
import type { Connection } from '../database/connect'
import type { EditionCache } from '../database/editions'
import type { Database } from '../database/tables'
import { log } from '../log'
import type { NewsWire } from '../news/wire'
import type { Author } from '../../core/slate/actor'
import type { SentEnvelope } from '../../core/sync/messages'
import type { RefusalCode } from '../../core/sync/refusals'
import type { Actor } from '../rights/actor'
import { holdToMove, type Hold } from '../rights/hold'
import { Cache } from './cache'
import { earlierMoves } from './earlierMoves'
import { headsOf, loadKnown } from './loadKnown'
import { Snapshots } from './snapshots'
import { prepared, store, STORE_MOVES, type RunStatement, type Storing } from './storing'
import { work, type Earlier, type Known, type Outcome, type StoredMove, type Worked } from './working'

/** One message's moves: they are stored in their order, and where the server is in trouble none from there on is. */
export interface Submission {
  readonly slate: string
  readonly who: Actor
  readonly hold: Hold | null
  /** By who leads the lesson, on whosever slate: its right was asked by whoever submits it. */
  readonly leads?: Author
  readonly envelopes: readonly SentEnvelope[]
}
export interface Reply {
  readonly outcomes: readonly Outcome[]
  /** What the sender may do there now, as far as it was asked anew. */
  readonly hold: Hold | null
  readonly handout: string | null
}

const SLATES_KNOWN = 5000
/** How long a slate that somebody holds is waited for; only its own moves wait. */
const LOCK_WAIT_MS = 2000

const refused = (submission: Submission, code: RefusalCode): Reply => ({
  outcomes: submission.envelopes.map(() => ({ ok: false, code })),
  hold: submission.hold,
  handout: null,
})

/**
 * Orders, checks and stores moves. The quick way takes many slates in one statement, by what this process knows of
 * them; it is right because the statement stores nothing where that has changed. Whatever it can't vouch for (a slate
 * that changed or is held, a move that is there already, a refusal that nothing confirmed) goes the careful way: one
 * slate, under its lock.
 */
export class Committer {
  private readonly known = new Cache<string, Known>(SLATES_KNOWN)

  private readonly run: RunStatement
  private readonly snapshots: Snapshots

  constructor(
    private readonly connection: Connection,
    private readonly editions: EditionCache,
    private readonly wire: NewsWire,
  ) {
    this.run = prepared(connection.commits)
    this.snapshots = new Snapshots(connection.db)
  }

  /** Writes what is still to be written. */
  stop(): Promise<void> {
    return this.snapshots.flush()
  }

  /** News say that a slate has changed beside its moves: it is read anew when it is next needed. */
  forget(slate: string): void {
    this.known.delete(slate)
  }

  forgetHandout(handout: string): void {
    for (const known of this.known.values()) if (known.handout === handout) this.known.delete(known.id)
  }

  /**
   * Replies to what could be stored at once; undefined for what has to go the careful way. In the order of the batch.
   * Never throws.
   */
  async quick(batch: readonly Submission[]): Promise<(Reply | undefined)[]> {
    try {
      return await this.tryQuick(batch)
    } catch (error) {
      // A move that the database won't have fails the statement for all; one by one only the guilty one is refused.
      if (isAboutData(error)) return batch.map(() => undefined)
      log.error({ error: describe(error) }, 'moves could not be stored')
      return batch.map(submission => refused(submission, 'trouble'))
    }
  }

  private async tryQuick(batch: readonly Submission[]): Promise<(Reply | undefined)[]> {
    const { db } = this.connection
    await this.learn(batch.map(s => s.slate))
    const earlier = await this.earlierFor(db, batch, false)
    const at = new Date()
    const worked = new Map<string, { known: Known; fresh: StoredMove[]; before: Known }>()
    const results = batch.map((submission): Worked | undefined => {
      const before = worked.get(submission.slate)?.known ?? this.known.get(submission.slate)
      if (!before || submission.hold?.epoch !== before.epoch) return undefined
      const result = work({
        known: before,
        envelopes: submission.envelopes,
        actor: submission.hold.actor,
        earlier: earlier(before),
        at: at.toISOString(),
      })
      const so = worked.get(submission.slate)
      worked.set(submission.slate, {
        known: result.known,
        fresh: [...(so?.fresh ?? []), ...result.fresh],
        before: so?.before ?? before,
      })
      return result
    })
    // A slate is stored whole or not at all: what one of its messages can't vouch for, the next can't build on.
    const doubtful = new Set(batch.filter((_, i) => !results[i]).map(s => s.slate))
    const storings: Storing[] = [...worked]
      .filter(([slate, { fresh }]) => fresh.length && !doubtful.has(slate))
      .map(([slate, { before, fresh }]) => ({ slate, number: before.number, epoch: before.epoch, moves: fresh }))
    const stored = storings.length ? await store(this.run, storings, at) : new Map<string, number>()
    for (const [slate, epoch] of stored) {
      const { known, before } = worked.get(slate)!
      this.known.set(slate, { ...known, epoch })
      this.keepSnapshot(before, known)
    }
    for (const { slate } of storings) if (!stored.has(slate)) this.known.delete(slate)
    this.tellStored([...stored.keys()])
    return batch.map((submission, i) => {
      const epoch = stored.get(submission.slate)
      const result = results[i]
      if (!result || epoch === undefined) return undefined
      return {
        outcomes: result.outcomes,
        hold: { actor: submission.hold!.actor, epoch },
        handout: result.known.handout,
      }
    })
  }

  /** Other processes hear of it in a moment; nobody waits for that. */
  private tellStored(slates: readonly string[]): void {
    this.wire.tellMoves(slates.flatMap(slate => this.known.get(slate) ?? []))
  }

  /** Reads what isn't known yet, for all slates at once. */
  private async learn(slates: readonly string[]): Promise<void> {
    const unknown = [...new Set(slates)].filter(slate => !this.known.has(slate))
    if (unknown.length === 0) return
    const heads = await headsOf(this.connection.db).where('slates.id', 'in', unknown).execute()
    for (const [slate, known] of await loadKnown(this.connection.db, this.editions, heads))
      if (known !== 'unreadable') this.known.set(slate, known)
  }

  /** One slate's messages, under its lock, by what the database says now. Never throws. */
  async careful(submissions: readonly Submission[]): Promise<Reply[]> {
    try {
      return await this.underLock(submissions)
    } catch (error) {
      this.known.delete(submissions[0]!.slate)
      if (isAboutData(error)) return this.oneByOne(submissions)
      // A slate that somebody holds is no fault of the server's.
      if (!isHeld(error)) log.error({ error: describe(error) }, 'moves could not be stored')
      return submissions.map(submission => refused(submission, 'trouble'))
    }
  }

  /** The database won't have one of these moves: the guilty one is refused, its neighbours pass. */
  private async oneByOne(submissions: readonly Submission[]): Promise<Reply[]> {
    const [only] = submissions
    if (submissions.length === 1 && only!.envelopes.length === 1) return [refused(only!, 'malformed')]
    const replies: Reply[] = []
    for (const submission of submissions) {
      const outcomes: Outcome[] = []
      let last: Reply | undefined
      for (const envelope of submission.envelopes) {
        ;[last] = await this.careful([{ ...submission, envelopes: [envelope] }])
        outcomes.push(...last!.outcomes)
        // In trouble, nothing that was made later may go first.
        if (last!.outcomes.some(o => !o.ok && o.code === 'trouble')) break
      }
      const left = submission.envelopes.slice(outcomes.length).map((): Outcome => ({ ok: false, code: 'trouble' }))
      replies.push({ outcomes: [...outcomes, ...left], hold: last?.hold ?? null, handout: last?.handout ?? null })
    }
    return replies
  }

  private async underLock(submissions: readonly Submission[]): Promise<Reply[]> {
    const { slate } = submissions[0]!
    const { db } = this.connection
    const done = await db.transaction().execute(async trx => {
      await sql.raw(`set local lock_timeout = ${LOCK_WAIT_MS}`).execute(trx)
      // Locked first and read then: a reading that waits for the lock would see the slate as it is, and its handout as
      // it was.
      await trx.selectFrom('slates').select('id').where('id', '=', slate).forNoKeyUpdate().execute()
      const head = await headsOf(trx).where('slates.id', '=', slate).executeTakeFirst()
      if (!head) return { replies: submissions.map(submission => refused(submission, 'not-yours')) }
      const memory = this.known.get(slate)
      const fresh =
        memory?.number === head.last_number && memory.epoch === head.epoch
          ? memory
          : (await loadKnown(trx, this.editions, [head])).get(slate)!
      if (fresh === 'unreadable') return { replies: submissions.map(submission => refused(submission, 'unreadable')) }
      return this.workUnderLock(trx, fresh, submissions)
    })
    if ('known' in done) {
      this.known.set(slate, done.known)
      this.keepSnapshot(done.before, done.known)
      if (done.known.number > done.before.number) this.tellStored([slate])
    } else this.known.delete(slate)
    return done.replies
  }

  private async workUnderLock(trx: Transaction<Database>, before: Known, submissions: readonly Submission[]) {
    const earlier = await this.earlierFor(trx, submissions, true)
    const at = new Date()
    const moves: StoredMove[] = []
    let known = before
    const replies: Reply[] = []
    for (const submission of submissions) {
      const hold = submission.leads
        ? { actor: { author: submission.leads, part: 'all' as const }, epoch: known.epoch }
        : await holdToMove(trx, submission.who, submission.slate)
      if (!hold) {
        replies.push(refused({ ...submission, hold: null }, 'not-yours'))
        continue
      }
      const result = work({
        known,
        envelopes: submission.envelopes,
        actor: hold.actor,
        earlier: withFresh(earlier(known), moves),
        at: at.toISOString(),
      })
      known = result.known
      moves.push(...result.fresh)
      replies.push({ outcomes: result.outcomes, hold, handout: known.handout })
    }
    if (moves.length) {
      const run = async (values: unknown[]) =>
        (await trx.executeQuery<{ id: string; epoch: number }>(CompiledQuery.raw(STORE_MOVES, values))).rows
      const stored = await store(run, [{ slate: before.id, number: before.number, epoch: before.epoch, moves }], at)
      const epoch = stored.get(before.id)
      if (epoch === undefined) throw new Error('a slate changed under its own lock')
      known = { ...known, epoch }
    }
    return {
      replies: replies.map(reply => (reply.hold ? { ...reply, hold: { ...reply.hold, epoch: known.epoch } } : reply)),
      known,
      before,
    }
  }

  /**
   * The moves that these refer to and that aren't remembered: what they take back; and, asked whole, those that are
   * here already. (The quick way needn't ask for these: its statement stores nothing of a slate that has one of them.)
   */
  private async earlierFor(
    db: Kysely<Database>,
    submissions: readonly Submission[],
    whole: boolean,
  ): Promise<(known: Known) => Earlier> {
    const asked = submissions.flatMap(({ slate, envelopes }) =>
      envelopes.flatMap(({ id, undoes }) => {
        const remembered = (wanted: string) => !whole && this.known.get(slate)?.recent.some(m => m.id === wanted)
        return [...(whole ? [id] : []), ...(undoes !== undefined && !remembered(undoes) ? [undoes] : [])].map(
          wanted => ({ slate, wanted }),
        )
      }),
    )
    const rows = asked.length ? await earlierMoves(db, asked).execute() : []
    return ({ id: slate, recent }) => {
      const there: readonly StoredMove[] = [
        ...recent,
        ...rows
          .filter(row => row.slate_id === slate)
          .map(({ slate_id: _, at, undoes, ...row }) => ({
            ...row,
            at: at.toISOString(),
            ...(undoes !== null && { undoes }),
          })),
      ]
      return { byId: id => there.find(m => m.id === id), undone: id => there.some(m => m.undoes === id) }
    }
  }

  private keepSnapshot(before: Known, after: Known): void {
    if (Math.floor(after.number / SNAPSHOT_EVERY) !== Math.floor(before.number / SNAPSHOT_EVERY))
      this.snapshots.add(after)
  }
}

/** So that opening a slate takes one snapshot and at most fifty moves, with those that come until it is written. */
const SNAPSHOT_EVERY = 30

const withFresh = (earlier: Earlier, fresh: readonly StoredMove[]): Earlier => ({
  byId: id => fresh.find(m => m.id === id) ?? earlier.byId(id),
  undone: id => fresh.some(m => m.undoes === id) || earlier.undone(id),
})

const codeOf = (error: unknown) => String((error as { code?: unknown } | null)?.code ?? '')
/** SQLSTATE class 22: data that can't be stored; 23: a constraint (PostgreSQL's documentation, appendix A). */
const isAboutData = (error: unknown) => /^2[23]/.test(codeOf(error))
/** 55P03: a lock was not to be had in time. */
const isHeld = (error: unknown) => codeOf(error) === '55P03'
const describe = (error: unknown) =>
  error instanceof Error
    ? { message: error.message.split('\n')[0], code: codeOf(error), stack: error.stack }
    : String(error)
