import type { Kysely, Transaction } from 'kysely'
import type { Database } from '../database/tables'
import type { News } from './news'

/** What a process hears from the others, and from itself. */
export interface NewsEvents {
  readonly news: (news: News) => void
  /** Something may have been missed: whoever listens must look for itself. */
  readonly gap: () => void
}

/** A slate whose moves are stored up to this number. */
export interface StoredSlate {
  readonly id: string
  readonly handout: string
  readonly number: number
}

/** How processes tell each other what has happened. Two makers: PostgreSQL's own, and a Redis-compatible server. */
export interface NewsWire {
  /** In front of what this process tells; see `encodeNews`. */
  readonly origin: string
  /**
   * Tells the other processes of moves that are stored, in a moment and many at once. What is lost on the way (this
   * process dies before it has told, say) they find by themselves: whoever follows slates looks round now and then.
   */
  readonly tellMoves: (slates: readonly StoredSlate[]) => void
  /** Tells every process, this one too, when the transaction has committed; nothing where `after` does it. */
  readonly within: (trx: Kysely<Database>, news: readonly News[]) => Promise<void>
  /** The same after the commit. Never throws: whoever misses it looks for itself in a while. */
  readonly after: (news: readonly News[]) => Promise<void>
  /** Tells the other processes at once of what nobody keeps. */
  readonly tellPassing: (news: readonly News[]) => void
  readonly listen: (events: NewsEvents) => Promise<void>
  readonly stop: () => Promise<void>
}

/** A transaction that is under way, and where the news go that are told once it is committed. */
export interface WithNews {
  readonly trx: Transaction<Database>
  readonly news: News[]
}

/** Notes that something of a slate has changed. */
export async function noteChange(
  trx: Kysely<Database>,
  news: News[],
  slate: string,
  changed: Extract<News, { scope: 'slate' }>['changed'],
): Promise<void> {
  const { handout_id } = await trx
    .selectFrom('slates')
    .select('handout_id')
    .where('id', '=', slate)
    .executeTakeFirstOrThrow()
  news.push({ scope: 'slate', slate, handout: handout_id, changed })
}

/** Does the work in one transaction, and tells the news that it gathers once it is committed. */
export async function withNews<T>(
  { db, wire }: { readonly db: Kysely<Database>; readonly wire: NewsWire },
  work: (trx: Transaction<Database>, news: News[]) => Promise<T>,
): Promise<T> {
  const news: News[] = []
  const value = await db.transaction().execute(async trx => {
    const done = await work(trx, news)
    await wire.within(trx, news)
    return done
  })
  await wire.after(news)
  return value
}
