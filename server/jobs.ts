import { CompiledQuery, type Transaction } from 'kysely'
import PgBoss from 'pg-boss'
import type { Connection } from './database/connect'
import type { Database } from './database/tables'
import { log } from './log'
import type { Services } from './services'
import { carryOut } from './usecases/later'
import { handBackDue } from './usecases/handBack'
import { endTimer } from './usecases/lesson/timer'

/**
 * What is done at its time, once, by whichever process comes first; it stands in the database and survives restarts.
 */
const JOBS = ['give-out', 'end-timer', 'hand-back'] as const
export type JobName = (typeof JOBS)[number]

export interface Jobs {
  /** Put down in the same transaction as what it is about: both are there, or neither. */
  readonly at: (
    trx: Transaction<Database>,
    when: Date,
    job: { readonly name: JobName; readonly handout: string },
  ) => Promise<void>
  readonly stop: () => Promise<void>
}

const LOOK_EVERY_S = 2
const RETRIES = 5

export async function startJobs({
  url,
  db,
  wire,
  engine,
}: Pick<Connection, 'url' | 'db'> & Pick<Services, 'wire' | 'engine'>): Promise<Jobs> {
  const carry: { readonly [Name in JobName]: (handout: string) => Promise<unknown> } = {
    'give-out': handout => carryOut(db, handout),
    'end-timer': handout => endTimer({ db, wire }, handout),
    'hand-back': handout => handBackDue({ db, wire, engine }, handout),
  }
  const boss = new PgBoss({ connectionString: url, schema: 'jobs', max: 2, application_name: 'dappled-slate jobs' })
  // The database being away is told by whoever asks it for something; here it is tried again.
  boss.on('error', error => log.warn({ error: error.message }, 'jobs could not be looked for'))
  await boss.start()
  for (const name of JOBS) {
    await boss.createQueue(name)
    await boss.work<{ handout: string }>(name, { pollingIntervalSeconds: LOOK_EVERY_S }, async jobs => {
      for (const { data } of jobs) await carry[name](data.handout)
    })
  }
  return {
    async at(trx, when, { name, handout }) {
      const executeSql = async (text: string, values: unknown[]) => ({
        rows: (await trx.executeQuery(CompiledQuery.raw(text, values))).rows,
      })
      await boss.send(
        name,
        { handout },
        { startAfter: when, retryLimit: RETRIES, retryBackoff: true, retryDelay: 5, db: { executeSql } },
      )
    },
    stop: () => boss.stop({ graceful: true, timeout: 3000 }),
  }
}
