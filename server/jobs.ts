import { CompiledQuery, sql, type Transaction } from 'kysely'
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
/** With growing pauses, the last of them hours apart: a database that is away for a morning ends nothing. */
const RETRIES = 12
const RETRY_AFTER_S = 5
const LOOK_AGAIN_S = 60
/** How often is looked for jobs whose process has died. */
const TAKE_OVER_EVERY_MS = 5000
/** A job that was fetched so long ago is being done by whoever fetched it, or by nobody. */
const BEGUN_FOR_S = 5

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
  const put = async (trx: Transaction<Database>, startAfter: Date | number, { name, about }: Job) => {
    const executeSql = async (text: string, values: unknown[]) => ({
      rows: (await trx.executeQuery(CompiledQuery.raw(text, values))).rows,
    })
    await boss.send(
      name,
      { about },
      { startAfter, retryLimit: RETRIES, retryBackoff: true, retryDelay: RETRY_AFTER_S, db: { executeSql } },
    )
  }
  // One that takes so long that it is held for lost is begun a second time: that waits until the first is done.
  const doing = (name: JobName, about: string, work: (about: string) => Promise<unknown>) =>
    alone(db, `${name} ${about}`, () => work(about))
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
          if (!(await doing(name, about, work)))
            await db.transaction().execute(trx => put(trx, LOOK_AGAIN_S, { name, about }))
        }
      },
    )
  }
  /**
   * Whoever does a job holds its lock, and the lock goes with its connection: a job that was begun and is held by
   * nobody is of a process that died, and is done here, from where it was.
   */
  async function takeOver(): Promise<void> {
    const { rows } = await sql<{ id: string; name: JobName; data: { about?: string; handout?: string } }>`
      select id, name, data from jobs.job where state = 'active'
      and started_on < clock_timestamp() - make_interval(secs => ${BEGUN_FOR_S})`.execute(db)
    for (const { id, name, data } of rows) {
      const work = carry[name]
      const about = data.about ?? data.handout
      if (!work || !about) continue
      try {
        if (await doing(name, about, work)) await boss.complete(name, id)
      } catch (error) {
        log.warn({ error: error instanceof Error ? error.message : error, job: name }, 'a job could not be taken over')
        await boss.fail(name, id)
      }
    }
  }
  let takingOver: Promise<void> | null = null
  const looking = setInterval(() => {
    takingOver ??= takeOver()
      .catch((error: unknown) => log.warn({ error: String(error) }, 'jobs could not be looked for'))
      .finally(() => (takingOver = null))
  }, TAKE_OVER_EVERY_MS)
  looking.unref()
  return {
    at: put,
    async stop() {
      clearInterval(looking)
      await takingOver
      await boss.stop({ graceful: true, timeout: 3000 })
    },
  }
}
