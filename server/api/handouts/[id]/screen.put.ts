import * as v from 'valibot'
import { ShowSchema } from '../../../../core/lesson/show'
import { requireRightOnHandout } from '../../../http/onHandout'
import { LARGEST } from '../../../../core/contract/sizes'
import { readJson } from '../../../http/read'
import { setShow } from '../../../usecases/lesson/screen'

/** What the class screen shows from now on. */
export default defineEventHandler(async event => {
  const { all, id } = await requireRightOnHandout(event, 'handout.show')
  const { show } = await readJson(event, v.strictObject({ show: ShowSchema }), LARGEST.list)
  await setShow(all, id, show)
  return {}
})
