import { join } from 'node:path'
import { answering } from '../../../http/answering'
import { withFolder } from '../../../files/folder'
import { LARGEST } from '../../../../core/contract/sizes'
import { readToFile } from '../../../http/read'
import { takeParcel } from '../../../usecases/parcelsThatCome'

/** What a teacher took along from another place, all of it; it is unpacked meanwhile. */
export default answering('POST /api/everything/in', async ({ event, all, actor: teacher, refuse }) => {
  return withFolder(async folder => {
    const path = join(folder, 'everything.zip')
    await readToFile(event, LARGEST.parcel, path)
    const taken = await takeParcel(all, teacher.id, path)
    if (!taken.ok) throw refuse(taken.reason)
    return taken.value
  })
})
