import { defu } from 'defu'
import en from '~/locales/en'
import type enTeacher from '~/locales/enTeacher'

type KeysOf<Tree> = {
  [Name in keyof Tree & string]: Tree[Name] extends string ? Name : `${Name}.${KeysOf<Tree[Name]>}`
}[keyof Tree & string]
/** Every message there is; a key that the catalogue lacks doesn't compile. */
export type WordKey = KeysOf<typeof en & typeof enTeacher>

/** What a message is once the application is built: a text, or what makes one of what fills its blanks. */
type Message = string | ((parameters: Record<string, string | number>) => string)

/**
 * The message catalogue, compiled when the application is built. British school English is the only one so far; a
 * second needs no more than its files. What only teachers read is fetched with the first view that is for them.
 */
export default defineNuxtPlugin(() => {
  let words: object = en
  let teachers: Promise<void> | undefined
  const wordsForTeachers = () =>
    (teachers ??= import('~/locales/enTeacher').then(more => {
      words = defu(en, more.default)
    }))
  const find = (key: string) =>
    key.split('.').reduce<unknown>((tree, name) => (tree as Record<string, unknown> | undefined)?.[name], words) as
      Message | undefined
  return {
    provide: {
      wordsForTeachers,
      words: {
        has: (key: string) => find(key) !== undefined,
        /** The words for a key; the key itself where there are none. */
        translate: (key: string, parameters: Record<string, string | number>): string => {
          const message = find(key)
          return typeof message === 'function' ? message(parameters) : (message ?? key)
        },
      },
    },
  }
})
