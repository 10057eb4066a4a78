import * as v from 'valibot'
import { NAME_LONGEST } from '../../../core/roster/classList'
import { hasLetter, tidy } from '../../../core/roster/names'
import { tidyClassCode } from '../../../core/roster/picturePassword'
import { storedText } from '../../../core/text/storedText'
import { addressOf } from '../../http/address'
import { mayAsk, tryOnce } from '../../http/limits'
import { LARGEST, readJson } from '../../http/read'
import { refusal } from '../../http/refuse'
import { actorOf, startSession } from '../../http/session'
import { services } from '../../services'
import { arrive } from '../../usecases/newcomers'

const Arrive = v.object({ code: storedText(40), name: v.pipe(storedText(NAME_LONGEST), v.transform(tidy)) })

/** Somebody comes by the code of what is given out to whoever comes, and by the name they go by. */
export default defineEventHandler(async event => {
  const { code, name } = await readJson(event, Arrive, LARGEST.anybody)
  if (!hasLetter(name)) throw refusal('bad-name')
  const all = await services()
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
  if (found === 'too-often') throw refusal('too-often')
  if (!found) throw refusal('no-such-code')
  // Who came from this device already goes on as who they are: two clicks make no two of them.
  const actor = await actorOf(event)
  if (actor?.kind === 'student' && actor.classId === found.id)
    return { kind: 'student', id: actor.id, name: actor.name }
  if (!(await mayAsk(all.limits.arrivals, found.id))) throw refusal('too-often')
  const arrived = await arrive(all, found.id, name)
  if (!arrived.ok) throw refusal(arrived.reason === 'closed' ? 'no-such-code' : 'full')
  await startSession(event, { student_id: arrived.value.id })
  return { kind: 'student', ...arrived.value }
})
