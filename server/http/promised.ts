import { isError } from 'h3'
import * as v from 'valibot'
import { commonOf, type Route } from '../../core/contract/route'

/** Where it is tried (`CHECK_ANSWERS=1`), what isn't agreed on is an error, and not an answer. */
const LOOKS = process.env.CHECK_ANSWERS === '1'

/** The answer of a route; where it is tried, only one that the contract promises, and only refusals that it names. */
export async function asPromised<T>(name: string, route: Route, work: () => Promise<T>, looks = LOOKS): Promise<T> {
  if (!looks) return work()
  const answer = await work().catch((error: unknown) => {
    const code = isError(error) && (error.data as { code?: string } | undefined)?.code
    const named: readonly string[] = [...commonOf(route), ...route.refusals]
    if (code && !named.includes(code)) throw new Error(`${name} refuses with ${code}, which it doesn't say it may`)
    throw error
  })
  if (route.answer === 'a file') return answer
  const { issues } = v.safeParse(route.answer, JSON.parse(JSON.stringify(answer ?? null)), { abortEarly: true })
  if (issues) throw new Error(`${name} answers otherwise than agreed: ${v.getDotPath(issues[0])}: ${issues[0].message}`)
  return answer
}
