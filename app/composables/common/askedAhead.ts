const waiting = globalThis as { asked?: Map<string, Promise<Response>> }
/** In milliseconds after the document was asked for: what nobody has waited for by then is asked anew. */
const SOON = 30_000

/**
 * What the document asked for while the application was on its way (server/http/ahead.ts). Each answer is had once,
 * soon, and not after something was changed from here: by then it may be out of date.
 */
export async function askedAhead(path: string): Promise<{ answer: unknown } | undefined> {
  const asked = waiting.asked?.get(path)
  if (!asked) return undefined
  waiting.asked!.delete(path)
  if (performance.now() > SOON) return undefined
  try {
    const response = await asked
    if (!response.ok) return undefined
    const text = await response.text()
    return { answer: text === '' ? '' : JSON.parse(text) }
  } catch {
    // Asked again, it says itself what is wrong.
    return undefined
  }
}

export const forgetAskedAhead = () => waiting.asked?.clear()
