import { breakTextsBy, type BreakRules } from '~~/core/text/lines'
import type { Syllables } from '~~/core/text/hyphens'
import type { Language } from '~~/core/text/spoken'

/**
 * By what texts are broken is fetched when a text first asks: the rules of scripts without spaces, and how a language
 * divides a word that is too wide for its card. What was drawn without is drawn anew then. Without a connection it is
 * asked for again with the next text.
 */
export default defineNuxtPlugin(() => {
  const breaks = shallowRef<BreakRules | null>(null)
  const known = shallowReactive(new Map<Language, Syllables | null>())

  let asked = false
  async function fetchBreaks() {
    const { unicodeBreaks } = await import('~~/core/text/unicodeBreaks')
    breaks.value = unicodeBreaks
  }
  const askedOf = new Set<Language>()
  async function fetchSyllables(language: Language) {
    const { loadSyllables } = await import('~~/core/text/hyphens')
    known.set(language, await loadSyllables(language))
  }

  breakTextsBy({
    breaks() {
      if (!asked) {
        asked = true
        fetchBreaks().catch(() => (asked = false))
      }
      return breaks.value
    },
    syllables(language) {
      if (!known.has(language) && !askedOf.has(language)) {
        askedOf.add(language)
        fetchSyllables(language).catch(() => askedOf.delete(language))
      }
      return known.get(language) ?? null
    },
    edition: () => `${breaks.value ? 'all' : 'short'} ${known.size}`,
  })
})
