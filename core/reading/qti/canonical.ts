import type { XmlElement } from '../xml'

const camel = (name: string) =>
  name.replace(/^qti-/, '').replace(/-([a-z0-9])/g, (_, letter: string) => letter.toUpperCase())

/**
 * QTI 3 and QTI 2.x say the same with other names: `qti-gap-match-interaction` and `gapMatchInteraction`. All are named
 * as QTI 2 names them.
 */
export function canonical({ name, attributes, children }: XmlElement): XmlElement {
  return {
    name: camel(name),
    attributes: Object.fromEntries(Object.entries(attributes).map(([key, value]) => [camel(key), value])),
    children: children.map(child => (typeof child === 'string' ? child : canonical(child))),
  }
}

const BLOCKS = ['p', 'div', 'li', 'tr', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'blockquote', 'pre', 'simpleChoice']
const UNSAID = ['feedbackInline', 'feedbackBlock', 'rubricBlock', 'modalFeedback', 'templateInline', 'stylesheet']

/**
 * The words of an element: blocks on lines of their own, spaces tidied, feedback left out. `instead` says what stands
 * for an element; undefined: its words.
 */
export function wordsOf(
  element: XmlElement | null,
  instead: (child: XmlElement) => string | undefined = () => undefined,
) {
  const said = (one: XmlElement): string =>
    one.children
      .map(child => {
        if (typeof child === 'string') return child.replace(/\s+/g, ' ')
        if (UNSAID.includes(child.name)) return ''
        if (child.name === 'br') return '\n'
        const words = instead(child) ?? said(child)
        return BLOCKS.includes(child.name) ? `\n${words}\n` : words
      })
      .join('')
  return element
    ? said(element)
        .replace(/ {2,}/g, ' ')
        .replace(/ ?\n ?/g, '\n')
        .replace(/\n{2,}/g, '\n')
        .trim()
    : ''
}
