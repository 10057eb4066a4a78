import type pg from 'pg'
import { RateLimiterPostgres } from 'rate-limiter-flexible'

export interface Limits {
  /** Wrong picture passwords, by student. */
  readonly guess: RateLimiterPostgres
  /** Wrong class codes, by address: a whole school may stand behind one, and children mistype; of the codes there are 24⁷. */
  readonly code: RateLimiterPostgres
  /** Wrong teachers' passwords, by e-mail address. */
  readonly signIn: RateLimiterPostgres
}

/** Counted in the database, so that all processes count together and a restart forgives nothing. */
export function limits(pool: pg.Pool): Limits {
  const common = { storeClient: pool, tableName: 'rate_limits', tableCreated: true } as const
  return {
    guess: new RateLimiterPostgres({ ...common, keyPrefix: 'guess', points: 10, duration: 60 }),
    code: new RateLimiterPostgres({ ...common, keyPrefix: 'code', points: 120, duration: 60 }),
    signIn: new RateLimiterPostgres({ ...common, keyPrefix: 'sign-in', points: 8, duration: 300 }),
  }
}

/** False when too many were tried lately. */
export async function mayTry(limiter: RateLimiterPostgres, key: string): Promise<boolean> {
  const used = await limiter.get(key)
  return !used || used.consumedPoints < limiter.points
}

export async function countFailure(limiter: RateLimiterPostgres, key: string): Promise<void> {
  await limiter.penalty(key, 1)
}
