import { randomBytes } from 'node:crypto'
import pg from 'pg'
import { connect, type Connection } from '../server/database/connect'
import { migrate } from '../server/database/migrate'

/** Runs one statement on the server that DATABASE_URL names (bin/test starts one). */
async function administer(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL ?? missing() })
  await client.connect()
  await client.query(statement)
  await client.end()
}

function missing(): never {
  throw new Error(
    'DATABASE_URL is not set: run bin/test, or give the address of a PostgreSQL on which databases may be made',
  )
}

/** An empty database with an address of its own. */
export async function createDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `slate_${randomBytes(6).toString('hex')}`
  await administer(`create database ${name}`)
  const url = new URL(process.env.DATABASE_URL!)
  url.pathname = `/${name}`
  return { url: url.href, drop: () => administer(`drop database ${name} with (force)`) }
}

/** A migrated database and a connection to it. */
export async function migratedDatabase(): Promise<Connection & { close: () => Promise<void> }> {
  const { url, drop } = await createDatabase()
  const connection = connect(url)
  await migrate(connection.db)
  return {
    ...connection,
    async close() {
      await connection.close()
      await drop()
    },
  }
}
