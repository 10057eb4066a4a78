import { createReadStream, createWriteStream } from 'node:fs'
import { once } from 'node:events'
import { finished } from 'node:stream/promises'
import { Zip, ZipDeflate, ZipPassThrough } from 'fflate'

/** What lies in a zip: a text, bytes, or a file that is read as it goes in. */
export interface ZipEntry {
  readonly name: string
  readonly content: string | Uint8Array | { readonly file: string }
  /** It is small already: a PDF, a picture. */
  readonly packed?: boolean
}

const PIECE = 256 * 1024

/** Writes a zip entry by entry, never more of it in memory than one piece. */
export async function writeZip(path: string, entries: AsyncIterable<ZipEntry>): Promise<void> {
  const out = createWriteStream(path)
  let failed: Error | null = null
  const zip = new Zip((error, bytes, last) => {
    if (error) failed = error
    else out.write(bytes)
    if (last) out.end()
  })
  const rest = async () => {
    if (failed) throw failed
    if (out.writableNeedDrain) await once(out, 'drain')
  }
  for await (const { name, content, packed = false } of entries) {
    const entry = packed ? new ZipPassThrough(name) : new ZipDeflate(name, { level: 6 })
    zip.add(entry)
    for await (const piece of piecesOf(content)) {
      entry.push(piece)
      await rest()
    }
    entry.push(new Uint8Array(), true)
    await rest()
  }
  zip.end()
  await finished(out)
}

async function* piecesOf(content: ZipEntry['content']): AsyncGenerator<Uint8Array> {
  if (typeof content === 'object' && 'file' in content) {
    for await (const piece of createReadStream(content.file, { highWaterMark: PIECE })) yield piece as Uint8Array
    return
  }
  const bytes = typeof content === 'string' ? new TextEncoder().encode(content) : content
  for (let at = 0; at < bytes.length; at += PIECE) yield bytes.subarray(at, at + PIECE)
}
