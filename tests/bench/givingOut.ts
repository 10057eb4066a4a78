import { sql } from 'kysely'
import { connect } from '../../server/database/connect'
import { giveOut } from '../../server/usecases/giveOut'
import { shore } from '../boards'
import { makeSchool } from '../school'
import { ms, time, type Line } from './measure'

const STUDENTS = 10_000

/**
 * Giving a board out to 10,000 students, against bare INSERT ... SELECTs of as many rows: slates alone, and slates with
 * their members.
 */
export async function givingOut(url: string): Promise<Line[]> {
  const { db, close } = connect(url)
  const school = await makeSchool(db, shore(), 1, 'bench@ternhaven.example')
  await sql`insert into students (class_id, name, picture_password)
    select ${school.classId}, 'Bench ' || i, array['sun', 'cat', 'key'] from generate_series(2, ${STUDENTS}) as i`.execute(
    db,
  )
  await sql`create table bare_slates (id uuid primary key default gen_random_uuid(), handout_id uuid, class_id uuid, student_id uuid)`.execute(
    db,
  )
  await sql`create table bare_members (slate_id uuid primary key, handout_id uuid, class_id uuid, student_id uuid)`.execute(
    db,
  )
  const bare = () =>
    sql`insert into bare_slates (handout_id, class_id, student_id) select ${school.handout}, class_id, id from students where class_id = ${school.classId}`.execute(
      db,
    )
  const floor = await time(5, bare)
  const both = await time(5, () =>
    sql`with made as (insert into bare_slates (handout_id, class_id, student_id)
    select ${school.handout}, class_id, id from students where class_id = ${school.classId} returning *) insert into bare_members select id, handout_id, class_id, student_id from made`.execute(
      db,
    ),
  )
  const measured = await time(5, () => giveOut(db, school.board, school.classId))
  await close()
  const what = `giving out to ${STUDENTS} students`
  return [
    { what, measured: ms(measured), floor: `INSERT ... SELECT of the slates ${ms(floor)}`, ratio: measured / floor },
    {
      what: `${what}, who has which slate included`,
      measured: ms(measured),
      floor: `INSERT ... SELECT of slates and members ${ms(both)}`,
      ratio: measured / both,
    },
  ]
}
