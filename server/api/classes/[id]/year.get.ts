import { requireRightOnClass } from '../../../http/onClass'
import { classYear } from '../../../usecases/year'

/** How the class did in each subject and tag. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnClass(event, 'class.read')
  return { works: await classYear(all, id) }
})
