import { dirname, join } from 'node:path'
import { connect, type Connection } from './database/connect'
import { migrate } from './database/migrate'
import { startJobs, type Jobs } from './jobs'
import { startMail, type Mail } from './mail'
import { startRecords, type Records } from './records/records'
import { makeLabour, type Labour } from './labour/labour'
import { markingPool, type Marking } from './marking/markingPool'
import { OutcomeStore } from './marking/outcomes'
import { postgresWire } from './news/postgres'
import { redisWire } from './news/redis'
import type { NewsWire } from './news/wire'
import { Engine } from './sync/engine'
import { limits, type Limits } from './http/limits'

export interface Services extends Connection {
  readonly engine: Engine
  readonly wire: NewsWire
  readonly limits: Limits
  readonly labour: Labour
  readonly marking: Marking
  readonly outcomes: OutcomeStore
  readonly jobs: Jobs
  readonly mail: Mail | null
  readonly records: Records | null
}

let started: Promise<Services> | undefined

/** The database, migrated, and what runs on it; made once in a process, awaited by every request. */
export function services(): Promise<Services> {
  started ??= start()
  return started
}

async function start(): Promise<Services> {
  const connection = connect()
  await migrate(connection.db)
  const wire = process.env.REDIS_URL ? redisWire(process.env.REDIS_URL) : postgresWire(connection.url)
  const engine = new Engine(connection, wire)
  await engine.start()
  const marking = markingPool(join(dirname(process.argv[1]!), 'marker.mjs'))
  const labour = makeLabour(process.argv[1]!)
  const outcomes = new OutcomeStore(connection.db, engine.editions, marking)
  return {
    ...connection,
    engine,
    wire,
    limits: limits(connection.pool),
    labour,
    marking,
    outcomes,
    jobs: await startJobs({ ...connection, wire, engine, outcomes, labour }),
    mail: startMail(),
    records: startRecords(),
  }
}
