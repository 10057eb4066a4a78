import { ok, type Result } from '../../core/result'
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
): Promise<Result<SlateStatus, SlateStatus | 'not-now' | 'unreadable'>> {
  const done = await handBack(services, slate)
  if (!done.ok && !(again && done.reason === 'handed-back')) return done
  if (!again) return ok('handed-back')
  return beginAgain(services, slate, true)
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
