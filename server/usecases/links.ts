import { nanoid } from 'nanoid'
import { codeInGroups, type PasswordPicture } from '../../core/roster/picturePassword'
import type { Kysely } from 'kysely'
import type { Database } from '../database/tables'
import type { Card } from '../papers/cards'
import type { Services } from '../services'
import { endSessions } from './sessions'

/** 24 letters of 64: nobody guesses one. */
const LINK_LENGTH = 24
const newLink = () => nanoid(LINK_LENGTH)

/** Every student of the class has a personal link afterwards; those who had one keep it. */
async function giveLinks(db: Kysely<Database>, classId: string): Promise<void> {
  const without = await db
    .selectFrom('students')
    .select('id')
    .where('class_id', '=', classId)
    .where('left_at', 'is', null)
    .where('link', 'is', null)
    .execute()
  for (const { id } of without)
    await db.updateTable('students').set({ link: newLink() }).where('id', '=', id).where('link', 'is', null).execute()
}

/** Another link, or none; whoever came in by the old one is out. False when the class has no such student. */
export async function changeLink(
  services: Pick<Services, 'db' | 'wire'>,
  classId: string,
  student: string,
  to: 'new' | 'none',
): Promise<boolean> {
  const changed = await services.db
    .updateTable('students')
    .set({ link: to === 'new' ? newLink() : null })
    .where('id', '=', student)
    .where('class_id', '=', classId)
    .executeTakeFirst()
  if (changed.numUpdatedRows === 0n) return false
  await endSessions(services, ends => ends.where('student_id', '=', student))
  return true
}

/** The cards of a class, in the order of its names; `address` is where the application is seen from. */
export async function cardsOf(
  db: Kysely<Database>,
  classId: string,
  address: string,
): Promise<{ title: string; cards: Card[] }> {
  await giveLinks(db, classId)
  const { name, code } = await db
    .selectFrom('classes')
    .select(['name', 'code'])
    .where('id', '=', classId)
    .executeTakeFirstOrThrow()
  const students = await db
    .selectFrom('students')
    .select(['name', 'picture_password', 'link'])
    .where('class_id', '=', classId)
    .where('left_at', 'is', null)
    .orderBy('name_folded')
    .execute()
  return {
    title: name,
    cards: students.map(student => ({
      name: student.name,
      below: `${name} · ${codeInGroups(code)}`,
      // The pictures are named by what they are called everywhere.
      pictures: student.picture_password as PasswordPicture[],
      link: `${address}/come/${student.link}`,
    })),
  }
}
