import type { H3Event } from 'h3'
import type { Actor } from '../rights/actor'
import type { Action } from '../../core/rights/rights'
import { roleOnHandout } from '../rights/roles'
import { services, type Services } from '../services'
import { idParam } from './read'
import { actorOf, requireRight } from './session'

/** The handout that the path names, for somebody who has this right on it. */
export async function requireRightOnHandout(
  event: H3Event,
  action: Action,
): Promise<{ all: Services; id: string; actor: Actor }> {
  const all = await services()
  const id = idParam(event)
  const actor = await actorOf(event)
  requireRight(await roleOnHandout(all.db, actor, id), action)
  // Nobody has no right.
  return { all, id, actor: actor! }
}
