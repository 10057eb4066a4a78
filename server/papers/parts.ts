import { readFile, writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { deserialize, serialize } from 'node:v8'
import type { SlatesOrder } from '../../core/paper/slatesOrder'
import type { PaperInfo } from './pdf'
import type { SlateOnPaper } from './slatesPaper'

/** What the process that draws is told; the slates lie in the folder. */
export interface SlatesTask {
  readonly folder: string
  readonly count: number
  readonly order: SlatesOrder
  readonly info: PaperInfo
}
/** What the paper is called in its folder. */
export const PAPER_FILE = 'paper.pdf'

const partFile = (folder: string, i: number) => join(folder, `${i}.part`)

/** Puts a slate into the folder of a task, from 0. */
export const keepPart = (folder: string, i: number, part: SlateOnPaper): Promise<void> =>
  writeFile(partFile(folder, i), serialize(part))

/** Each slate when its turn comes. */
export async function* partsIn(folder: string, count: number): AsyncIterable<SlateOnPaper> {
  for (let i = 0; i < count; i++) yield deserialize(await readFile(partFile(folder, i))) as SlateOnPaper
}
