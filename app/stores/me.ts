import { defineStore } from 'pinia'
import type { AnswerOf, RouteAt } from '~~/core/contract/contract'
import { forgetViews, keepWho, whoWasHere } from '~/sync/views'

export type Me = NonNullable<AnswerOf<RouteAt<'GET', '/api/session'>>>

/** Who is signed in at this device; without a connection, who was last. */
export const useMe = defineStore('me', () => {
  const me = ref<Me | null>(null)
  const asked = ref(false)
  async function load() {
    const before = await whoWasHere<Me | typeof LEAVING>()
    if (before === LEAVING && !(await endSession())) me.value = null
    else me.value = await whoIsHere(before === LEAVING ? undefined : before)
    asked.value = true
    return me.value
  }
  async function whoIsHere(before: Me | undefined): Promise<Me | null> {
    try {
      // An empty answer is what nobody gets.
      const now = (await ask('/api/session')) || null
      await isHere(now, before)
      return now
    } catch (error) {
      if (error instanceof Refused && error.code === 'offline' && before) return before
      throw error
    }
  }
  /** What somebody else has seen here goes; what they haven't sent stays. */
  async function isHere(now: Me | null, before: Me | typeof LEAVING | undefined) {
    if (before && (before === LEAVING || before.id !== now?.id)) await forgetViews()
    if (now?.kind === 'student') await keepWho(now)
  }
  /** Somebody has just signed in. A browser that keeps no cookie of ours is told so, instead of an empty desk. */
  async function came(now: Me) {
    // Nobody gets an empty answer, which not every browser tells in the same way.
    const kept = await ask('/api/session').catch(unknownWhether)
    if (!kept) throw new Refused('no-cookie')
    await isHere(now, await whoWasHere<Me | typeof LEAVING>())
    me.value = now
    asked.value = true
  }
  /** False when there is no connection to say it over, or the server is in trouble. */
  const endSession = async () => {
    try {
      await ask('/api/session', { method: 'DELETE' })
      await forgetViews()
      return true
    } catch (error) {
      if (error instanceof Refused && (error.code === 'offline' || error.code === 'trouble')) return false
      throw error
    }
  }
  /** Without a connection too: nothing that was seen is left, and the session is ended as soon as there is one. */
  async function leave() {
    await forgetViews()
    if (!(await endSession())) await keepWho(LEAVING)
    me.value = null
  }
  return { me, asked, load, came, leave }
})

const LEAVING = 'leaving'
/** Whether it was kept isn't known without an answer. */
function unknownWhether(error: unknown) {
  if (error instanceof Refused) return 'unknown' as const
  throw error
}
