import { elementsIn, numberOf, type XmlElement } from '../../xml'
import { NO_WORDS, type Words } from '../parts'
import { lengthOf, type StyleBook } from './styles'

const USUAL_SIZE = 18
const MOST_SPACES = 100

interface Said {
  readonly styles: StyleBook
  /** What the words get from the shape that they stand in. */
  readonly shape: { readonly family: 'graphic' | 'presentation'; readonly name: string | undefined }
}
interface Line {
  readonly text: string
  readonly paragraph: XmlElement
}

/** The words of a shape: paragraphs and lists, with bullets and numbers as letters; one size and weight for all. */
export function wordsOf(holder: XmlElement | null, said: Said): Words {
  const lines = linesOf(holder, said, { depth: 0, list: undefined })
  const first = lines.find(line => line.text.trim())
  if (!first) return NO_WORDS
  return { text: lines.map(line => line.text).join('\n'), ...lookOf(first.paragraph, said) }
}

interface InList {
  readonly depth: number
  readonly list: string | undefined
}

function linesOf(holder: XmlElement | null, said: Said, { depth, list }: InList): Line[] {
  let number = 0
  return elementsIn(holder).flatMap((element): Line[] => {
    switch (element.name) {
      case 'p':
      case 'h':
        return [{ text: inline(element), paragraph: element }]
      case 'list':
        return linesOf(element, said, { depth: depth + 1, list: element.attributes['style-name'] ?? list })
      case 'list-item':
      case 'list-header': {
        const lines = linesOf(element, said, { depth, list })
        const direct = elementsIn(element).some(child => child.name === 'p' || child.name === 'h')
        if (element.name === 'list-header' || !direct || !lines[0]?.text.trim()) return lines
        const mark = markOf(lines[0].paragraph, said, { depth, list }, ++number)
        return [{ ...lines[0], text: mark + lines[0].text }, ...lines.slice(1)]
      }
      default:
        return []
    }
  })
}

function markOf(paragraph: XmlElement, { styles }: Said, { depth, list }: InList, number: number): string {
  const { 'style-name': name } = paragraph.attributes
  if (styles.said('paragraph', name, 'paragraph-properties', 'enable-numbering') === 'false') return ''
  const level = elementsIn(styles.definition('list-style', list)).find(one => numberOf(one, 'level') === depth)
  if (level?.name === 'list-level-style-number') return level.attributes['num-format'] ? `${number}. ` : ''
  if (level?.name !== 'list-level-style-bullet') return ''
  return depth > 1 ? '– ' : '• '
}

function inline(element: XmlElement): string {
  return element.children
    .map(child => {
      if (typeof child === 'string') return child.replace(/\s+/g, ' ')
      if (child.name === 'line-break') return '\n'
      if (child.name === 's') return ' '.repeat(Math.min(MOST_SPACES, numberOf(child, 'c') ?? 1))
      if (child.name === 'tab') return ' '
      return ['span', 'a', 'date', 'time', 'page-number', 'title', 'author-name'].includes(child.name)
        ? inline(child)
        : ''
    })
    .join('')
}

function lookOf(paragraph: XmlElement, { styles, shape }: Said): Pick<Words, 'size' | 'bold' | 'fromLeft'> {
  const span = elementsIn(paragraph).find(child => child.name === 'span')
  const { 'style-name': ofParagraph } = paragraph.attributes
  const letters = (property: string) =>
    (span && styles.said('text', span.attributes['style-name'], 'text-properties', property))
    ?? styles.said('paragraph', ofParagraph, 'text-properties', property)
  const ofShape = (group: 'text-properties' | 'paragraph-properties', property: string) =>
    styles.said(shape.family, shape.name, group, property)
  const align =
    styles.said('paragraph', ofParagraph, 'paragraph-properties', 'text-align')
    ?? ofShape('paragraph-properties', 'text-align')
  const size = lengthOf(letters('font-size') ?? ofShape('text-properties', 'font-size'))
  const weight = letters('font-weight') ?? ofShape('text-properties', 'font-weight')
  return {
    size: size ?? USUAL_SIZE,
    bold: weight === 'bold' || Number(weight) >= 600,
    fromLeft: align !== 'center' && align !== 'end' && align !== 'right',
  }
}
