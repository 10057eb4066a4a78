import type { Syllables } from '~~/core/text/hyphens'
import { divideBy } from '~~/core/text/lines'
import type { Language } from '~~/core/text/spoken'

/** How a language divides its words is fetched when a word is first too wide for its card; it is drawn anew then. */
export default defineNuxtPlugin(() => {
  const known = shallowReactive(new Map<Language, Syllables | null>())
  const asked = new Set<Language>()
  async function fetchSyllables(language: Language) {
    const { loadSyllables } = await import('~~/core/text/hyphens')
    known.set(language, await loadSyllables(language))
  }
  divideBy(language => {
    if (!known.has(language) && !asked.has(language)) {
      asked.add(language)
      // Without a connection the word is broken anywhere; it is asked for again with the next.
      fetchSyllables(language).catch(() => asked.delete(language))
    }
    return known.get(language) ?? null
  })
})
