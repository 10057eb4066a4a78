import type { Kysely } from 'kysely'
import type { Database } from '../../database/tables'
import { callOutOf } from './callOuts'
import { jarOf } from './jar'
import { nudgesFor, nudgesOf } from './nudges'
import { showOf } from './screen'
import { timerOf } from './timer'

type Db = Kysely<Database>

/** For whoever leads the lesson. */
export async function lessonOf(db: Db, handout: string) {
  const { paused_at } = await db
    .selectFrom('handouts')
    .select('paused_at')
    .where('id', '=', handout)
    .executeTakeFirstOrThrow()
  return {
    paused: paused_at !== null,
    timer: await timerOf(db, handout),
    show: await showOf({ db }, handout),
    jar: await jarOf(db, handout),
    call: await callOutOf(db, handout),
    nudges: await nudgesOf(db, handout),
  }
}

/** For whoever works on a slate. */
export async function lessonForSlate(db: Db, slate: string) {
  const { handout_id } = await db
    .selectFrom('slates')
    .select('handout_id')
    .where('id', '=', slate)
    .executeTakeFirstOrThrow()
  const timer = await timerOf(db, handout_id)
  const jar = await jarOf(db, handout_id)
  const call = await callOutOf(db, handout_id)
  const nudges = await nudgesFor(db, slate)
  return { timer: timer?.onSlates ? timer : null, jar: jar.open, call, nudges }
}
