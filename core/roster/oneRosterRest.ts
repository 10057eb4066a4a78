import * as v from 'valibot'
import { MOST_STUDENTS, NAME_LONGEST, RECORD_LONGEST, type ListedStudent } from './classList'
import { tidy } from './names'

/**
 * What a school's records answer over OneRoster 1.2 (1EdTech, OneRoster Rostering Service 1.2, REST binding; field
 * names from memory): only what a class list is made of is read, and what else an answer holds is nobody's business. In
 * 1.2 a user's roles are a list, in 1.1 one word.
 */
const Id = v.pipe(v.string(), v.minLength(1), v.maxLength(RECORD_LONGEST))
const ClassSchema = v.object({
  sourcedId: Id,
  status: v.optional(v.string()),
  title: v.optional(v.nullable(v.string()), ''),
})
const UserSchema = v.object({
  sourcedId: Id,
  status: v.optional(v.string()),
  enabledUser: v.optional(v.union([v.boolean(), v.string()])),
  givenName: v.optional(v.nullable(v.string()), ''),
  familyName: v.optional(v.nullable(v.string()), ''),
  preferredFirstName: v.optional(v.nullable(v.string()), ''),
  role: v.optional(v.string()),
  roles: v.optional(v.array(v.object({ role: v.string() }))),
})
/** The fields that are asked for, so that no more of a child's record than this leaves the school's own system. */
export const USER_FIELDS = Object.keys(UserSchema.entries).join(',')
export const CLASS_FIELDS = Object.keys(ClassSchema.entries).join(',')

export interface ClassInRecords {
  readonly record: string
  readonly title: string
}
const standing = (status?: string) => status?.toLowerCase() !== 'tobedeleted'

/** Classes by their titles; a class without one goes by its record. `passedOver` counts what can't be read. */
export function classesFrom(items: readonly unknown[]): {
  readonly classes: readonly ClassInRecords[]
  readonly passedOver: number
} {
  const classes = new Map<string, ClassInRecords>()
  let passedOver = 0
  for (const item of items) {
    const read = v.safeParse(ClassSchema, item)
    if (!read.success) passedOver++
    else if (standing(read.output.status))
      classes.set(read.output.sourcedId, {
        record: read.output.sourcedId,
        title: tidy(read.output.title ?? '') || read.output.sourcedId,
      })
  }
  return {
    classes: [...classes.values()].toSorted((a, b) => a.title.localeCompare(b.title, 'en', { numeric: true })),
    passedOver,
  }
}

/**
 * Students of a class as a list has them. Left out: who is to be deleted, not enabled, or there as something else than
 * a student. Passed over and counted: who can't be read, has no name or too long a one, and whoever is beyond the most.
 */
export function studentsFrom(items: readonly unknown[]): {
  readonly students: readonly ListedStudent[]
  readonly passedOver: number
} {
  const students = new Map<string, ListedStudent>()
  let passedOver = 0
  for (const item of items) {
    const read = v.safeParse(UserSchema, item)
    if (!read.success) {
      passedOver++
      continue
    }
    const { sourcedId, status, enabledUser, givenName, familyName, preferredFirstName, role, roles } = read.output
    const learns = roles
      ? roles.some(one => one.role.toLowerCase() === 'student')
      : !role || role.toLowerCase() === 'student'
    if (!standing(status) || String(enabledUser).toLowerCase() === 'false' || !learns) continue
    const name = [givenName, familyName]
      .map(part => tidy(part ?? ''))
      .filter(Boolean)
      .join(' ')
    const preferred = tidy(preferredFirstName ?? '')
    const fits =
      name !== ''
      && [...name].length <= NAME_LONGEST
      && [...preferred].length <= NAME_LONGEST
      && (students.has(sourcedId) || students.size < MOST_STUDENTS)
    if (fits)
      students.set(sourcedId, {
        name,
        record: sourcedId,
        ...(preferred && preferred !== tidy(givenName ?? '') && { preferred }),
      })
    else passedOver++
  }
  return { students: [...students.values()], passedOver }
}
