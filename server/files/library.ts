import type { IconifyJSON } from '@iconify/types'

export interface LibraryPicture {
  readonly name: string
  readonly words: string
}
export interface Library {
  /**
   * Pictures to which every word of the question leads: by the beginnings of the words in their names, then of their
   * further words. Nothing asked: none.
   */
  readonly search: (question: string, most: number) => LibraryPicture[]
  /** A picture as a drawing of its own, with a little room around it; null for a name that isn't there. */
  readonly svg: (name: string) => string | null
}

/** Variants in other tones of skin: found by the picture without a tone. */
const TONE = /-(?:light|medium-light|medium|medium-dark|dark)(?:-|$)/

/** The openly licensed pictures that ship with the application, with the words they are found by. */
export function makeLibrary(
  icons: IconifyJSON,
  names: Readonly<Record<string, string>>,
  keywords: Readonly<Record<string, readonly string[]>>,
): Library {
  const words = new Map<string, Set<string>>()
  for (const name of Object.keys(icons.icons)) if (!TONE.test(name)) words.set(name, new Set())
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
  return {
    search(question, most) {
      const asked = question
        .toLowerCase()
        .split(/[^\p{L}\p{N}]+/u)
        .filter(Boolean)
      if (asked.length === 0) return []
      return entries
        .flatMap(entry => {
          const at = rank(entry, asked)
          return at === null ? [] : [{ name: entry.name, at }]
        })
        .toSorted((a, b) => a.at - b.at)
        .slice(0, most)
        .map(({ name }) => ({ name, words: name.replaceAll('-', ' ') }))
    },
    svg(name) {
      const icon = Object.hasOwn(icons.icons, name) ? icons.icons[name] : undefined
      return icon
        ? `<svg xmlns="http://www.w3.org/2000/svg" width="352" height="264" viewBox="0 0 40 30"><g transform="translate(4 -1)">${icon.body}</g></svg>`
        : null
    },
  }
}
