import { join } from 'node:path'
import { withFolder } from '../../../files/folder'
import { LARGEST } from '../../../../core/contract/sizes'
import { readToFile } from '../../../http/read'
import { refusal } from '../../../http/refuse'
import { requireTeacher } from '../../../http/session'
import { services } from '../../../services'
import { takeParcel } from '../../../usecases/parcelsThatCome'

/** What a teacher took along from another place, all of it; it is unpacked meanwhile. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const all = await services()
  return withFolder(async folder => {
    const path = join(folder, 'everything.zip')
    await readToFile(event, LARGEST.parcel, path)
    const taken = await takeParcel(all, teacher.id, path)
    if (!taken.ok) throw refusal(taken.reason)
    return taken.value
  })
})
