import {
  compile,
  createCoreContext,
  registerMessageCompiler,
  registerMessageResolver,
  resolveValue,
  translate,
} from '@intlify/core-base'
import { expect, it } from 'vitest'
import en from '../../app/locales/en'
import enTeacher from '../../app/locales/enTeacher'
import { KEY_KINDS, type Key } from '../../core/keys/key'
import { kindOf } from '../../core/keys/kinds'
import { form } from '../../app/locales/form'
import { compiled } from '../../modules/words'

registerMessageResolver(resolveValue)
registerMessageCompiler(compile)

type Messages = { readonly [name: string]: string | Messages }
type Compiled = {
  readonly [name: string]: string | Compiled | ((parameters: Record<string, string | number>) => string)
}

const read = (messages: Messages) => new Function('form', `return ${compiled(messages)}`)(form) as Compiled

const keysOf = (messages: Messages, before = ''): string[] =>
  Object.entries(messages).flatMap(([name, text]) =>
    typeof text === 'string' ? [`${before}${name}`] : keysOf(text, `${before}${name}.`),
  )

const find = (words: Compiled, key: string) =>
  key.split('.').reduce<unknown>((tree, name) => (tree as Compiled)[name], words)

/** All that is in braces in a message. */
const blanksOf = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map(found => found[1]!)

for (const [which, messages] of [
  ['everybody', en],
  ['teachers', enTeacher],
] as [string, Messages][]) {
  // Against the library whose messages these are (@intlify/core-base, which compiles and carries out by itself).
  it(`says every message for ${which} as the library of the message format does`, () => {
    const words = read(messages)
    const context = createCoreContext({
      locale: 'en',
      messages: { en: messages },
      missingWarn: false,
      fallbackWarn: false,
    })
    const keys = keysOf(messages)
    for (const key of keys) {
      const text = find(messages as Compiled, key) as string
      const parameters = Object.fromEntries(blanksOf(text).map(name => [name, `<${name}>`]))
      for (const count of [0, 1, 2, 5, 40]) {
        const given = { ...parameters, count }
        const message = find(words, key) as string | ((given: object) => string)
        expect(typeof message === 'function' ? message(given) : message, key).toBe(
          translate(context, key, given, count),
        )
      }
    }
    expect(keys.length).toBeGreaterThan(200)
  })
}

it('takes one for granted where nothing is counted', () => {
  expect(form(undefined, ['one', 'many'])).toBe('one')
  expect(form(undefined, ['none', 'one', 'many'])).toBe('one')
})

it("refuses a message that can't be read, with its name", () => {
  expect(() => compiled({ desk: { title: 'My {desk' } })).toThrow(/title/)
  expect(() => compiled({ title: 'See @:desk.title' })).toThrow(/title/)
})

/** What each reason has words for: its own name, and the names of what fills its blanks. */
const tables = KEY_KINDS.map(kind => kindOf<Key>({ kind }).reasons)

it('says of every reason only what it knows, and to students only what they did', () => {
  for (const table of tables) {
    for (const [heard, { doing, codes }] of Object.entries(table)) {
      if (heard !== 'right')
        expect(Object.keys(doing), heard).toEqual(
          expect.arrayContaining(blanksOf(find(en as Compiled, `feedback.why.${heard}`) as string)),
        )
      for (const [code, more] of Object.entries(codes)) {
        const known = [...Object.keys(doing), ...Object.keys(more)]
        expect(known, code).toEqual(
          expect.arrayContaining(blanksOf(find(enTeacher as Compiled, `review.why.${code}`) as string)),
        )
      }
    }
  }
})
