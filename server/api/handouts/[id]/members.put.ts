import { answering } from '../../../http/answering'
import { placeMember, setPart } from '../../../usecases/members'

/** Puts a student on a frame, or on none; or says which part of theirs is their own. */
export default answering('PUT /api/handouts/[id]/members', async ({ all, id, body: asked, refuse }) => {
  const placed =
    'part' in asked
      ? await setPart(all, id, asked.student, asked.part)
      : await placeMember(all, id, asked.student, asked.to)
  if (!placed.ok) throw refuse(placed.reason === 'not-found' ? 'not-found' : 'not-now', placed.reason)
  return {}
})
