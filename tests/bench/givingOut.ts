import { sql } from 'kysely'
import { connect } from '../../server/database/connect'
import { giveOut } from '../../server/usecases/giveOut'
import { shore } from '../boards'
import { makeSchool } from '../school'
import { ms, time, type Line } from './measure'

const STUDENTS = 1000

/** Giving a board out to 1,000 students, against the bare INSERT ... SELECT of as many rows. */
export async function givingOut(url: string): Promise<Line[]> {
  const { db } = connect(url)
  const school = await makeSchool(db, shore(), 1, 'bench@ternhaven.example')
  await sql`insert into students (class_id, name, picture_password)
    select ${school.classId}, 'Bench ' || i, array['sun', 'cat', 'key'] from generate_series(2, ${STUDENTS}) as i`.execute(db)
  await sql`create table bare_slates (id uuid primary key default gen_random_uuid(), handout_id uuid, class_id uuid, student_id uuid)`.execute(db)
  const floor = await time(9, () => sql`insert into bare_slates (handout_id, class_id, student_id) select ${school.handout}, class_id, id from students where class_id = ${school.classId}`.execute(db))
  const measured = await time(9, () => giveOut(db, school.board, school.classId))
  await db.destroy()
  return [{ what: `giving out to ${STUDENTS} students`, measured: ms(measured), floor: `INSERT ... SELECT ${ms(floor)}`, ratio: measured / floor }]
}
