import { sql, type Transaction } from 'kysely'
import { MOST_STUDENTS } from '../../core/roster/classList'
import { makeClassCode, makePicturePassword } from '../../core/roster/picturePassword'
import { ok, refuse, type Result } from '../../core/result'
import type { Database, NewcomersDoor } from '../database/tables'
import { unforeseen } from '../http/random'
import type { News } from '../news/news'
import { withNews } from '../news/wire'
import type { Services } from '../services'
import { nameTaken, unusedName } from './classes'
import { joinLate } from './giveOut'

type Trx = Transaction<Database>
type Told = Pick<Services, 'db' | 'wire'>
const CODE_TRIES = 5

/**
 * A class without a list, for what is given out to whoever comes: who types a name behind its code, while the code is
 * open, is on it. Null when no code was free.
 */
export async function newcomersClass(trx: Trx, teacher: string, name: string): Promise<string | null> {
  for (let i = 0; i < CODE_TRIES; i++) {
    const made = await trx
      .insertInto('classes')
      .values({ teacher_id: teacher, name, code: makeClassCode(unforeseen), newcomers: 'open' })
      .onConflict(c => c.doNothing())
      .returning('id')
      .executeTakeFirst()
    if (made) return made.id
  }
  return null
}

/** *closed*: the teacher lets nobody in any more. *full*: a class has no more students than this. */
export type ArrivalRefusal = 'closed' | 'full'

/**
 * Somebody comes by the name they go by, and has their slate at once. Two of one name are told apart by a number:
 * whether a name is there can't be found out by trying it, and whether two are one person the teacher knows best.
 */
export function arrive(
  services: Told,
  classId: string,
  wanted: string,
): Promise<Result<{ id: string; name: string }, ArrivalRefusal>> {
  return withNews(services, async (trx, news) => {
    // Locked, so that of two who come at once each has a name of their own.
    const { newcomers } = await trx
      .selectFrom('classes')
      .select('newcomers')
      .where('id', '=', classId)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (newcomers !== 'open') return refuse('closed')
    const { here } = await trx
      .selectFrom('students')
      .select(eb => eb.fn.countAll<string>().as('here'))
      .where('class_id', '=', classId)
      .executeTakeFirstOrThrow()
    if (Number(here) >= MOST_STUDENTS) return refuse('full')
    const name = await unusedName(trx, classId, wanted)
    const { id } = await trx
      .insertInto('students')
      .values({ class_id: classId, name, picture_password: makePicturePassword(unforeseen) })
      .returning('id')
      .executeTakeFirstOrThrow()
    await joinLate(trx, classId)
    await tellOfSlates(trx, news, id)
    return ok({ id, name })
  })
}

/** Whoever walks round sees the new slates. */
async function tellOfSlates(trx: Trx, news: News[], student: string): Promise<void> {
  const slates = await trx
    .selectFrom('slate_members')
    .select(['slate_id', 'handout_id'])
    .where('student_id', '=', student)
    .execute()
  news.push(
    ...slates.map(({ slate_id, handout_id }) => ({
      scope: 'slate' as const,
      slate: slate_id,
      handout: handout_id,
      changed: 'members' as const,
    })),
  )
}

/** Opens or closes the code; who is in stays in. False for a class that has a list of its own. */
export async function setDoor({ db }: Pick<Told, 'db'>, classId: string, newcomers: NewcomersDoor): Promise<boolean> {
  const changed = await db
    .updateTable('classes')
    .set({ newcomers })
    .where('id', '=', classId)
    .where('newcomers', 'is not', null)
    .executeTakeFirst()
  return changed.numUpdatedRows > 0n
}

/** Keeps who came as a class like any other: from then on they come in with their names and pictures. */
export function keepAsClass(
  { db }: Pick<Told, 'db'>,
  classId: string,
  name: string,
): Promise<Result<null, 'taken' | 'not-found'>> {
  return db.transaction().execute(async trx => {
    const row = await trx
      .selectFrom('classes')
      .select(['teacher_id', 'newcomers'])
      .where('id', '=', classId)
      .forUpdate()
      .executeTakeFirstOrThrow()
    if (row.newcomers === null) return refuse('not-found')
    if (await nameTaken(trx, row.teacher_id, name)) return refuse('taken')
    await trx.updateTable('classes').set({ name, newcomers: null }).where('id', '=', classId).execute()
    return ok(null)
  })
}

/**
 * Two of those who came are one person: whoever is signed in as the other goes on as the one, on the slates of the one.
 * What was done as the other stays stored, with who did it. False where they aren't two who came to this class.
 */
export function joinAsOne(services: Told, classId: string, one: string, other: string): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const { newcomers } = await trx
      .selectFrom('classes')
      .select('newcomers')
      .where('id', '=', classId)
      .forUpdate()
      .executeTakeFirstOrThrow()
    const both = await trx
      .selectFrom('students')
      .select(['id', 'name'])
      .where('class_id', '=', classId)
      .where('left_at', 'is', null)
      .where('id', 'in', [one, other])
      .execute()
    if (newcomers === null || one === other || both.length < 2) return false
    await trx.updateTable('sessions').set({ student_id: one }).where('student_id', '=', other).execute()
    const slates = await trx
      .updateTable('slate_members')
      .set({ until_at: new Date() })
      .where('student_id', '=', other)
      .where('until_at', 'is', null)
      .returning(['slate_id', 'handout_id'])
      .execute()
    // What only the other had is the one's from now on.
    for (const { slate_id } of slates) await takeOver(trx, slate_id, one)
    const [keeps, goes] = [one, other].map(id => both.find(student => student.id === id)!)
    await trx
      .updateTable('students')
      .set({
        left_at: new Date(),
        name: await unusedName(trx, classId, goes!.name, ` = ${keeps!.name}`.slice(0, LONGEST_END)),
      })
      .where('id', '=', other)
      .execute()
    // Their devices are told that the slate isn't theirs any more, ask for their desk, and find the slate of the one.
    for (const { slate_id, handout_id } of slates)
      news.push({ scope: 'slate', slate: slate_id, handout: handout_id, changed: 'members' })
    await tellOfSlates(trx, news, one)
    return true
  })
}
const LONGEST_END = 30

async function takeOver(trx: Trx, slate: string, student: string): Promise<void> {
  await sql`
    insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand, part)
    select s.id, s.handout_id, s.class_id, s.kind, ${student}, (select max(hand) + 1 from slate_members where slate_id = s.id), null
    from slates s where s.id = ${slate}
      and not exists (select from slate_members m where m.handout_id = s.handout_id and m.student_id = ${student} and m.until_at is null)
    on conflict (slate_id, student_id) do update set until_at = null`.execute(trx)
}
