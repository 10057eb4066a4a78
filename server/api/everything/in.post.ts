import { join } from 'node:path'
import { withFolder } from '../../files/folder'
import { readToFile } from '../../http/read'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'
import { services } from '../../services'
import { bringIn } from '../../usecases/bringIn'

/** A year's boards with their films, packed. */
const LARGEST = 300 * 1024 * 1024

/** What a teacher took along from another place, all of it. */
export default defineEventHandler(async event => {
  const teacher = await requireTeacher(event)
  const all = await services()
  return withFolder(async folder => {
    const path = join(folder, 'everything.zip')
    await readToFile(event, LARGEST, path)
    const brought = await bringIn(all, teacher.id, path)
    if (!brought.ok) throw refusal(brought.reason)
    return brought.value
  })
})
