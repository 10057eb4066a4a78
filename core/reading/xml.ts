import { SaxesParser } from 'saxes'
import { ok, refuse, type Result } from '../result'

/** An element by its local name: whichever prefix a program writes, it is the same. Text stands among its children. */
export interface XmlElement {
  readonly name: string
  /** By local name; of two with one local name the one without a prefix, and that with one under `prefix:name` too. */
  readonly attributes: Readonly<Record<string, string>>
  readonly children: readonly (XmlElement | string)[]
}
export type XmlFault = 'broken-xml' | 'too-deep' | 'too-long'

const LONGEST = 40_000_000
const DEEPEST = 100
const MOST_ELEMENTS = 500_000

interface Open {
  readonly name: string
  readonly attributes: Record<string, string>
  readonly children: (XmlElement | string)[]
}
class Refused extends Error {
  constructor(readonly fault: XmlFault) {
    super(fault)
  }
}

/**
 * Reads XML 1.0 as a tree. What a document type declares is passed over: an entity that isn't one of the five of the
 * standard makes it broken, and nothing unfolds or is fetched. Bounded in length, depth and number of elements.
 */
export function parseXml(text: string): Result<XmlElement, XmlFault> {
  if (text.length > LONGEST) return refuse('too-long')
  const parser = new SaxesParser()
  const open: Open[] = []
  let root: XmlElement | null = null
  let elements = 0
  parser.on('error', () => {
    throw new Refused('broken-xml')
  })
  parser.on('opentag', ({ name, attributes }) => {
    if (open.length >= DEEPEST) throw new Refused('too-deep')
    if (++elements > MOST_ELEMENTS) throw new Refused('too-long')
    open.push({ name: localOf(name), attributes: byLocalName(attributes), children: [] })
  })
  const put = (text: string) => open.at(-1)?.children.push(text)
  parser.on('text', put)
  parser.on('cdata', put)
  parser.on('closetag', () => {
    const closed = open.pop()!
    if (open.length) open.at(-1)!.children.push(closed)
    else root = closed
  })
  try {
    parser.write(text.replace(/^\uFEFF/, '')).close()
  } catch (error) {
    if (error instanceof Refused) return refuse(error.fault)
    throw error
  }
  return root ? ok(root) : refuse('broken-xml')
}

const localOf = (name: string) => name.slice(name.indexOf(':') + 1)

function byLocalName(attributes: Readonly<Record<string, string>>): Record<string, string> {
  const found: Record<string, string> = Object.create(null) as Record<string, string>
  for (const [name, value] of Object.entries(attributes)) {
    found[name] = value
    if (name.includes(':')) found[localOf(name)] ??= value
  }
  for (const [name, value] of Object.entries(attributes)) if (!name.includes(':')) found[name] = value
  return found
}

/** Bytes as text: UTF-8, or UTF-16 where a byte order mark says so. */
export function decodeXml(bytes: Uint8Array): string {
  const utf16 = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff)
  return new TextDecoder(utf16 ? (bytes[0] === 0xff ? 'utf-16le' : 'utf-16be') : 'utf-8').decode(bytes)
}

const isElement = (child: XmlElement | string): child is XmlElement => typeof child !== 'string'
export const elementsIn = (element: XmlElement | null | undefined): readonly XmlElement[] =>
  element?.children.filter(isElement) ?? []

/** The first child of this name, down a path of names; null where a step of it leads nowhere. */
export function childOf(element: XmlElement | null | undefined, ...path: readonly string[]): XmlElement | null {
  let at = element ?? null
  for (const name of path) at = elementsIn(at).find(child => child.name === name) ?? null
  return at
}
export const childrenOf = (element: XmlElement | null | undefined, name: string): readonly XmlElement[] =>
  elementsIn(element).filter(child => child.name === name)

/** All elements of one of these names, however deep, in the order of the document. */
export function allOf(element: XmlElement | null, ...names: readonly string[]): XmlElement[] {
  return elementsIn(element).flatMap(child => [
    ...(names.includes(child.name) ? [child] : []),
    ...allOf(child, ...names),
  ])
}

/** All text of an element, as it stands there. */
export const textOf = (element: XmlElement | null): string =>
  element?.children.map(child => (isElement(child) ? textOf(child) : child)).join('') ?? ''

/** A number that an attribute has; null where there is none. */
export function numberOf(element: XmlElement | null | undefined, name: string): number | null {
  const text = element?.attributes[name]?.trim()
  const value = text ? Number(text) : NaN
  return Number.isFinite(value) ? value : null
}
