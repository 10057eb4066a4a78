import { connect, type Connection } from './database/connect'
import { migrate } from './database/migrate'
import { Engine } from './sync/engine'
import { limits, type Limits } from './http/limits'

export interface Services extends Connection { readonly engine: Engine, readonly limits: Limits }

let started: Promise<Services> | undefined

/** The database, migrated, and what runs on it; made once in a process, awaited by every request. */
export function services(): Promise<Services> {
  started ??= start()
  return started
}

async function start(): Promise<Services> {
  const connection = connect()
  await migrate(connection.db)
  const engine = new Engine(connection)
  await engine.start()
  return { ...connection, engine, limits: limits(connection.pool) }
}
