import * as v from 'valibot'
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
