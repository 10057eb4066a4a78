import { Kysely, PostgresDialect } from 'kysely'
import pg from 'pg'
import type { Database } from './tables'

export interface Connection {
  readonly db: Kysely<Database>
  readonly pool: pg.Pool
  /** For the one statement that stores moves, so that nothing else that is asked keeps it waiting. */
  readonly commits: pg.Pool
  readonly url: string
  readonly close: () => Promise<void>
}

/** Nothing may hold a connection, or wait for one, for ever: whoever is stuck fails in words, and the rest goes on. */
const PATIENCE = {
  connectionTimeoutMillis: 5000,
  statement_timeout: 20_000,
  lock_timeout: 4000,
  idle_in_transaction_session_timeout: 10_000,
} as const

/**
 * The statement that stores moves is planned once on each connection, perhaps while the tables are still empty: it must
 * find its rows by their indexes even so.
 */
const BY_INDEX =
  '-c plan_cache_mode=force_generic_plan -c enable_seqscan=off -c enable_hashjoin=off -c enable_mergejoin=off'

/** A date of the calendar stays one: as a moment it would be another day elsewhere. */
pg.types.setTypeParser(pg.types.builtins.DATE, day => day)

/** Throws when no address is given; whether a server answers there shows at the first query. */
export function connect(url = process.env.DATABASE_URL): Connection {
  if (!url)
    throw new Error(
      'DATABASE_URL is not set. bin/demo sets it; elsewhere give it the address of a PostgreSQL database.',
    )
  const made = (options: pg.PoolConfig) => {
    const pool = new pg.Pool({ connectionString: url, ...PATIENCE, ...options })
    // An idle connection that breaks is replaced by the pool; without a listener it would end the process.
    pool.on('error', () => {})
    // So would one that breaks between two questions of a transaction, while nothing waits for its answer: the next
    // question fails.
    pool.on('connect', client => client.on('error', () => {}))
    return pool
  }
  const pool = made({ max: 12, application_name: 'dappled-slate' })
  const commits = made({ max: 4, application_name: 'dappled-slate moves', statement_timeout: 8000, options: BY_INDEX })
  const db = new Kysely<Database>({ dialect: new PostgresDialect({ pool }) })
  return {
    db,
    pool,
    commits,
    url,
    async close() {
      await Promise.all([db.destroy(), commits.end()])
    },
  }
}
