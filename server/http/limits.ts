import { createHash } from 'node:crypto'
import type pg from 'pg'
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible'

export interface Limits {
  /** Picture passwords of one student: a few in a minute, and not many more in an hour. */
  readonly student: RateLimiterPostgres
  readonly studentHour: RateLimiterPostgres
  /**
   * Picture passwords of one class, and class codes and passwords from one address. A whole school may stand behind
   * one.
   */
  readonly class: RateLimiterPostgres
  readonly address: RateLimiterPostgres
  /** Teachers' passwords, by e-mail address. */
  /** Names typed behind the code of a class that anybody may come to. */
  readonly arrivals: RateLimiterPostgres
  /** Letters to one address. */
  readonly letters: RateLimiterPostgres
  /** Asking the school's records, by teacher. */
  readonly records: RateLimiterPostgres
  readonly signIn: RateLimiterPostgres
  readonly signUp: RateLimiterPostgres
  /** Pictures that somebody puts on slates. */
  readonly pictures: RateLimiterPostgres
  /** What somebody says beside slates. */
  readonly talk: RateLimiterPostgres
  /** Votes of one student on questions. */
  readonly votes: RateLimiterPostgres
  /** Asking what the key says, by student. */
  readonly feedback: RateLimiterPostgres
}

/** What a row of the database takes; with the limiter's own name in front of it. */
const LONGEST_KEY = 200

/** Counts by whatever somebody sends, however long that is. */
class Limiter extends RateLimiterPostgres {
  override getKey(key: string | number): string {
    const said = String(key)
    return super.getKey(said.length > LONGEST_KEY ? createHash('sha256').update(said).digest('hex') : said)
  }
}

/** Counted in the database, so that all processes count together and a restart forgives nothing. */
export function limits(pool: pg.Pool): Limits {
  const made = (keyPrefix: string, points: number, duration: number) =>
    new Limiter({ storeClient: pool, tableName: 'rate_limits', tableCreated: true, keyPrefix, points, duration })
  return {
    student: made('guess', 10, 60),
    studentHour: made('guess-hour', 60, 3600),
    class: made('class', 120, 300),
    address: made('address', 120, 60),
    signIn: made('sign-in', 8, 300),
    signUp: made('sign-up', 400, 3600),
    feedback: made('feedback', 30, 60),
    arrivals: made('arrivals', 120, 60),
    talk: made('talk', 20, 60),
    votes: made('votes', 60, 60),
    pictures: made('pictures', 30, 60),
    letters: made('letters', 5, 3600),
    records: made('records', 40, 60),
  }
}

export interface Counted {
  readonly limiter: RateLimiterPostgres
  readonly key: string
}

/** Beyond its limit a key is not shut: its tries go one by one, so far apart. */
const APART_MS = 500
const MOST_IN_LINE = 40
const lines = new Map<string, { length: number; last: Promise<void> }>()

/**
 * One try at a secret. It is counted before it is made, in one step, so that a burst passes no limit, and the count is
 * given back when it was right. *Shut*: beyond these limits no try is made. *Slowed*: beyond those, tries wait in line,
 * so that a right one passes however many wrong ones came before. 'too-often' when no try was made; null when it was
 * wrong.
 */
export async function tryOnce<T>(
  { shut = [], slowed = [] }: { shut?: readonly Counted[]; slowed?: readonly Counted[] },
  attempt: () => Promise<T | null>,
): Promise<T | null | 'too-often'> {
  const counted: Counted[] = []
  const giveBack = () => Promise.all(counted.map(({ limiter, key }) => limiter.reward(key, 1)))
  for (const one of shut) {
    if (!(await consume(one))) {
      await giveBack()
      return 'too-often'
    }
    counted.push(one)
  }
  for (const one of slowed) {
    const within = await consume(one)
    counted.push(one)
    if (!within && !(await inLine(`${one.limiter.keyPrefix}:${one.key}`))) return 'too-often'
  }
  const result = await attempt()
  if (result !== null) await giveBack()
  return result
}

/** False when there are no points left; counted even so, for a store that fails must not open the door. */
async function consume({ limiter, key }: Counted): Promise<boolean> {
  try {
    await limiter.consume(key, 1)
    return true
  } catch (reason) {
    if (reason instanceof RateLimiterRes) return false
    throw reason
  }
}

async function inLine(key: string): Promise<boolean> {
  const line = lines.get(key) ?? { length: 0, last: Promise.resolve() }
  if (line.length >= MOST_IN_LINE) return false
  line.length++
  line.last = line.last.then(() => new Promise(resolve => setTimeout(resolve, APART_MS)))
  lines.set(key, line)
  await line.last
  if (--line.length === 0) lines.delete(key)
  return true
}

/** False when it was asked too often. */
export const mayAsk = (limiter: RateLimiterPostgres, key: string) => consume({ limiter, key })
