import { childOf, elementsIn, numberOf, type XmlElement } from '../../xml'
import { over, readColour, relit } from '../../colours'

/** The colours of a theme by the names that a page may use for them (ECMA-376 part 1, 20.1.6.2 and 19.3.1.6). */
export type Scheme = ReadonlyMap<string, string>

const USUAL_MAP = { bg1: 'lt1', tx1: 'dk1', bg2: 'lt2', tx2: 'dk2' }

export function schemeOf(theme: XmlElement | null, map: XmlElement | null): Scheme {
  const found = new Map<string, string>()
  for (const slot of elementsIn(childOf(theme, 'themeElements', 'clrScheme'))) {
    const colour = colourIn(slot, found)
    if (colour) found.set(slot.name, colour)
  }
  for (const [name, usual] of Object.entries(USUAL_MAP)) {
    const colour = found.get(map?.attributes[name] ?? usual)
    if (colour) found.set(name, colour)
  }
  return found
}

/** The colour that an element has in it, changed as it says; null where it has none, or one that can't be seen. */
export function colourIn(element: XmlElement | null, scheme: Scheme, placeholder?: string): string | null {
  for (const child of elementsIn(element)) {
    const base = baseOf(child, scheme, placeholder)
    if (base) return changed(base, child)
  }
  return null
}

function baseOf(element: XmlElement, scheme: Scheme, placeholder: string | undefined): string | null {
  const value = element.attributes.val
  switch (element.name) {
    case 'srgbClr':
      return readColour(value)
    case 'sysClr':
      return readColour(element.attributes.lastClr) ?? (value === 'window' ? '#ffffff' : '#000000')
    case 'prstClr':
      return readColour(value?.replace(/^dk/, 'dark').replace(/^lt/, 'light'))
    case 'schemeClr':
      return value === 'phClr' ? (placeholder ?? null) : (scheme.get(value ?? '') ?? null)
    default:
      return null
  }
}

const WHOLE = 100_000
function changed(base: string, element: XmlElement): string | null {
  let colour = base
  const share = (name: string) => {
    const value = numberOf(childOf(element, name), 'val')
    return value === null ? null : value / WHOLE
  }
  const [times, more] = [share('lumMod'), share('lumOff')]
  if (times !== null || more !== null) colour = relit(colour, times ?? 1, more ?? 0)
  const [tint, shade, alpha] = [share('tint'), share('shade'), share('alpha')]
  if (tint !== null) colour = over(colour, Math.min(1, Math.max(0, tint)))
  if (shade !== null) colour = over(colour, Math.min(1, Math.max(0, shade)), '#000000')
  if (alpha === 0) return null
  return alpha !== null && alpha < 1 ? over(colour, Math.max(0, alpha)) : colour
}
