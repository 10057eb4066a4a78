import { JarSchema } from '../../../../../core/lesson/jarSchema'
import { requireRightOnHandout } from '../../../../http/onHandout'
import { readJson } from '../../../../http/read'
import { setJar } from '../../../../usecases/lesson/jar'

/** Opens the question jar, closes it, or has questions asked by name. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.jar')
  await setJar(all, id, await readJson(event, JarSchema))
  return {}
})
