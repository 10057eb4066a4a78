import { actorOf } from '../http/session'

export default defineEventHandler(async event => {
  const actor = await actorOf(event)
  return actor && { kind: actor.kind, id: actor.id, name: actor.name }
})
