import { ok, refuse, type Result } from '../../core/result'
import type { SlateStatus } from '../../core/slate/status'
import type { Services } from '../services'
import { handBack } from './openness'
import { beginAgain } from './tries'

type Told = Pick<Services, 'db' | 'wire' | 'engine'>

/** To be read; with `again` to be gone on with, in another try. What was handed back before can be asked for again. */
export async function handBackOne(
  services: Told,
  slate: string,
  again: boolean,
): Promise<Result<SlateStatus, { code: 'not-now'; status?: SlateStatus } | { code: 'unreadable' }>> {
  const done = await handBack(services, slate)
  if (!done.ok && !(again && done.reason === 'handed-back')) return refuse({ code: 'not-now', status: done.reason })
  if (!again) return ok('handed-back')
  const begun = await beginAgain(services, slate, true)
  return begun.ok ? begun : refuse({ code: begun.reason })
}

/**
 * All slates of a handout that are handed in, or those of them that are named, each under its own lock. How many were
 * handed back: one that changed meanwhile, or can't be read, is left as it is.
 */
export async function handBackFor(
  services: Told,
  handout: string,
  { again, some }: { readonly again: boolean; readonly some: readonly string[] | undefined },
): Promise<number> {
  const rows = await services.db
    .selectFrom('slates')
    .select('id')
    .where('handout_id', '=', handout)
    .where('status', '=', 'handed-in')
    .$if(some !== undefined, query => query.where('id', 'in', [...some!]))
    .orderBy('id')
    .execute()
  let count = 0
  for (const { id } of rows) if ((await handBackOne(services, id, again)).ok) count++
  return count
}
