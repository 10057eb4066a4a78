import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import type { Board } from '../../core/board/board'
import { clipFilesOf, filesOf } from '../../core/board/files'
import type { FileHash } from '../../core/board/ids'
import { readBoardFile, type BoardFileFault } from '../../core/format/boardFile'
import { ok, refuse, type Result } from '../../core/result'
import { readClip, type ReadClip } from '../files/clip'
import { readPicture, type Picture, type PictureRefusal } from '../files/picture'
import { parseJson } from '../http/json'
import { boardPaper, type BoardPaper } from '../papers/boardPaper'
import { cardsPdf, type Card } from '../papers/cards'
import { partsIn, PAPER_FILE, type SlatesTask } from '../papers/parts'
import { qtiZip } from '../papers/qtiZip'
import { slatesPaper } from '../papers/slatesPaper'
import { pagePicture, type PagePicture } from '../papers/pagePicture'
import { fileOfEverything, readEverything, slateOfEverything, unpackedTo } from '../reading/everything'
import { readIn } from '../reading/readIn'

/** Boards nest no deeper than this by far; more is there to exhaust whoever reads it. */
const DEEPEST_FILE = 40

export interface ReadFile {
  readonly board: Board
  readonly pictures: readonly { readonly name: FileHash; readonly picture: Picture }[]
  /** Packed anew into files that lie in the folder of the task. */
  readonly clips: readonly { readonly name: FileHash; readonly clip: ReadClip; readonly path: string }[]
}

async function readBoardBytes({
  bytes,
  folder,
}: {
  bytes: Uint8Array
  folder: string
}): Promise<Result<ReadFile, BoardFileFault>> {
  const parsed = parseJson(Buffer.from(bytes).toString('utf8'), DEEPEST_FILE)
  if (!parsed.ok) return refuse({ code: 'no-file' })
  const read = readBoardFile(parsed.value)
  if (!read.ok) return read
  const { board, pictures, clips } = read.value
  const found: { name: FileHash; picture: Picture }[] = []
  for (const name of filesOf(board)) {
    const given = pictures[name]
    const picture = given ? await readPicture(Buffer.from(given.base64, 'base64')) : null
    if (picture?.ok) found.push({ name, picture: picture.value })
  }
  const heard: { name: FileHash; clip: ReadClip; path: string }[] = []
  for (const name of clipFilesOf(board)) {
    if (!clips[name]) continue
    const [from, path] = [join(folder, `${name}.came`), join(folder, name)]
    await writeFile(from, Buffer.from(clips[name].base64, 'base64'))
    const clip = await readClip({ from, to: path })
    if (clip.ok) heard.push({ name, clip: clip.value, path })
  }
  return ok({ board, pictures: found, clips: heard })
}

/** Work that somebody from outside can make long, with what it is given. It is done in processes of its own. */
export const TASKS = {
  clip: readClip,

  picture: (bytes: Uint8Array): Promise<Result<Picture, PictureRefusal>> => readPicture(Buffer.from(bytes)),

  /** A board file, and of its pictures and clips those that its pages have. What is none is left out. */
  'board-file': readBoardBytes,

  /** A file with all of somebody's boards and classes: what is in it, and then its boards one by one. */
  everything: readEverything,
  async 'board-of-everything'({
    path,
    name,
    folder,
  }: {
    path: string
    name: string
    folder: string
  }): Promise<Result<ReadFile, BoardFileFault>> {
    const bytes = await fileOfEverything(path, name)
    return bytes ? readBoardBytes({ bytes, folder }) : refuse({ code: 'no-file' })
  },

  'slate-of-everything': slateOfEverything,
  async 'picture-of-everything'({ path, name }: { path: string; name: string }): Promise<Picture | null> {
    const bytes = await fileOfEverything(path, name)
    const picture = bytes && (await readPicture(Buffer.from(bytes)))
    return picture?.ok ? picture.value : null
  },
  /** A clip of it, packed anew into a file `to`. */
  async 'clip-of-everything'({ path, name, to }: { path: string; name: string; to: string }): Promise<ReadClip | null> {
    const from = `${to}.came`
    const clip = (await unpackedTo(path, name, from)) ? await readClip({ from, to }) : null
    return clip?.ok ? clip.value : null
  },

  /** A file that was made elsewhere. */
  'read-in': (bytes: Uint8Array) => readIn(Buffer.from(bytes)),

  /** A board as a PDF. */
  'board-paper': (order: BoardPaper): Promise<Buffer> => boardPaper(order),

  /** The slates of a handout as a PDF, from the parts that lie in the folder into a file there. */
  'slates-paper': ({ folder, count, order, info }: SlatesTask, progress: (done: number) => void = () => {}) =>
    slatesPaper({ order, info, slates: partsIn(folder, count), path: join(folder, PAPER_FILE), progress }),

  /** A board's answers for other programs, as a zip. */
  qti: qtiZip,

  /** A page as a PNG or an SVG. */
  'page-picture': (order: PagePicture): Promise<Buffer> => pagePicture(order),

  /** Cards with which students come in, as a PDF. */
  cards: ({ title, cards }: { title: string; cards: readonly Card[] }): Promise<Buffer> => cardsPdf(title, cards),
} as const

export type Tasks = typeof TASKS
export type TaskName = keyof Tasks
export type TaskInput<Name extends TaskName> = Parameters<Tasks[Name]>[0]
export type TaskOutput<Name extends TaskName> = Awaited<ReturnType<Tasks[Name]>>
