import { isOfSeveral } from '../../../../core/slate/kind'
import { answering } from '../../../http/answering'
import { hideThing } from '../../../usecases/slatePictures'

/** A teacher hides what doesn't belong on a slate of several, or on a page that others see, or shows it again. */
export default answering('PUT /api/slates/[id]/hidden', async ({ all, actor, id, who, body, refuse }) => {
  if (!isOfSeveral(who.kind!) && who.kind !== 'page') throw refuse('not-now')
  const done = await hideThing(all, id, { actor, hold: who.hold! }, body)
  if (!done.ok) throw refuse(done.reason)
  return {}
})
