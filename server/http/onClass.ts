import type { H3Event } from 'h3'
import type { Actor } from '../rights/actor'
import type { Action, Role } from '../../core/rights/rights'
import { roleOnClass } from '../rights/roles'
import { services, type Services } from '../services'
import { idParam } from './read'
import { actorOf, requireRight } from './session'

/** The class that the path names, for somebody who has this right on it. */
export async function requireRightOnClass(
  event: H3Event,
  action: Action,
): Promise<{ all: Services; db: Services['db']; id: string; actor: Actor; role: Role }> {
  const all = await services()
  const id = idParam(event)
  const actor = await actorOf(event)
  const role = await roleOnClass(all.db, actor, id)
  requireRight(role, action)
  // Nobody has no right.
  return { all, db: all.db, id, actor: actor!, role }
}
