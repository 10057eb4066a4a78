import { answering } from '../../../http/answering'
import { claimFrame, joinFrame } from '../../../usecases/beginning'

/** A student takes a free frame, with those who work on it with them, or goes to one that has room. */
export default answering('POST /api/handouts/[id]/frames', async ({ all, actor: student, id, body: asked, refuse }) => {
  const taken =
    asked.what === 'take'
      ? await claimFrame(all, id, { student: student.id, ...asked })
      : await joinFrame(all, id, student.id, asked.frame)
  if (!taken.ok) throw refuse(taken.reason)
  return taken.value
})
