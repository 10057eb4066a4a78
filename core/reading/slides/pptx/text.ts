import { childOf, childrenOf, elementsIn, numberOf, textOf, type XmlElement } from '../../xml'
import { NO_WORDS, type Words } from '../parts'

/** Where a text gets from what it doesn't say itself: list styles that it inherits, nearest first. */
export type Styles = readonly (XmlElement | null)[]

const HUNDREDTHS = 100
const USUAL_SIZE = 18
const LEVELS = 9

/** The words of a text body: its paragraphs, with bullets and numbers as letters; one size and weight for all. */
export function wordsOf(body: XmlElement | null, styles: Styles): Words {
  if (!body) return NO_WORDS
  const chain = [childOf(body, 'lstStyle'), ...styles]
  const scale = (numberOf(childOf(body, 'bodyPr', 'normAutofit'), 'fontScale') ?? 100_000) / 100_000
  const numbers = new Array<number>(LEVELS).fill(0)
  const lines: string[] = []
  let first: { size: number; bold: boolean; fromLeft: boolean } | null = null
  for (const paragraph of childrenOf(body, 'p')) {
    const own = childOf(paragraph, 'pPr')
    const level = Math.min(LEVELS - 1, Math.max(0, numberOf(own, 'lvl') ?? 0))
    const from = [own, ...chain.map(style => childOf(style, `lvl${level + 1}pPr`))]
    const text = lineOf(paragraph)
    if (!text.trim()) {
      lines.push('')
      continue
    }
    lines.push(bullet(from, level, numbers) + text)
    first ??= lookOf(paragraph, from)
  }
  const look = first ?? { size: USUAL_SIZE, bold: false, fromLeft: true }
  return { text: lines.join('\n'), ...look, size: look.size * scale }
}

/** Runs and fields one after the other; a break is a line of its own. */
const lineOf = (paragraph: XmlElement): string =>
  elementsIn(paragraph)
    .map(part =>
      part.name === 'r' || part.name === 'fld' ? textOf(childOf(part, 't')) : part.name === 'br' ? '\n' : '',
    )
    .join('')
    .replace(/[\v\u2028]/g, '\n')

type Sources = readonly (XmlElement | null)[]

function lookOf(paragraph: XmlElement, from: Sources): { size: number; bold: boolean; fromLeft: boolean } {
  const run = elementsIn(paragraph).find(part => part.name === 'r' || part.name === 'fld')
  const runs = [childOf(run, 'rPr'), ...from.map(source => childOf(source, 'defRPr'))]
  const said = (name: string, sources: Sources) => sources.find(source => source?.attributes[name])?.attributes[name]
  const size = Number(said('sz', runs))
  const align = said('algn', from) ?? 'l'
  return {
    size: size > 0 ? size / HUNDREDTHS : USUAL_SIZE,
    bold: ['1', 'true'].includes(said('b', runs) ?? ''),
    fromLeft: align !== 'ctr' && align !== 'r',
  }
}

const MARKS = ['buNone', 'buChar', 'buAutoNum', 'buBlip']
/** What stands before a paragraph; numbers of deeper levels begin anew. */
function bullet(from: Sources, level: number, numbers: number[]): string {
  const mark = from.map(source => elementsIn(source).find(one => MARKS.includes(one.name))).find(Boolean)
  numbers.fill(0, level + 1)
  if (mark?.name === 'buAutoNum') {
    numbers[level] = numbers[level] ? numbers[level] + 1 : (numberOf(mark, 'startAt') ?? 1)
    return `${numbers[level]}. `
  }
  numbers[level] = 0
  if (!mark || mark.name === 'buNone') return ''
  return level ? '– ' : '• '
}
