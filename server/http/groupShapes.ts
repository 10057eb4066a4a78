import * as v from 'valibot'
import { setSchema } from '../../core/groups/setSchema'
import { MOST_STUDENTS } from '../../core/roster/classList'

const Id = v.pipe(v.string(), v.uuid(), v.toLowerCase())
export const StudentIds = v.pipe(v.array(Id), v.maxLength(MOST_STUDENTS))
export const SetShape = setSchema(StudentIds)
