import { unzipSync } from 'fflate'
import { ok, refuse, type Result } from '../result'
import { decodeXml, parseXml, type XmlElement } from './xml'

export type ZipFault = 'no-zip' | 'too-many-files' | 'too-large'

/** How much of a zip is read: so many files, and bytes, unpacked, of one and of all of them. */
export interface ZipBounds {
  readonly files: number
  readonly largest: number
  readonly total: number
}
/** Any document that somebody made elsewhere. */
const DOCUMENT: ZipBounds = { files: 5000, largest: 60_000_000, total: 400_000_000 }
const LONGEST_NAME = 400

/** What lies in a zip, by its name from the root of it. A file is unpacked when it is asked for. */
export interface Archive {
  readonly names: readonly string[]
  /** Null where there is none, or where it is broken. */
  bytes(name: string): Uint8Array | null
  /** Null where there is none, or where it is no XML. */
  xml(name: string): XmlElement | null
}

/**
 * Opens a zip by its directory; nothing is unpacked yet. Names that climb out of it, begin at a root or are doubled are
 * passed over. What says that it unpacks to more than a bound is refused; a file is never unpacked to more than the
 * directory says of it.
 */
export function openZip(data: Uint8Array, most: ZipBounds = DOCUMENT): Result<Archive, ZipFault> {
  const sizes = new Map<string, number>()
  let [files, total] = [0, 0]
  const noted = ({ name, originalSize }: { name: string; originalSize: number }) => {
    files++
    total += originalSize
    // A directory may say that it has thousands of millions of entries: it isn't read on.
    if (files > most.files || total > most.total) throw new RangeError(name)
    if (isPlain(name) && !sizes.has(name)) sizes.set(name, originalSize)
    return false
  }
  try {
    unzipSync(data, { filter: noted })
  } catch {
    return refuse(files > most.files ? 'too-many-files' : total > most.total ? 'too-large' : 'no-zip')
  }
  const bytes = (name: string) => {
    if (!sizes.has(name) || sizes.get(name)! > most.largest) return null
    let first = true
    try {
      const unpacked = unzipSync(data, { filter: file => file.name === name && first && !(first = false) })
      return unpacked[name] ?? null
    } catch {
      return null
    }
  }
  /** What a file is is told by its XML, and then read from it. */
  const parsed = new Map<string, XmlElement | null>()
  const xml = (name: string) => {
    const before = parsed.get(name)
    if (before !== undefined) return before
    const found = bytes(name)
    const read = found && parseXml(decodeXml(found))
    const root = read?.ok ? read.value : null
    parsed.set(name, root)
    return root
  }
  return ok({ names: [...sizes.keys()], bytes, xml })
}

const isPlain = (name: string) =>
  name.length <= LONGEST_NAME
  && !name.endsWith('/')
  && !/^[/\\]|^[a-z]:|\\|\0/i.test(name)
  && !name.split('/').some(part => part === '..' || part === '.')

/** Where a reference leads from a file of an archive; null where it leads out of it. */
export function resolved(from: string, reference: string): string | null {
  if (/^[a-z][a-z0-9+.-]*:|^\/\//i.test(reference)) return null
  const parts = reference.startsWith('/') ? [] : from.split('/').slice(0, -1)
  for (const part of reference.split('/')) {
    if (part === '' || part === '.') continue
    if (part !== '..') parts.push(part)
    else if (parts.pop() === undefined) return null
  }
  return parts.join('/')
}
