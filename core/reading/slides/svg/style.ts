import { allOf, elementsIn, textOf, type XmlElement } from '../../xml'
import { readColour } from '../../colours'

const LONGEST_SHEET = 200_000
const MOST_RULES = 2000

type Declared = Readonly<Record<string, string>>
/** What style sheets say of a class, an id or a name of an element; of what is longer than a bound, nothing. */
export type Sheet = ReadonlyMap<string, Declared>

/** The rules of all sheets of a drawing that have one simple selector (CSS 2.2, 5.2); others are passed over. */
export function sheetOf(root: XmlElement): Sheet {
  const text = allOf(root, 'style').map(textOf).join('\n').slice(0, LONGEST_SHEET)
  const sheet = new Map<string, Declared>()
  for (const rule of withoutComments(text).split('}').slice(0, MOST_RULES)) {
    const open = rule.lastIndexOf('{')
    const said = declared(rule.slice(open + 1))
    for (const selector of rule.slice(0, Math.max(0, open)).split(','))
      if (/^[.#]?[\w-]+$/.test(selector.trim())) {
        const name = selector.trim()
        sheet.set(name, { ...sheet.get(name), ...said })
      }
  }
  return sheet
}

/** A comment that isn't closed goes to the end. */
function withoutComments(text: string): string {
  const [first, ...rest] = text.split('/*')
  return [first, ...rest.map(part => (part.includes('*/') ? part.slice(part.indexOf('*/') + 2) : ''))].join(' ')
}

const declared = (body: string | undefined): Record<string, string> =>
  Object.fromEntries(
    (body ?? '').split(';').flatMap(part => {
      const colon = part.indexOf(':')
      return colon < 0 ? [] : [[part.slice(0, colon).trim().toLowerCase(), part.slice(colon + 1).trim()]]
    }),
  )

const HANDED_DOWN = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'fill-opacity',
  'stroke-opacity',
  'font-size',
  'font-weight',
  'text-anchor',
  'color',
  'visibility',
] as const
const OWN = ['opacity', 'display', 'clip-path', 'mask', 'filter', 'stop-color', 'marker-start', 'marker-end'] as const
type Handed = (typeof HANDED_DOWN)[number]
export type Style = Readonly<Partial<Record<Handed | (typeof OWN)[number], string>>>

/** An element's style: what it says, and what it gets from the one around it. Its own list stands over sheets. */
export function styleOf(element: XmlElement, around: Style, sheet: Sheet): Style {
  const { attributes } = element
  const said: Declared = {
    ...sheet.get(element.name),
    ...Object.assign({}, ...(attributes.class ?? '').split(/\s+/).map(name => sheet.get(`.${name}`) ?? {})),
    ...(attributes.id !== undefined && sheet.get(`#${attributes.id}`)),
    ...declared(attributes.style),
  }
  const style: Record<string, string> = {}
  for (const name of HANDED_DOWN) {
    const value = said[name] ?? attributes[name] ?? around[name]
    if (value !== undefined && value !== 'inherit') style[name] = value
  }
  for (const name of OWN) {
    const value = said[name] ?? attributes[name]
    if (value !== undefined) style[name] = value
  }
  // What lets something through as a whole does so with all that is in it.
  const share = Number(style.opacity ?? 1) * Number(around.opacity ?? 1)
  style.opacity = String(Number.isFinite(share) ? Math.min(1, Math.max(0, share)) : 1)
  return style
}

/** Gradients by their id, as the colour of their first stop. */
export function gradientsOf(root: XmlElement, sheet: Sheet): ReadonlyMap<string, string> {
  const found = allOf(root, 'linearGradient', 'radialGradient').flatMap(gradient => {
    const stop = elementsIn(gradient).find(one => one.name === 'stop')
    const colour = stop && readColour(styleOf(stop, {}, sheet)['stop-color'] ?? '#000000')
    return gradient.attributes.id !== undefined && colour ? [[gradient.attributes.id, colour] as const] : []
  })
  return new Map(found)
}
