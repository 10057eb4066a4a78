import { useI18n } from 'vue-i18n'
import type en from '~/locales/en'
import type enTeacher from '~/locales/enTeacher'

type KeysOf<Tree> = { [Name in keyof Tree & string]: Tree[Name] extends string ? Name : `${Name}.${KeysOf<Tree[Name]>}` }[keyof Tree & string]
/** Every message there is; a key that the catalogue lacks doesn't compile. */
export type WordKey = KeysOf<typeof en & typeof enTeacher>

type Parameters = Record<string, string | number>

export function useWords() {
  const { t: translate, te } = useI18n()
  /** With `count` among the parameters, the form that fits the number is taken. */
  const t = (key: WordKey, parameters: Parameters = {}): string =>
    typeof parameters.count === 'number' ? translate(key, parameters, parameters.count) : translate(key, parameters)
  /** For keys that come as codes from the server or the core: the fallback stands in for one that has no words. */
  const said = (key: string, fallback: WordKey, parameters: Parameters = {}): string => te(key) ? t(key as WordKey, parameters) : t(fallback, parameters)
  return { t, said }
}
