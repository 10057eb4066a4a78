import * as v from 'valibot'
import { storedText } from '../../../core/text/storedText'
import { PASSWORD_LENGTH, PASSWORD_PICTURES, tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { startSession } from '../../http/session'
import { services } from '../../services'

const Enter = v.object({
  code: storedText(40),
  student: v.pipe(v.string(), v.uuid(), v.toLowerCase()),
  pictures: v.pipe(v.array(v.picklist(PASSWORD_PICTURES)), v.length(PASSWORD_LENGTH)),
})

export default defineEventHandler(async event => {
  const { code, student, pictures } = await readJson(event, Enter, LARGEST.anybody)
  const { db, limits } = await services()
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
  if (found === 'too-often') throw refusal('too-often')
  if (!found) throw refusal('wrong-pictures')
  await startSession(event, { student_id: found.id })
  return { kind: 'student', id: found.id, name: found.name }
})
