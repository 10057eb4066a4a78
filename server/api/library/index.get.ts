import * as v from 'valibot'
import { LIBRARY_PAGE, SUBJECTS } from '../../../core/board/librarySubjects'
import { storedText } from '../../../core/text/storedText'
import { shippedLibrary } from '../../files/shippedLibrary'
import { queryAs } from '../../http/read'
import { requireSomebody } from '../../http/session'

const Query = v.object({
  /** Words; without any all pictures of the subject. */
  q: v.optional(storedText(60), ''),
  subject: v.optional(v.picklist(SUBJECTS), SUBJECTS[0]),
  from: v.optional(v.pipe(v.string(), v.regex(/^\d{1,5}$/), v.transform(Number)), '0'),
})

export default defineEventHandler(async event => {
  await requireSomebody(event)
  const { q, subject, from } = queryAs(event, Query)
  const library = await shippedLibrary()
  const page = { from, most: LIBRARY_PAGE }
  return q.trim() ? library.search(q, page) : library.about(subject, page)
})
