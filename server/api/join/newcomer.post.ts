import { hasLetter } from '../../../core/roster/names'
import { tidyClassCode } from '../../../core/roster/picturePassword'
import { addressOf } from '../../http/address'
import { answering } from '../../http/answering'
import { mayAsk, tryOnce } from '../../http/limits'
import { actorOf, startSession } from '../../http/session'
import { arrive } from '../../usecases/newcomers'

/** Somebody comes by the code of what is given out to whoever comes, and by the name they go by. */
export default answering('POST /api/join/newcomer', async ({ event, body: { code, name }, all, refuse }) => {
  if (!hasLetter(name)) throw refuse('bad-name')
  const found = await tryOnce(
    { slowed: [{ limiter: all.limits.address, key: addressOf(event) }] },
    async () =>
      (await all.db
        .selectFrom('classes')
        .select('id')
        .where('code', '=', tidyClassCode(code))
        .where('newcomers', '=', 'open')
        .where('put_away_at', 'is', null)
        .executeTakeFirst()) ?? null,
  )
  if (found === 'too-often') throw refuse('too-often')
  if (!found) throw refuse('no-such-code')
  // Who came from this device already goes on as who they are: two clicks make no two of them.
  const actor = await actorOf(event)
  if (actor?.kind === 'student' && actor.classId === found.id)
    return { kind: 'student' as const, id: actor.id, name: actor.name }
  if (!(await mayAsk(all.limits.arrivals, found.id))) throw refuse('too-often')
  const arrived = await arrive(all, found.id, name)
  if (!arrived.ok) throw refuse(arrived.reason === 'closed' ? 'no-such-code' : 'full')
  await startSession(event, { student_id: arrived.value.id })
  return { kind: 'student' as const, ...arrived.value }
})
