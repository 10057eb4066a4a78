import { answering } from '../../http/answering'
import { once } from '../../http/once'
import { createClass } from '../../usecases/classes'

export default answering('POST /api/classes', async ({ event, actor: teacher, body: { name, zone }, refuse }) => {
  return once(event, teacher.id, async trx => {
    const created = await createClass(trx, teacher.id, name, zone)
    if (!created.ok) throw refuse(created.reason)
    return created.value
  })
})
