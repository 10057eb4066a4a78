import { defineEventHandler, type H3Error, type H3Event } from 'h3'
import type * as v from 'valibot'
import { CONTRACT, type Answered, type Contract } from '../../core/contract/contract'
import type { Route, Thing, Who } from '../../core/contract/route'
import { LARGEST } from '../../core/contract/sizes'
import type { Role } from '../../core/rights/rights'
import type { Actor } from '../rights/actor'
import { whoOnSlate, type WhoOnSlate } from '../rights/hold'
import { roleOnBoard, roleOnClass, roleOnHandout } from '../rights/roles'
import { services, type Services } from '../services'
import { asPromised } from './promised'
import { idParam, queryAs, readJson } from './read'
import { refusal } from './refuse'
import { actorOf, requireRight, requireSomebody, requireStudent, requireTeacher } from './session'

/** What a route knows of who asks, by whom it lets through. */
type Asker<W extends Who> = W extends 'anybody'
  ? unknown
  : W extends 'somebody'
    ? { readonly actor: Actor }
    : W extends 'teacher' | 'student'
      ? { readonly actor: Extract<Actor, { kind: W }> }
      : W extends { readonly on: 'slate' }
        ? { readonly actor: Actor; readonly id: string; readonly who: WhoOnSlate }
        : { readonly actor: Actor; readonly id: string; readonly role: Role }

type Read<R, Part extends 'query' | 'body'> = R extends { readonly [P in Part]: infer S extends v.GenericSchema }
  ? { readonly [P in Part]: v.InferOutput<S> }
  : unknown

type Given<R extends Route> = Asker<R['who']>
  & Read<R, 'query'>
  & Read<R, 'body'> & {
    readonly event: H3Event
    readonly all: Services
    /** To be thrown; only what is agreed on. */
    readonly refuse: (code: R['refusals'][number], detail?: string) => H3Error
  }

/**
 * A route as it is agreed on: whoever it isn't for is refused, what is sent is read as agreed, and only then it is
 * worked on. Its answer and its refusals are those of the contract, or it doesn't compile; in tests they are looked at,
 * too.
 */
export function answering<Name extends keyof Contract>(
  name: Name,
  work: (given: Given<Contract[Name]>) => Promise<Answered<Contract[Name]>>,
) {
  const route: Route = CONTRACT[name]
  return defineEventHandler(event =>
    asPromised(name, route, async () => {
      const all = await services()
      const given = {
        event,
        all,
        refuse: refusal,
        ...(await letThrough(event, all, route.who)),
        ...(route.query && { query: queryAs(event, route.query) }),
        ...(route.body && { body: await readJson(event, route.body, LARGEST[route.size ?? 'usual']) }),
      }
      // What was put together by the contract's entry is what its type says.
      return work(given as unknown as Given<Contract[Name]>)
    }),
  )
}

function letThrough(event: H3Event, all: Services, who: Who): Promise<object> | object {
  if (typeof who === 'object') return withRight(event, all, who)
  switch (who) {
    case 'anybody':
      return {}
    case 'somebody':
      return requireSomebody(event).then(actor => ({ actor }))
    case 'teacher':
      return requireTeacher(event).then(actor => ({ actor }))
    case 'student':
      return requireStudent(event).then(actor => ({ actor }))
  }
}

const ROLE_ON: { readonly [T in Exclude<Thing, 'slate'>]: typeof roleOnClass } = {
  board: roleOnBoard,
  class: roleOnClass,
  handout: roleOnHandout,
}

async function withRight(event: H3Event, all: Services, { on, right }: Extract<Who, object>) {
  const id = idParam(event)
  const actor = await actorOf(event)
  if (on === 'slate') {
    const who = await whoOnSlate(all.db, actor, id)
    requireRight(who.role, right)
    return { actor, id, who }
  }
  const role = await ROLE_ON[on](all.db, actor, id)
  requireRight(role, right)
  return { actor, id, role }
}
