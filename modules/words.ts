import { baseCompile, type MessageNode, type NodeTypes, type PluralNode } from '@intlify/message-compiler'
import { addVitePlugin, defineNuxtModule } from 'nuxt/kit'

type Words = { readonly [name: string]: string | Words }

/**
 * Compiles the message catalogue when the application is built, so that a device loads neither a compiler nor what
 * would carry out its work: a message without blanks stays a text, any other becomes a function of what fills them. One
 * that can't be read stops the build.
 */
export default defineNuxtModule(() => {
  addVitePlugin({
    name: 'words',
    enforce: 'post',
    async transform(code, id) {
      if (!/\/app\/locales\/(everybody|teachers)\/\w+\.ts$/.test(id)) return
      // What is left of the file by now is plain JavaScript without imports.
      const { default: words } = (await import(`data:text/javascript,${encodeURIComponent(code)}`)) as {
        default: Words
      }
      return { code: `import { form } from '~/locales/form'\nexport default ${compiled(words)}`, map: null }
    },
  })
})

/** A catalogue as an object in JavaScript, for which `form` has to be in reach. */
export function compiled(words: Words): string {
  const entries = Object.entries(words).map(
    ([name, text]) => `${JSON.stringify(name)}:${typeof text === 'string' ? message(name, text) : compiled(text)}`,
  )
  return `{${entries.join(',')}}`
}

function message(name: string, text: string): string {
  if (!/[{|@]/.test(text)) return JSON.stringify(text)
  const unreadable = (why: string) => new Error(`the message ${name} can't be read: ${why}`)
  const { ast } = baseCompile(text, {
    location: false,
    onError: error => {
      throw unreadable(error.message)
    },
  })
  const templateOf = ({ items }: MessageNode) =>
    `\`${items
      .map(item => {
        if (item.type === NAMED) return `\${p[${JSON.stringify(item.key)}]??''}`
        if (item.type === TEXT || item.type === LITERAL) return item.value!.replace(/[\\`$]/g, '\\$&')
        throw unreadable('only words and names in braces are meant to stand in it')
      })
      .join('')}\``
  const forms = ast.body.type === PLURAL ? (ast.body as PluralNode).cases : [ast.body as MessageNode]
  return forms.length === 1 ? `p=>${templateOf(forms[0]!)}` : `p=>form(p.count,[${forms.map(templateOf).join(',')}])`
}

// The package's own names for these are gone once it is compiled.
const PLURAL = 1 satisfies NodeTypes.Plural
const TEXT = 3 satisfies NodeTypes.Text
const NAMED = 4 satisfies NodeTypes.Named
const LITERAL = 9 satisfies NodeTypes.Literal
