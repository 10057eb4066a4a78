import { answering } from '../http/answering'
import { actorOf } from '../http/session'

export default answering('GET /api/session', async ({ event }) => {
  const actor = await actorOf(event)
  return actor && { kind: actor.kind, id: actor.id, name: actor.name }
})
