import * as v from 'valibot'
import { PASSWORD_LENGTH, PASSWORD_PICTURES, tidyClassCode } from '../../../core/roster/picturePassword'
import { countFailure, mayTry } from '../../http/limits'
import { readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { startSession } from '../../http/session'
import { services } from '../../services'

const Enter = v.object({
  code: v.pipe(v.string(), v.maxLength(40)),
  student: v.pipe(v.string(), v.uuid()),
  pictures: v.pipe(v.array(v.picklist(PASSWORD_PICTURES)), v.length(PASSWORD_LENGTH)),
})

export default defineEventHandler(async (event) => {
  const { code, student, pictures } = await readJson(event, Enter)
  const { db, limits } = await services()
  if (!await mayTry(limits.guess, student)) throw refusal('too-often')
  const found = await db.selectFrom('students').innerJoin('classes', 'classes.id', 'students.class_id')
    .select(['students.id', 'students.name', 'students.picture_password'])
    .where('students.id', '=', student).where('classes.code', '=', tidyClassCode(code)).executeTakeFirst()
  if (!found || found.picture_password.join() !== pictures.join()) {
    await countFailure(limits.guess, student)
    throw refusal('wrong-pictures')
  }
  await startSession(event, { student_id: found.id })
  return { kind: 'student', id: found.id, name: found.name }
})
