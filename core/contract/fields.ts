import * as v from 'valibot'
import { setSchema } from '../groups/setSchema'
import { MOST_STUDENTS } from '../roster/classList'
import { SLATE_STATUSES } from '../slate/status'
import { storedText } from '../text/storedText'

/** What many routes are sent, or answer with. */

export const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
export const EmailTyped = v.pipe(storedText(254), v.trim(), v.toLowerCase())
export const NewPassword = v.pipe(storedText(200), v.minLength(10))
/** Of what was made. */
export const Made = v.strictObject({ id: v.string() })

const person = { id: v.string(), name: v.string() }
export const TeacherIn = v.strictObject({ kind: v.literal('teacher'), ...person })
export const StudentIn = v.strictObject({ kind: v.literal('student'), ...person })
export const NamedThing = v.strictObject(person)

export const StudentIds = v.pipe(v.array(Id), v.maxLength(MOST_STUDENTS))
export const SetShape = setSchema(StudentIds)
/** Some slates of a handout, by their ids. */
export const SomeSlates = v.pipe(v.array(Id), v.minLength(1), v.maxLength(MOST_STUDENTS))

/** How a slate stands. */
export const Status = v.picklist(SLATE_STATUSES)
export const StatusNow = v.strictObject({ status: Status })
