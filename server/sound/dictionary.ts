import type { Sounds } from '../../core/sound/phones'

let loading: Promise<Record<string, string>> | null = null
const MOST_VARIANTS = 8

/**
 * The pronunciations of these words, variants included, from the open dictionary; it is read when it is first asked.
 */
export async function soundsOf(words: readonly string[]): Promise<Sounds> {
  loading ??= import('cmu-pronouncing-dictionary').then(module => module.dictionary)
  const dictionary = await loading
  return new Map(
    words.flatMap(word => {
      const names = [word, ...Array.from({ length: MOST_VARIANTS }, (_, i) => `${word}(${i + 1})`)]
      const variants = names.flatMap(name => (Object.hasOwn(dictionary, name) ? [dictionary[name]!] : []))
      return variants.length ? [[word, variants] as const] : []
    }),
  )
}
