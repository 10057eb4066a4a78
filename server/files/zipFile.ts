import { createReadStream, createWriteStream } from 'node:fs'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import ZipStream from 'zip-stream'

/** What lies in a zip: a text, bytes, a file that is read as it goes in, or bytes piece by piece as they are taken. */
export interface ZipEntry {
  readonly name: string
  readonly content: string | Uint8Array | { readonly file: string } | { readonly pieces: AsyncIterable<Uint8Array> }
  /** It is small already: a PDF, a picture, a film. */
  readonly packed?: boolean
}

/**
 * Writes a zip entry by entry, never more of it in memory than one. Beyond 65,535 entries or 4 GB it is a ZIP64 file.
 */
export async function writeZip(path: string, entries: AsyncIterable<ZipEntry>): Promise<void> {
  const zip = new ZipStream()
  /** Whoever waits for an entry to go in hears of it when nothing can be written any more. */
  let breakOff: (error: unknown) => void = () => {}
  const written = pipeline(zip, createWriteStream(path))
  written.catch((error: unknown) => breakOff(error))
  try {
    for await (const { name, content, packed = false } of entries) {
      await new Promise<void>((done, fail) => {
        breakOff = fail
        const source = sourceOf(content)
        if (source instanceof Readable) source.once('error', fail)
        zip.entry(source, { name, store: packed }, error => (error ? fail(error) : done()))
      })
    }
    zip.finish()
  } catch (error) {
    zip.destroy()
    await written.catch(() => {})
    throw error
  }
  await written
}

function sourceOf(content: ZipEntry['content']): string | Buffer | Readable {
  if (typeof content === 'string') return content
  if ('file' in content) return createReadStream(content.file)
  return 'pieces' in content ? Readable.from(content.pieces, { objectMode: false }) : Buffer.from(content)
}
