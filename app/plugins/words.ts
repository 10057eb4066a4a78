import { createCoreContext, registerMessageResolver, resolveValue, translate as wordsFor, type LocaleMessage } from '@intlify/core-base'
import { defu } from 'defu'
import en from '~/locales/en'
import type enTeacher from '~/locales/enTeacher'

type KeysOf<Tree> = { [Name in keyof Tree & string]: Tree[Name] extends string ? Name : `${Name}.${KeysOf<Tree[Name]>}` }[keyof Tree & string]
/** Every message there is; a key that the catalogue lacks doesn't compile. */
export type WordKey = KeysOf<typeof en & typeof enTeacher>

const LOCALE = 'en'

/**
 * The message catalogue, compiled when the application is built. British school English is the only one so far; a second
 * needs no more than its files. What only teachers read is fetched with the first view that is for them.
 */
export default defineNuxtPlugin(() => {
  registerMessageResolver(resolveValue)
  const catalogueOf = (messages: object) => ({ messages, context: createCoreContext({ locale: LOCALE, messages: { [LOCALE]: messages as LocaleMessage<string> } }) })
  let words = catalogueOf(en)
  let teachers: Promise<void> | undefined
  const wordsForTeachers = () => teachers ??= import('~/locales/enTeacher').then((more) => {
    words = catalogueOf(defu(en, more.default))
  })
  return {
    provide: {
      wordsForTeachers,
      words: {
        has: (key: string) => resolveValue(words.messages, key) !== null,
        /** The words for a key; the key itself where there are none. */
        translate: (key: string, parameters: Record<string, string | number>): string => String(
          typeof parameters.count === 'number' ? wordsFor(words.context, key, parameters, parameters.count) : wordsFor(words.context, key, parameters)),
      },
    },
  }
})
