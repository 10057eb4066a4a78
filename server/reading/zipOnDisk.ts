import { createWriteStream } from 'node:fs'
import { buffer } from 'node:stream/consumers'
import { pipeline } from 'node:stream/promises'
import { openPromise, type Entry, type ZipFile } from 'yauzl'
import type { ZipBounds, ZipFault } from '../../core/reading/zip'
import { ok, refuse, type Result } from '../../core/result'

/** What lies in a zip that is too large to be held, by its name from the root of it. */
export interface ZipOnDisk {
  readonly names: readonly string[]
  /** Null where there is none, where it is broken, or larger than one may be. */
  readonly bytes: (name: string) => Promise<Buffer | null>
  /** Whether it lies at that path now. */
  readonly toFile: (name: string, path: string) => Promise<boolean>
  readonly close: () => void
}

/**
 * Opens a zip by its directory; its files are read where they lie, one when it is asked for. A name that climbs out of
 * it or begins at a root makes it none; of doubled names the first counts. A file is never unpacked to more than the
 * directory says of it.
 */
export async function openZipOnDisk(path: string, most: ZipBounds): Promise<Result<ZipOnDisk, ZipFault>> {
  let zip: ZipFile
  try {
    zip = await openPromise(path, { autoClose: false })
  } catch {
    return refuse('no-zip')
  }
  const fault = await (zip.entryCount > most.files ? 'too-many-files' : entriesOf(zip, most))
  if (typeof fault === 'string') {
    zip.close()
    return refuse(fault)
  }
  const entries = fault
  const stream = async (name: string) => {
    const entry = entries.get(name)
    return entry && entry.uncompressedSize <= most.largest ? zip.openReadStreamPromise(entry) : null
  }
  return ok({
    names: [...entries.keys()],
    async bytes(name) {
      try {
        const found = await stream(name)
        return found && (await buffer(found))
      } catch {
        return null
      }
    },
    async toFile(name, to) {
      try {
        const found = await stream(name)
        if (found) await pipeline(found, createWriteStream(to))
        return found !== null
      } catch {
        return false
      }
    },
    close: () => zip.close(),
  })
}

async function entriesOf(zip: ZipFile, most: ZipBounds): Promise<Map<string, Entry> | ZipFault> {
  const entries = new Map<string, Entry>()
  let total = 0
  try {
    for await (const entry of zip.eachEntry()) {
      total += entry.uncompressedSize
      if (total > most.total) return 'too-large'
      if (!entry.fileName.endsWith('/') && !entries.has(entry.fileName)) entries.set(entry.fileName, entry)
    }
  } catch {
    return 'no-zip'
  }
  return entries
}
