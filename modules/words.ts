import { baseCompile } from '@intlify/message-compiler'
import { addVitePlugin, defineNuxtModule } from 'nuxt/kit'

type Words = { readonly [name: string]: string | Words }

/**
 * Compiles the message catalogue when the application is built, so that a device loads no compiler: every message
 * becomes a function. One that can't be read stops the build.
 */
export default defineNuxtModule(() => {
  addVitePlugin({
    name: 'words', enforce: 'post',
    async transform(code, id) {
      if (!/\/app\/locales\/\w+\.ts$/.test(id)) return
      // What is left of the file by now is plain JavaScript without imports.
      const { default: words } = await import(`data:text/javascript,${encodeURIComponent(code)}`) as { default: Words }
      return { code: `const plain = text => () => text\nexport default ${compiled(words)}`, map: null }
    },
  })
})

function compiled(words: Words): string {
  const entries = Object.entries(words).map(([name, text]) => `${JSON.stringify(name)}:${typeof text === 'string' ? message(name, text) : compiled(text)}`)
  return `{${entries.join(',')}}`
}

function message(name: string, text: string): string {
  if (!/[{|@]/.test(text)) return `plain(${JSON.stringify(text)})`
  const { code } = baseCompile(text, { mode: 'arrow', onError: (error) => {
    throw new Error(`the message ${name} can't be read: ${error.message}`)
  } })
  return code
}
