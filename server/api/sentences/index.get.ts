import * as v from 'valibot'
import { queryAs } from '../../http/read'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { sentencesOf } from '../../usecases/sentences'

/** A piece or a place, by its id. */
const QuerySchema = v.object({ about: v.optional(v.pipe(v.string(), v.maxLength(80))) })

/** What this teacher has said before, first what was said about this. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const { about } = queryAs(event, QuerySchema)
  return sentencesOf((await services()).db, teacher.id, about ?? null)
})
