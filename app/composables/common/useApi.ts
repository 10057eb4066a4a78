import { FetchError } from 'ofetch'
import type { AnswerOf, RouteAt, SentTo } from '~~/core/contract/contract'
import type { Method } from '~~/core/contract/route'

/** What went wrong with a request, by a code that the catalogue has words for. */
export class Refused extends Error {
  constructor(
    readonly code: string,
    readonly detail = '',
  ) {
    super(code)
  }
}

/** Sends bytes as they are. */
export const askBytes = (path: string, bytes: Blob) => askFor<unknown>(path, { method: 'PUT', body: bytes })

/** `once`: whatever is asked with the same key is done once, however often it is asked. */
interface Options<M extends Method, Body> {
  method?: M
  body?: Body
  once?: string
}

/** Of a path that is nobody's, words that no path is. */
type Known<M extends Method, Path extends string> = [RouteAt<M, Path>] extends [never] ? 'no such route' : unknown

/**
 * Asks the server as agreed (`core/contract`): what is sent and what arrives is what the route says. A refusal is
 * thrown as `Refused`, an unreachable server as `Refused('offline')`.
 */
export const ask = <const Path extends string, M extends Method = 'GET'>(
  path: Path & Known<M, Path>,
  options: Options<M, SentTo<RouteAt<M, Path>>> = {},
): Promise<AnswerOf<RouteAt<M, Path>>> =>
  askFor(path, options as Options<Method, Record<string, unknown> | FormData | Blob>)

/** As `ask`, of a route that isn't in the contract yet: who asks says what arrives. */
export async function askFor<Answer>(
  path: string,
  { once, ...options }: Options<Method, Record<string, unknown> | FormData | Blob> = {},
): Promise<Answer> {
  if (options.method) forgetAskedAhead()
  const ahead = await askedAhead(path)
  if (ahead) return ahead.answer as Answer
  try {
    return (await $fetch<Answer>(path, {
      retry: 0,
      ...options,
      ...(once && { headers: { 'Idempotency-Key': once } }),
    })) as Answer
  } catch (error) {
    if (!(error instanceof FetchError)) throw error
    const said = error.data as { data?: { code?: string; detail?: string } } | undefined
    throw new Refused(said?.data?.code ?? (error.status ? 'trouble' : 'offline'), said?.data?.detail)
  }
}

/** Runs things that may be refused and keeps the words for the last refusal. */
export function useAsking() {
  const { said } = useWords()
  const trouble = ref('')
  /** The code of the last refusal, for whoever offers a way out of it. */
  const refusal = ref('')
  const busy = ref(false)
  async function attempt<T>(task: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    trouble.value = refusal.value = ''
    try {
      return await task()
    } catch (error) {
      if (!(error instanceof Refused)) throw error
      refusal.value = error.code
      trouble.value = said(`refused.${error.code}`, 'refused.trouble')
      return undefined
    } finally {
      busy.value = false
    }
  }
  return { attempt, trouble, refusal, busy }
}
