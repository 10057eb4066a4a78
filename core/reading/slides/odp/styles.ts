import { childOf, elementsIn, type XmlElement } from '../../xml'

type Family = 'graphic' | 'presentation' | 'paragraph' | 'text' | 'drawing-page' | 'table-cell'
type Group =
  | 'graphic-properties'
  | 'paragraph-properties'
  | 'text-properties'
  | 'drawing-page-properties'
  | 'table-cell-properties'
const LONGEST_CHAIN = 20

/** The styles of a document by family and name; a style takes after its parent, and the last after its family's own. */
export class StyleBook {
  readonly #styles = new Map<string, XmlElement>()
  readonly #named = new Map<string, XmlElement>()

  /** Of styles with one name those of earlier sections count. */
  constructor(sections: readonly (XmlElement | null)[]) {
    for (const section of sections)
      for (const style of elementsIn(section)) {
        const { family, name } = style.attributes
        const key = style.name === 'default-style' ? `${family}` : `${family} ${name}`
        if (family !== undefined && !this.#styles.has(key)) this.#styles.set(key, style)
        if (name !== undefined && !this.#named.has(`${style.name} ${name}`))
          this.#named.set(`${style.name} ${name}`, style)
      }
  }

  /** What a style says of one thing, or the styles that it takes after. */
  said(family: Family, name: string | undefined, group: Group, property: string): string | undefined {
    let style = name === undefined ? undefined : this.#styles.get(`${family} ${name}`)
    for (let i = 0; style && i < LONGEST_CHAIN; i++) {
      const found = childOf(style, group)?.attributes[property]
      if (found !== undefined) return found
      const parent: string | undefined = style.attributes['parent-style-name']
      style = parent === undefined ? undefined : this.#styles.get(`${family} ${parent}`)
    }
    return childOf(this.#styles.get(family === 'presentation' ? 'graphic' : family), group)?.attributes[property]
  }

  /** A definition that isn't a style of a family: of a list, a picture to fill with. */
  definition(kind: 'list-style' | 'fill-image', name: string | undefined): XmlElement | null {
    return this.#named.get(`${kind} ${name}`) ?? null
  }
}

const POINTS = { pt: 1, in: 72, cm: 72 / 2.54, mm: 72 / 25.4, pc: 12, px: 0.75 } as const
/** A length in points; null for what is none, such as a share. */
export function lengthOf(written: string | undefined): number | null {
  const [, number, unit] = /^\s*([+-]?[\d.]+(?:e[+-]?\d+)?)\s*(pt|in|cm|mm|pc|px)\s*$/i.exec(written ?? '') ?? []
  const value = Number(number) * POINTS[unit?.toLowerCase() as keyof typeof POINTS]
  return Number.isFinite(value) ? value : null
}
