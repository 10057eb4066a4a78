import type { H3Event } from 'h3'
import type { Actor } from '../rights/actor'
import { whoOnSlate, type WhoOnSlate } from '../rights/hold'
import type { Action } from '../../core/rights/rights'
import { services, type Services } from '../services'
import { idParam } from './read'
import { actorOf, requireRight } from './session'

/** The slate that the path names, for somebody who has this right on it, and whose hand theirs is there. */
export async function requireRightOnSlate(
  event: H3Event,
  action: Action,
): Promise<{ all: Services; id: string; actor: Actor; who: WhoOnSlate }> {
  const all = await services()
  const id = idParam(event)
  const actor = await actorOf(event)
  const who = await whoOnSlate(all.db, actor, id)
  requireRight(who.role, action)
  // Nobody has no right.
  return { all, id, actor: actor!, who }
}
