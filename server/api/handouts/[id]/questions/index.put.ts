import { answering } from '../../../../http/answering'
import { setJar } from '../../../../usecases/lesson/jar'

/** Opens the question jar, closes it, or has questions asked by name. */
export default answering('PUT /api/handouts/[id]/questions', async ({ all, id, body }) => {
  await setJar(all, id, body)
  return {}
})
