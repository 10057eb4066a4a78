import type { Board } from '~~/core/board/board'
import type { Lost } from '~~/core/reading/lost'
import type { Kept } from '~~/core/reading/slides/compose'
import type { Sheet } from '~~/core/reading/sheets/sheet'
import type { Slides } from '~~/core/reading/slides/slide'
import { decodeText } from '~~/core/text/decode'
import { readTable } from '~~/core/text/table'

/** What the server found in a file that was made elsewhere. */
export type ReadIn =
  | { kind: 'slides'; slides: Slides; pictures: readonly (Kept & { source: string })[] }
  | { kind: 'board'; board: Board; lost: readonly Lost[] }
  | { kind: 'sheets'; sheets: readonly Sheet[] }

/** A file's name as what is in it may be called. */
export const titleOf = (file: File): string =>
  file.name
    .replace(/\.[^.]*$/, '')
    .replace(/[-_]+/g, ' ')
    .trim()
    .slice(0, 120)

export const readInFile = (file: File): Promise<ReadIn> =>
  askFor<ReadIn>('/api/boards/read-in', {
    method: 'POST',
    body: new Blob([file], { type: 'application/octet-stream' }),
  })

/** The words of a table or a text that the device reads itself; null for another kind of file. */
export async function wordsOf(file: File): Promise<Sheet | null> {
  const name = titleOf(file)
  const [, ending] = /\.(csv|tsv|txt)$/i.exec(file.name) ?? []
  if (!ending) return null
  const { text } = decodeText(new Uint8Array(await file.arrayBuffer()))
  // What a text means by its marks is for whoever reads it: each line stays one.
  if (ending.toLowerCase() === 'txt') return { name, rows: text.split(/\r\n?|\n/).map(line => [line]) }
  return { name, rows: readTable(text).rows.map(row => row.cells) }
}

/** Files that words are taken from. */
export const WORD_FILES = '.xlsx,.ods,.csv,.tsv,.txt'
