import type { Shape } from '../../geometry/shape'
import type { Losses } from '../lost'
import { allOf, childOf, childrenOf, elementsIn, numberOf, textOf, type XmlElement } from '../xml'
import { resolved } from '../zip'
import { wordsOf } from './canonical'
import type { Option, Question } from './question'

export interface Item {
  readonly title: string
  readonly language: string
  readonly questions: readonly Question[]
}
interface Reading {
  readonly item: XmlElement
  /** The name of the item's file, from which its pictures are found. */
  readonly file: string
  readonly losses: Losses
}

const INTERACTION = /Interaction$/
const WITHIN_TEXT = ['textEntryInteraction', 'inlineChoiceInteraction']
const FEEDBACK = ['modalFeedback', 'feedbackInline', 'feedbackBlock', 'rubricBlock']

/** The interactions of an item (1EdTech QTI 3.0 and IMS QTI 2.1, 2.2; names in the canonical form) as questions. */
export function readItem(item: XmlElement, file: string, losses: Losses): Item {
  const reading = { item, file, losses }
  const body = childOf(item, 'itemBody')
  losses.note('feedback', allOf(item, ...FEEDBACK).length)
  losses.note('formulas', allOf(body, 'math').length)
  const interactions = interactionsIn(body)
  const inText = interactions.filter(one => WITHIN_TEXT.includes(one.name))
  const others = interactions.filter(one => !WITHIN_TEXT.includes(one.name))
  const before = wordsOf(body, child => (INTERACTION.test(child.name) ? '' : undefined))
  const questions = [
    ...others.flatMap(one => {
      const prompt = [...(inText.length ? [] : [before]), wordsOf(childOf(one, 'prompt'))].filter(Boolean).join('\n')
      return questionOf(one, prompt, reading) ?? []
    }),
    ...(inText.length ? textQuestions(body!, inText, reading) : []),
  ]
  const { title = '', lang = '' } = item.attributes
  return { title, language: lang, questions }
}

function interactionsIn(element: XmlElement | null): XmlElement[] {
  return elementsIn(element).flatMap(child => (INTERACTION.test(child.name) ? [child] : interactionsIn(child)))
}

/** What is right, and all that earns points, of the response of an interaction. */
interface Declared {
  readonly correct: readonly string[]
  readonly mapped: readonly { readonly key: string; readonly points: number; readonly capitals: boolean }[]
}

function declaredFor(interaction: XmlElement, { item, losses }: Reading): Declared {
  const id = interaction.attributes.responseIdentifier
  const declaration = childrenOf(item, 'responseDeclaration').find(one => one.attributes.identifier === id)
  const correct = childrenOf(childOf(declaration, 'correctResponse'), 'value').map(value => textOf(value).trim())
  const entries = [
    ...childrenOf(childOf(declaration, 'mapping'), 'mapEntry'),
    ...childrenOf(childOf(declaration, 'areaMapping'), 'areaMapEntry'),
  ]
  const mapped = entries.flatMap(entry => {
    const points = numberOf(entry, 'mappedValue') ?? 0
    const { mapKey = '', caseSensitive } = entry.attributes
    return points > 0 ? [{ key: mapKey.trim(), points, capitals: caseSensitive === 'true' }] : []
  })
  if (new Set(mapped.map(one => one.points)).size > 1) losses.note('points')
  if (correct.length === 0 && mapped.length === 0) losses.note('no-answer')
  return { correct, mapped }
}

/** What is right; where only points are said, what earns them. */
const rightIn = ({ correct, mapped }: Declared): readonly string[] =>
  correct.length ? [...new Set([...correct, ...mapped.map(one => one.key)])] : mapped.map(one => one.key)
const pairsIn = (declared: Declared): [string, string][] =>
  rightIn(declared).flatMap(pair => {
    const [one, other, more] = pair.split(/\s+/)
    return one && other && more === undefined ? [[one, other] as [string, string]] : []
  })

function pictureIn(element: XmlElement, { file }: Reading) {
  const [image] = allOf(element, 'img', 'object')
  const reference = image?.attributes.src ?? image?.attributes.data
  return image && reference ? { image, source: resolved(file, reference) } : null
}

function optionsOf(elements: readonly XmlElement[], reading: Reading): Option[] {
  return elements.map(element => {
    const picture = pictureIn(element, reading)
    if (picture && !picture.source) reading.losses.note('pictures-elsewhere')
    const text = wordsOf(element) || (picture?.image.attributes.alt ?? element.attributes.objectLabel ?? '')
    return { id: element.attributes.identifier ?? '', text, ...(picture?.source && { picture: picture.source }) }
  })
}

function questionOf(interaction: XmlElement, prompt: string, reading: Reading): Question | null {
  const declared = () => declaredFor(interaction, reading)
  const options = (name: string) => optionsOf(childrenOf(interaction, name), reading)
  switch (interaction.name) {
    case 'choiceInteraction': {
      const one = (numberOf(interaction, 'maxChoices') ?? 1) === 1
      return { kind: 'choice', prompt, options: options('simpleChoice'), right: rightIn(declared()), one }
    }
    case 'orderInteraction': {
      const column = interaction.attributes.orientation === 'vertical'
      return { kind: 'order', prompt, options: options('simpleChoice'), right: declared().correct, column }
    }
    case 'matchInteraction':
      return matchQuestion(interaction, prompt, reading)
    case 'associateInteraction':
      return { kind: 'pairs', prompt, cards: options('simpleAssociableChoice'), right: pairsIn(declared()) }
    case 'gapMatchInteraction':
      return gapQuestion(interaction, prompt, reading)
    case 'hotspotInteraction':
    case 'graphicGapMatchInteraction':
      return spotQuestion(interaction, prompt, reading)
    case 'extendedTextInteraction':
      return { kind: 'open', prompt }
    default:
      reading.losses.note('unknown-interaction')
      return null
  }
}

/** The side with more on it are the cards, unless the other side takes more than one of them each. */
function matchQuestion(interaction: XmlElement, prompt: string, reading: Reading): Question {
  const [first, second] = childrenOf(interaction, 'simpleMatchSet').map(set =>
    childrenOf(set, 'simpleAssociableChoice'),
  )
  const pairs = pairsIn(declaredFor(interaction, reading))
  const turned = (second?.length ?? 0) > (first?.length ?? 0)
  const [cards, homes] = turned ? [second, first] : [first, second]
  return {
    kind: 'match',
    prompt,
    cards: optionsOf(cards ?? [], reading),
    homes: optionsOf(homes ?? [], reading),
    right: turned ? pairs.map(([a, b]) => [b, a] as const) : pairs,
    single: (homes ?? []).every(home => numberOf(home, 'matchMax') === 1),
  }
}

function gapQuestion(interaction: XmlElement, prompt: string, reading: Reading): Question {
  const pieces = elementsIn(interaction).filter(child => child.name === 'gapText' || child.name === 'gapImg')
  const gaps: string[] = []
  const words = {
    ...interaction,
    children: elementsIn(interaction).filter(c => c.name !== 'prompt' && !pieces.includes(c)),
  }
  const text = wordsOf(words, child => {
    if (child.name !== 'gap') return undefined
    gaps.push(child.attributes.identifier ?? '')
    return ' ____ '
  })
  const pairs = pairsIn(declaredFor(interaction, reading))
  return {
    kind: 'gaps',
    prompt,
    text: tidy(text),
    cards: optionsOf(pieces, reading),
    right: gaps.map(gap => pairs.filter(([, at]) => at === gap).map(([card]) => card)),
  }
}

/** A mark that follows a gap stays with it. */
const tidy = (text: string) =>
  text
    .replace(/ +/g, ' ')
    .replace(/____ ([.,;:!?)])/g, '____$1')
    .replace(/^ | $/gm, '')

/** Words to be typed or chosen in a text: the text, once with its fields, once with its choices. */
function textQuestions(body: XmlElement, interactions: readonly XmlElement[], reading: Reading): Question[] {
  const typed = interactions.filter(one => one.name === 'textEntryInteraction')
  const chosen = interactions.filter(one => one.name === 'inlineChoiceInteraction')
  const textFor = (gaps: readonly XmlElement[]) =>
    tidy(
      wordsOf(body, child => {
        if (gaps.includes(child)) return ' ____ '
        return INTERACTION.test(child.name) ? ' … ' : undefined
      }),
    )
  const questions: Question[] = []
  if (typed.length) {
    const right = typed.map(one => {
      const declared = declaredFor(one, reading)
      return { accepts: rightIn(declared), capitals: declared.mapped.some(entry => entry.capitals) }
    })
    questions.push({ kind: 'typed', prompt: '', text: textFor(typed), right })
  }
  if (chosen.length) {
    const gaps = chosen.map((one, i) => {
      const options = optionsOf(childrenOf(one, 'inlineChoice'), reading)
      const right = rightIn(declaredFor(one, reading))
      return options.map(option => ({ ...option, id: `${i} ${option.id}`, right: right.includes(option.id) }))
    })
    questions.push({
      kind: 'gaps',
      prompt: '',
      text: textFor(chosen),
      cards: gaps.flat(),
      right: gaps.map(options => options.filter(option => option.right).map(option => option.id)),
    })
  }
  return questions
}

function spotQuestion(interaction: XmlElement, prompt: string, reading: Reading): Question | null {
  const picture = pictureIn(
    { ...interaction, children: elementsIn(interaction).filter(c => c.name !== 'gapImg') },
    reading,
  )
  const spots = allOf(interaction, 'hotspotChoice', 'associableHotspot').flatMap(spot => {
    const shape = shapeOf(spot)
    return shape ? [{ id: spot.attributes.identifier ?? '', shape }] : []
  })
  if (!picture?.source || spots.length === 0) {
    reading.losses.note(picture ? 'pictures-elsewhere' : 'unknown-interaction')
    return null
  }
  const declared = declaredFor(interaction, reading)
  const cards = elementsIn(interaction).filter(child => child.name === 'gapText' || child.name === 'gapImg')
  const chosen = interaction.name === 'hotspotInteraction'
  const { image, source } = picture
  return {
    kind: 'spots',
    prompt,
    picture: {
      source,
      width: numberOf(image, 'width') ?? 0,
      height: numberOf(image, 'height') ?? 0,
      alt: (image.attributes.alt ?? wordsOf(image)).slice(0, 300),
    },
    spots,
    cards: chosen ? null : optionsOf(cards, reading),
    right: chosen ? rightIn(declared).map(spot => [null, spot] as const) : pairsIn(declared),
    most: Math.max(1, numberOf(interaction, 'maxChoices') || rightIn(declared).length || 1),
  }
}

/** Shapes as HTML's image maps write them, in the picture's own units. */
function shapeOf({ attributes: { shape, coords = '' } }: XmlElement): Shape | null {
  const n = coords
    .split(/[\s,]+/)
    .filter(Boolean)
    .map(Number)
  if (!n.every(Number.isFinite)) return null
  const [a = 0, b = 0, c = 0, d = 0] = n
  if (shape === 'circle' && c > 0) return { kind: 'ellipse', x: a - c, y: b - c, width: 2 * c, height: 2 * c }
  if (shape === 'ellipse' && c > 0 && d > 0) return { kind: 'ellipse', x: a - c, y: b - d, width: 2 * c, height: 2 * d }
  if (shape === 'rect' && c > a && d > b) return { kind: 'rectangle', x: a, y: b, width: c - a, height: d - b }
  if (shape !== 'poly' || n.length < 6 || n.length > 400) return null
  return {
    kind: 'polygon',
    points: Array.from({ length: Math.floor(n.length / 2) }, (_, i) => ({ x: n[2 * i]!, y: n[2 * i + 1]! })),
  }
}
