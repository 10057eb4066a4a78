import { LIBRARY_PAGE } from '../../../core/board/librarySubjects'
import { answering } from '../../http/answering'
import { shippedLibrary } from '../../files/shippedLibrary'

export default answering('GET /api/library', async ({ query: { q, subject, from } }) => {
  const library = await shippedLibrary()
  const page = { from, most: LIBRARY_PAGE }
  return q.trim() ? library.search(q, page) : library.about(subject, page)
})
