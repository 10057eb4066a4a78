import type { Board } from '../../board/board'
import { MOST_PAGES } from '../../board/sizes'
import { rescrambled } from '../../design/pieces'
import { ok, refuse, type Result } from '../../result'
import { LANGUAGES, type Language } from '../../text/spoken'
import { Losses, type Lost } from '../lost'
import type { Kept } from '../slides/compose'
import { allOf, childOf, childrenOf, type XmlElement } from '../xml'
import { resolved, type Archive } from '../zip'
import { canonical } from './canonical'
import { readItem, type Item } from './item'
import { PageIds } from './making'
import { withQuestion } from './page'

const MANIFEST = 'imsmanifest.xml'
const MOST_ITEMS = 200

/** Questions as they were read; the board is made once their pictures are kept. */
export interface Questions {
  readonly title: string
  /** Where pictures are in the file. */
  readonly sources: readonly string[]
  readonly board: (pictures: ReadonlyMap<string, Kept>) => { readonly board: Board; readonly lost: readonly Lost[] }
}

export const isQti = (archive: Archive): boolean => archive.names.includes(MANIFEST)

/** The items of a package (1EdTech Content Packaging): in the order of its test, or as its manifest lists them. */
export function readQtiPackage(archive: Archive): Result<Questions, 'no-questions'> {
  const manifest = archive.xml(MANIFEST)
  const resources = childrenOf(childOf(manifest, 'resources'), 'resource')
  const of = (type: RegExp) =>
    resources.flatMap(({ attributes: { type: its = '', href } }) => (href && type.test(its) ? [href] : []))
  const tests = of(/test/i).flatMap(href => {
    const test = canonicalAt(archive, href)
    return allOf(test, 'assessmentItemRef').flatMap(ref => resolved(href, ref.attributes.href ?? '') ?? [])
  })
  const names = [...new Set([...tests, ...of(/item/i)])]
  const losses = new Losses()
  losses.note('pages-too-many', names.length - MOST_ITEMS)
  const items = names.slice(0, MOST_ITEMS).flatMap((name, i) => {
    const item = canonicalAt(archive, name)
    losses.page = i + 1
    return item?.name === 'assessmentItem' ? [readItem(item, name, losses)] : []
  })
  const [test] = of(/test/i)
  const title = (test && canonicalAt(archive, test)?.attributes.title) || ''
  return questionsFrom(items, title, losses)
}

/** One item without a package: it has no pictures. */
export function readQtiItem(root: XmlElement): Result<Questions, 'no-questions'> {
  const item = canonical(root)
  const losses = new Losses()
  if (item.name !== 'assessmentItem') return refuse('no-questions')
  return questionsFrom([readItem(item, '', losses)], '', losses)
}

function canonicalAt(archive: Archive, name: string): XmlElement | null {
  const root = archive.xml(name)
  return root && canonical(root)
}

function questionsFrom(items: readonly Item[], given: string, losses: Losses): Result<Questions, 'no-questions'> {
  const questions = items.flatMap(item => item.questions)
  if (questions.length === 0) return refuse('no-questions')
  const title = [...(given || items[0]?.title || '')].slice(0, 120).join('').trim()
  const language = items.map(item => languageOf(item.language)).find(Boolean)
  const sources = new Set(
    questions.flatMap(question => [
      ...(question.kind === 'spots' ? [question.picture.source] : []),
      ...optionsIn(question).flatMap(option => option.picture ?? []),
    ]),
  )
  const board = (pictures: ReadonlyMap<string, Kept>) => {
    losses.page = null
    let made: Board = {
      format: 'dappled-slate/board',
      version: 1,
      title: title || 'Questions',
      instructions: '',
      seed: 1,
      masters: [],
      pages: [],
      keys: [],
      ...(language && { language }),
    }
    questions.forEach((question, i) => {
      if (made.pages.length >= MOST_PAGES) return losses.note('pages-too-many')
      losses.page = made.pages.length + 1
      made = withQuestion(made, question, { ids: new PageIds(i + 1), losses, pictures })
    })
    return { board: made.pages.reduce((all, page) => rescrambled(all, page.id, 1), made), lost: losses.all }
  }
  return ok({ title, sources: [...sources], board })
}

/** The language in which we read aloud that a tag names (BCP 47), in its own region or in the first. */
function languageOf(tag: string): Language | undefined {
  const [same] = LANGUAGES.filter(language => language.toLowerCase() === tag.toLowerCase())
  const primary = tag.toLowerCase().split('-')[0]!
  return same ?? LANGUAGES.find(language => primary !== '' && language.split('-')[0] === primary)
}

const optionsIn = (question: Item['questions'][number]) =>
  question.kind === 'choice' || question.kind === 'order'
    ? question.options
    : question.kind === 'match'
      ? [...question.cards, ...question.homes]
      : question.kind === 'pairs' || question.kind === 'gaps'
        ? question.cards
        : question.kind === 'spots'
          ? (question.cards ?? [])
          : []
