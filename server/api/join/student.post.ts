import { tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { tryOnce } from '../../http/limits'
import { startSession } from '../../http/session'

export default answering(
  'POST /api/join/student',
  async ({ event, body: { code, student, pictures }, all: { db, limits }, refuse }) => {
    const classCode = tidyClassCode(code)
    const found = await tryOnce(
      {
        shut: [
          { limiter: limits.student, key: student },
          { limiter: limits.studentHour, key: student },
        ],
        slowed: [
          { limiter: limits.class, key: classCode },
          { limiter: limits.address, key: addressOf(event) },
        ],
      },
      async () => {
        const known = await db
          .selectFrom('students')
          .innerJoin('classes', 'classes.id', 'students.class_id')
          .select(['students.id', 'students.name', 'students.picture_password'])
          .where('students.id', '=', student)
          .where('classes.code', '=', classCode)
          .where('students.left_at', 'is', null)
          .where('classes.put_away_at', 'is', null)
          .executeTakeFirst()
        return known?.picture_password.join() === pictures.join() ? known : null
      },
    )
    if (found === 'too-often') throw refuse('too-often')
    if (!found) throw refuse('wrong-pictures')
    await startSession(event, { student_id: found.id })
    return { kind: 'student' as const, id: found.id, name: found.name }
  },
)
