import type { IconifyJSON } from '@iconify/types'
import type { Subject } from '../../core/board/librarySubjects'
import { LEFT_OUT } from './leftOut'

export interface LibraryPicture {
  readonly name: string
  readonly words: string
}
export interface Hits {
  readonly pictures: readonly LibraryPicture[]
  /** How many there are on all pages together. */
  readonly of: number
}
/** From the how-manieth, and how many at most. */
export interface PageOfHits {
  readonly from: number
  readonly most: number
}
export interface Library {
  /**
   * Pictures to which every word of the question leads: by the beginnings of the words in their names, then of their
   * further words. Nothing asked: none.
   */
  readonly search: (question: string, page: PageOfHits) => Hits
  /** All pictures of a subject, in the order of the set. */
  readonly about: (subject: Subject, page: PageOfHits) => Hits
  /** A picture as a drawing of its own, with a little room around it; null for a name that isn't there. */
  readonly svg: (name: string) => string | null
}
interface Sources {
  readonly icons: IconifyJSON
  /** Names by code points. */
  readonly names: Readonly<Record<string, string>>
  /** Further words by character. */
  readonly keywords: Readonly<Record<string, readonly string[]>>
  /** Names by the set's own categories. */
  readonly categories: Readonly<Record<string, readonly string[]>>
}

/** Variants in other tones of skin: found by the picture without a tone. */
const TONE = /-(?:light|medium-light|medium|medium-dark|dark)(?=-|$)/g

/** The set's categories under our subjects. */
const CATEGORY: Readonly<Record<Subject, string>> = {
  nature: 'Animals & Nature',
  food: 'Food & Drink',
  travel: 'Travel & Places',
  things: 'Objects',
  play: 'Activities',
  faces: 'Smileys & Emotion',
  people: 'People & Body',
  signs: 'Symbols',
}

/** The openly licensed pictures that ship with the application, with the words they are found by. */
export function makeLibrary({ icons, names, keywords, categories }: Sources): Library {
  const words = new Map<string, Set<string>>()
  for (const name of Object.keys(icons.icons))
    if (name.search(TONE) < 0 && !LEFT_OUT.has(name)) words.set(name, new Set())
  for (const [points, name] of Object.entries(names)) {
    const character = points
      .split('-')
      .map(point => String.fromCodePoint(parseInt(point, 16)))
      .join('')
    const known = keywords[character] ?? keywords[`${character}\uFE0F`] ?? []
    for (const word of known.flatMap(keyword => keyword.toLowerCase().split(/[^\p{L}\p{N}]+/u)))
      if (word) words.get(name)?.add(word)
  }
  const entries = [...words]
    .map(([name, further]) => ({ name, own: name.split('-'), further: [...further] }))
    .toSorted((a, b) => (a.name < b.name ? -1 : 1))

  function rank(entry: (typeof entries)[number], asked: readonly string[]): number | null {
    let sum = 0
    for (const word of asked) {
      const own = entry.own.some(w => w.startsWith(word))
      if (!own && !entry.further.some(w => w.startsWith(word))) return null
      sum += entry.own.includes(word) ? 0 : own ? 1 : 2
    }
    return sum + (entry.own.length - 1) / 100
  }
  const paged = (all: readonly string[], { from, most }: PageOfHits): Hits => ({
    pictures: all.slice(from, from + most).map(name => ({ name, words: name.replaceAll('-', ' ') })),
    of: all.length,
  })
  return {
    search(question, page) {
      const asked = question
        .toLowerCase()
        .split(/[^\p{L}\p{N}]+/u)
        .filter(Boolean)
      const hits = asked.length
        ? entries.flatMap(entry => {
            const at = rank(entry, asked)
            return at === null ? [] : [{ name: entry.name, at }]
          })
        : []
      return paged(
        hits.toSorted((a, b) => a.at - b.at).map(({ name }) => name),
        page,
      )
    },
    about: (subject, page) =>
      paged(
        (categories[CATEGORY[subject]] ?? []).filter(name => words.has(name)),
        page,
      ),
    svg(name) {
      const icon =
        Object.hasOwn(icons.icons, name) && !LEFT_OUT.has(name.replace(TONE, '')) ? icons.icons[name] : undefined
      return icon
        ? `<svg xmlns="http://www.w3.org/2000/svg" width="352" height="264" viewBox="0 0 40 30"><g transform="translate(4 -1)">${icon.body}</g></svg>`
        : null
    },
  }
}
