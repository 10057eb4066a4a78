import { expose } from 'comlink'
import { unzip, type Unzipped } from 'fflate'
import { oneRosterFileOf, readOneRoster, type OneRosterFile, type Roster } from '~~/core/roster/oneRoster'
import { decodeText } from '~~/core/text/decode'

/** A text to read as a table, or the classes of an export of the school's records. */
export type ReadFile =
  | { readonly kind: 'text'; readonly text: string }
  | { readonly kind: 'roster'; readonly roster: Roster }
  | {
      readonly kind: 'trouble'
      readonly trouble: 'broken-zip' | 'no-list' | 'no-users' | 'no-students' | 'no-column'
      readonly file?: string
      readonly column?: string
    }

/** What a zip may unfold to: many times a school's export, and no more than fits into memory. */
const MOST_UNPACKED = 200 * 1024 * 1024
const isZip = (bytes: Uint8Array) => bytes[0] === 0x50 && bytes[1] === 0x4b

function unpack(bytes: Uint8Array): Promise<Unzipped | null> {
  let room = MOST_UNPACKED
  return new Promise(resolve =>
    unzip(
      bytes,
      { filter: ({ name, originalSize }) => /\.csv$/i.test(name) && (room -= originalSize) > 0 },
      (error, files) => resolve(error ? null : files),
    ),
  )
}

const api = {
  async read(buffers: readonly ArrayBuffer[]): Promise<ReadFile> {
    const files = new Map<OneRosterFile, string>()
    let other: string | null = null
    for (const buffer of buffers) {
      const bytes = new Uint8Array(buffer)
      const parts = isZip(bytes) ? await unpack(bytes) : { whole: bytes }
      if (!parts) return { kind: 'trouble', trouble: 'broken-zip' }
      for (const part of Object.values(parts)) {
        const { text } = decodeText(part)
        const file = oneRosterFileOf(text)
        if (file) files.set(file, text)
        // A NUL is in no text: it is a picture, a document, or another file that has no list in it.
        else if (!text.slice(0, 5000).includes('\u0000')) other ??= text
      }
    }
    if (files.size === 0) return other?.trim() ? { kind: 'text', text: other } : { kind: 'trouble', trouble: 'no-list' }
    const roster = readOneRoster(files)
    if (roster.ok) return { kind: 'roster', roster: roster.value }
    const { kind, ...where } = roster.reason
    return { kind: 'trouble', trouble: kind, ...where }
  },
}
export type ClassListWorker = typeof api
expose(api)
