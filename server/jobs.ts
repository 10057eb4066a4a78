import { CompiledQuery, type Transaction } from 'kysely'
import PgBoss from 'pg-boss'
import type { Connection } from './database/connect'
import type { Database } from './database/tables'
import { alone } from './database/alone'
import { log } from './log'
import type { Services } from './services'
import { carryOut } from './usecases/later'
import { handBackDue } from './usecases/handBack'
import { packParcel } from './usecases/parcels'
import { unpackParcel } from './usecases/parcelsThatCome'
import { endTimer } from './usecases/lesson/timer'

/**
 * What is done at its time, once, by whichever process comes first; it stands in the database and survives restarts.
 */
const JOBS = ['give-out', 'end-timer', 'hand-back', 'parcel', 'unpack'] as const
export type JobName = (typeof JOBS)[number]

interface Job {
  readonly name: JobName
  /** The parcel's id, or the handout's. */
  readonly about: string
}

export interface Jobs {
  /** Put down in the same transaction as what it is about: both are there, or neither. */
  readonly at: (trx: Transaction<Database>, when: Date, job: Job) => Promise<void>
  readonly stop: () => Promise<void>
}

const LOOK_EVERY_S = 2
const RETRIES = 5
const LOOK_AGAIN_MS = 60_000

/** A process that has nothing to draw with leaves parcels to the others. */
export async function startJobs({
  url,
  db,
  wire,
  engine,
  outcomes,
  labour,
}: Pick<Connection, 'url' | 'db'>
  & Pick<Services, 'wire' | 'engine'>
  & Partial<Pick<Services, 'outcomes' | 'labour'>>): Promise<Jobs> {
  const carry: { readonly [Name in JobName]: ((about: string) => Promise<unknown>) | null } = {
    'give-out': handout => carryOut(db, handout),
    'end-timer': handout => endTimer({ db, wire }, handout),
    'hand-back': handout => handBackDue({ db, wire, engine }, handout),
    parcel: outcomes && labour ? parcel => packParcel({ db, engine, outcomes, labour }, parcel) : null,
    unpack: labour ? parcel => unpackParcel({ db, wire, engine, labour }, parcel) : null,
  }
  const boss = new PgBoss({ connectionString: url, schema: 'jobs', max: 2, application_name: 'dappled-slate jobs' })
  // The database being away is told by whoever asks it for something; here it is tried again.
  boss.on('error', error => log.warn({ error: error.message }, 'jobs could not be looked for'))
  await boss.start()
  const at: Jobs['at'] = async (trx, when, { name, about }) => {
    const executeSql = async (text: string, values: unknown[]) => ({
      rows: (await trx.executeQuery(CompiledQuery.raw(text, values))).rows,
    })
    await boss.send(
      name,
      { about },
      { startAfter: when, retryLimit: RETRIES, retryBackoff: true, retryDelay: 5, db: { executeSql } },
    )
  }
  for (const name of JOBS) {
    await boss.createQueue(name)
    const work = carry[name]
    if (!work) continue
    // Those that wait from before this had a name of its own are about a handout.
    await boss.work<{ about?: string; handout?: string }>(
      name,
      { pollingIntervalSeconds: LOOK_EVERY_S },
      async jobs => {
        for (const { data } of jobs) {
          const about = data.about ?? data.handout!
          // One that takes so long that it is held for lost is begun a second time: that waits until the first is done.
          const done = await alone(db, `${name} ${about}`, () => work(about))
          if (!done)
            await db.transaction().execute(trx => at(trx, new Date(Date.now() + LOOK_AGAIN_MS), { name, about }))
        }
      },
    )
  }
  return { at, stop: () => boss.stop({ graceful: true, timeout: 3000 }) }
}
