import type { Kysely, Transaction } from 'kysely'
import * as v from 'valibot'
import { withoutHeldBack } from '../../core/handout/heldBack'
import { dueMoment } from '../../core/handout/due'
import { RulesSchema } from '../../core/handout/rules'
import type { Due, HandoutSettings, Recipient } from '../../core/handout/settings'
import { ok, refuse, type Result } from '../../core/result'
import { clockOf, NOW } from '../database/clock'
import { keepEdition } from '../database/editions'
import type { Database } from '../database/tables'
import type { Jobs } from '../jobs'
import { fillHandout, newHandout, whyNot, type GiveOutRefusal } from './giveOut'
import { freezeVersions } from './versions'

type Trx = Transaction<Database>

/** *past*: its time is over. *due-before*: it would be due on a day before it goes out. */
export type PlanRefusal = GiveOutRefusal | 'past' | 'due-before'

/**
 * A draft (`when` null), or a handout that goes out by itself at that moment where the class is. The board is frozen as
 * it is now.
 */
export async function planHandout(
  trx: Trx,
  jobs: Jobs,
  {
    board,
    to,
    settings,
    when,
    now,
  }: { board: string; to: Recipient; settings: HandoutSettings; when: Due | null; now?: Date },
): Promise<Result<{ id: string }, PlanRefusal>> {
  const { time_zone } = await trx
    .selectFrom('classes')
    .select('time_zone')
    .where('id', '=', to.classId)
    .forUpdate()
    .executeTakeFirstOrThrow()
  const at = when && dueMoment(when, time_zone)
  if (at && at <= (now ?? (await clockOf(trx)))) return refuse('past')
  if (when && settings.due && settings.due.day < when.day) return refuse('due-before')
  const refused = await whyNot(trx, to, settings)
  if (refused) return refuse(refused)
  const made = await newHandout(trx, board, to, settings)
  if (!made.ok) return made
  const { id } = made.value
  await trx
    .updateTable('handouts')
    .set({ given_at: null, gives_at: at, plan: JSON.stringify(to) })
    .where('id', '=', id)
    .execute()
  if (at) await jobs.at(trx, at, { name: 'give-out', about: id })
  return ok({ id })
}

/**
 * Gives out what was planned: once, however often and by however many processes it is asked. What hinders it (nobody in
 * the class any more, its groups gone) is kept with it, and it waits as a draft for its teacher.
 */
export function carryOut(
  db: Kysely<Database>,
  handout: string,
  early = false,
): Promise<Result<{ slates: number }, GiveOutRefusal | 'gone' | 'given' | 'waits'>> {
  return db.transaction().execute(async trx => {
    const row = await trx
      .selectFrom('handouts')
      .select(['board_id', 'class_id', 'mode', 'free', 'plan', 'given_at'])
      .select(eb => eb('gives_at', '<=', NOW).as('due'))
      .where('id', '=', handout)
      .forUpdate()
      .executeTakeFirst()
    if (!row) return refuse('gone')
    if (row.given_at) return refuse('given')
    // Made a draft again, or put off, since the job was put down.
    if (!early && !row.due) return refuse('waits')
    await trx.selectFrom('classes').select('id').where('id', '=', row.class_id).forUpdate().executeTakeFirstOrThrow()
    const to = row.plan ?? { classId: row.class_id }
    const hindered = await whyNot(trx, to, row)
    if (hindered) {
      await trx.updateTable('handouts').set({ hindered, gives_at: null }).where('id', '=', handout).execute()
      return refuse(hindered)
    }
    // Early by hand: the board as it is now, since its teacher has it before them.
    if (early) {
      const { document } = await trx
        .selectFrom('boards')
        .select('document')
        .where('id', '=', row.board_id)
        .executeTakeFirstOrThrow()
      await trx
        .updateTable('handouts')
        .set({ edition_hash: await keepEdition(trx, withoutHeldBack(document)) })
        .where('id', '=', handout)
        .execute()
      await freezeVersions(trx, handout)
    }
    await trx
      .updateTable('handouts')
      .set({ given_at: NOW, gives_at: null, hindered: null, plan: null })
      .where('id', '=', handout)
      .execute()
    return ok({ slates: await fillHandout(trx, handout, to) })
  })
}

/** What a draft was, so that it can be made again. */
export type Dropped = HandoutSettings & { readonly to: readonly Recipient[] }

/**
 * A draft, or what would go out later, is dropped as if it had never been: what it was, or null once it is given out.
 */
export async function dropPlan(db: Kysely<Database>, handout: string): Promise<Dropped | null> {
  const gone = await db
    .deleteFrom('handouts')
    .where('id', '=', handout)
    .where('given_at', 'is', null)
    .returning([
      'class_id',
      'mode',
      'own_pages',
      'free',
      'looking',
      'word',
      'due_on',
      'due_time',
      'hand_in',
      'counts',
      'points',
      'rubric',
      'rules',
      'plan',
    ])
    .executeTakeFirst()
  if (!gone) return null
  const counting =
    gone.counts === 'points'
      ? { counts: gone.counts, points: gone.points! }
      : gone.counts === 'rubric'
        ? { counts: gone.counts, rubric: gone.rubric! }
        : { counts: gone.counts }
  return {
    mode: gone.mode,
    ownPages: gone.own_pages,
    free: gone.free,
    looking: gone.looking,
    word: gone.word,
    handIn: gone.hand_in,
    rules: v.parse(RulesSchema, gone.rules),
    counting,
    due:
      gone.due_on === null
        ? null
        : { day: gone.due_on, ...(gone.due_time !== null && { time: gone.due_time.slice(0, 5) }) },
    to: [gone.plan ?? { classId: gone.class_id }],
  }
}
