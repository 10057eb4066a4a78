import type { H3Event } from 'h3'
import * as v from 'valibot'
import { MOST_STUDENTS } from '../../core/roster/classList'
import type { Actor } from '../rights/actor'
import type { Action } from '../../core/rights/rights'
import { roleOnHandout } from '../rights/roles'
import { services, type Services } from '../services'
import { idParam } from './read'
import { actorOf, requireRight } from './session'

/** Some slates of a handout, by their ids. */
export const SomeSlates = v.pipe(
  v.array(v.pipe(v.string(), v.uuid(), v.toLowerCase())),
  v.minLength(1),
  v.maxLength(MOST_STUDENTS),
)

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
