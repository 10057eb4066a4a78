import type { WordKey } from '~/plugins/words'

type Parameters = Record<string, string | number>

export function useWords() {
  const { translate, has } = useNuxtApp().$words
  /** With `count` among the parameters, the form that fits the number is taken. */
  const t = (key: WordKey, parameters: Parameters = {}): string => translate(key, parameters)
  /** For keys that come as codes from the server or the core: the fallback stands in for one that has no words. */
  const said = (key: string, fallback: WordKey, parameters: Parameters = {}): string =>
    translate(has(key) ? key : fallback, parameters)
  return { t, said }
}
