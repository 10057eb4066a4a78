import { answering } from '../../../http/answering'
import { carryOut } from '../../../usecases/later'

/** A draft, or what would go out later, is given out now. */
export default answering('POST /api/handouts/[id]/give-out', async ({ all: { db }, id, refuse }) => {
  const given = await carryOut(db, id, true)
  if (given.ok) return given.value
  const { reason } = given
  throw refuse(reason === 'gone' ? 'not-found' : reason === 'given' || reason === 'waits' ? 'not-now' : reason)
})
