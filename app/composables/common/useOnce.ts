import { nanoid } from 'nanoid'

/**
 * A key for each thing that is asked here: the same thing asked again, by a second click or after a lost answer, is the
 * same.
 */
export function useOnce() {
  const keys = new Map<string, string>()
  return {
    keyFor(what: unknown): string {
      const name = JSON.stringify(what)
      const key = keys.get(name) ?? nanoid()
      keys.set(name, key)
      return key
    },
    /** From here on the same thing is meant anew. */
    anew: () => keys.clear(),
  }
}
