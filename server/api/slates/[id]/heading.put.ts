import { answering } from '../../../http/answering'
import { hideHeading } from '../../../usecases/beginning'

/** A teacher keeps the heading of an own page from the others, or lets them see it again. */
export default answering('PUT /api/slates/[id]/heading', async ({ all, id, who, body: { hidden }, refuse }) => {
  if (who.kind !== 'page') throw refuse('not-now')
  await hideHeading(all, id, hidden)
  return {}
})
