import { Kysely, PostgresDialect } from 'kysely'
import pg from 'pg'
import type { Database } from './tables'

export interface Connection { readonly db: Kysely<Database>, readonly pool: pg.Pool, readonly url: string }

/** Throws when no address is given; whether a server answers there shows at the first query. */
export function connect(url = process.env.DATABASE_URL): Connection {
  if (!url) throw new Error('DATABASE_URL is not set. bin/demo sets it; elsewhere give it the address of a PostgreSQL database.')
  const pool = new pg.Pool({ connectionString: url, max: 12 })
  // An idle connection that breaks is replaced by the pool; without a listener it would end the process.
  pool.on('error', () => {})
  return { db: new Kysely<Database>({ dialect: new PostgresDialect({ pool }) }), pool, url }
}
