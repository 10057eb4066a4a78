import type { Board } from '../../core/board/board'
import type { FileHash } from '../../core/board/ids'
import { isOds, readOds } from '../../core/reading/sheets/ods'
import type { Sheet } from '../../core/reading/sheets/sheet'
import { isXlsx, readXlsx } from '../../core/reading/sheets/xlsx'
import type { Lost, LostCode } from '../../core/reading/lost'
import { isQti, readQtiItem, readQtiPackage, type Questions } from '../../core/reading/qti/read'
import type { Kept } from '../../core/reading/slides/compose'
import { isOdp, readOdp } from '../../core/reading/slides/odp/read'
import { isPptx, readPptx } from '../../core/reading/slides/pptx/read'
import type { Slides } from '../../core/reading/slides/slide'
import { readSvg } from '../../core/reading/slides/svg/read'
import { decodeXml, parseXml } from '../../core/reading/xml'
import { openZip, type Archive } from '../../core/reading/zip'
import { ok, refuse, type Result } from '../../core/result'
import { readPicture, type Picture } from '../files/picture'

/** What a file says that isn't one of ours: slides to choose from, a board of questions, or sheets of words. */
export type ReadIn =
  | { readonly kind: 'slides'; readonly slides: Slides; readonly pictures: readonly ReadPicture[] }
  | {
      readonly kind: 'board'
      readonly board: Board
      readonly lost: readonly Lost[]
      readonly pictures: readonly ReadPicture[]
    }
  | { readonly kind: 'sheets'; readonly sheets: readonly Sheet[] }
export interface ReadPicture {
  /** What parts call it by. */
  readonly source: string
  readonly picture: Picture
}
/** *bad-file*: none of the kinds that are read, or broken. *too-heavy*: it says that it unpacks to more than it may. */
export type ReadInRefusal = 'bad-file' | 'too-heavy'

export const LARGEST_READ_IN = 40 * 1024 * 1024
const MOST_PICTURES = 200
/** Bytes of all pictures of a file before they are made smaller. */
const MOST_PICTURE_BYTES = 120 * 1024 * 1024

/**
 * Reads a file that somebody made elsewhere, by what is in it, not by its name. It is done where it can be stopped:
 * nothing of the file is run or fetched, but it may be made to be a lot of work.
 */
export async function readIn(bytes: Buffer): Promise<Result<ReadIn, ReadInRefusal>> {
  if (bytes.length > LARGEST_READ_IN) return refuse('too-heavy')
  if (bytes.subarray(0, 2).toString('latin1') === 'PK') {
    const archive = openZip(bytes)
    if (archive.ok) return fromArchive(archive.value)
    return refuse(archive.reason === 'no-zip' ? 'bad-file' : 'too-heavy')
  }
  const root = parseXml(decodeXml(bytes))
  if (!root.ok) return refuse(root.reason === 'broken-xml' ? 'bad-file' : 'too-heavy')
  if (root.value.name === 'svg') {
    const slides = readSvg(root.value)
    return slides.ok ? fromSlides(slides.value, inlined) : refuse('bad-file')
  }
  const questions = readQtiItem(root.value)
  return questions.ok ? fromQuestions(questions.value, () => null) : refuse('bad-file')
}

async function fromArchive(archive: Archive): Promise<Result<ReadIn, ReadInRefusal>> {
  if (isPptx(archive) || isOdp(archive)) {
    const slides = isPptx(archive) ? readPptx(archive) : readOdp(archive)
    return slides.ok ? fromSlides(slides.value, source => archive.bytes(source)) : refuse('bad-file')
  }
  if (isXlsx(archive)) {
    const sheets = readXlsx(archive)
    return sheets ? ok({ kind: 'sheets', sheets }) : refuse('bad-file')
  }
  if (isOds(archive)) return ok({ kind: 'sheets', sheets: readOds(archive) })
  if (!isQti(archive)) return refuse('bad-file')
  const questions = readQtiPackage(archive)
  return questions.ok ? fromQuestions(questions.value, source => archive.bytes(source)) : refuse('bad-file')
}

type BytesOf = (source: string) => Uint8Array | null

/** A picture that stands in the file itself, as `data:` writes it. */
function inlined(source: string): Uint8Array | null {
  const [, base64] = /^data:image\/[\w.+-]+;base64,([\s\S]*)$/.exec(source) ?? []
  return base64 === undefined ? null : Buffer.from(base64, 'base64')
}

async function fromSlides(slides: Slides, bytesOf: BytesOf): Promise<Result<ReadIn, never>> {
  // Sources may be whole pictures: short names stand for them from here on.
  const names = new Map<string, string>()
  const pages = slides.pages.map(page => ({
    ...page,
    parts: page.parts.map(part => {
      if (part.kind !== 'picture') return part
      if (!names.has(part.source)) names.set(part.source, String(names.size))
      return { ...part, source: names.get(part.source)! }
    }),
  }))
  const { pictures, lost } = await picturesOf([...names.keys()], bytesOf)
  const named = pictures.map(({ source, picture }) => ({ source: names.get(source)!, picture }))
  return ok({ kind: 'slides', slides: { ...slides, pages, lost: [...slides.lost, ...lost] }, pictures: named })
}

async function fromQuestions(questions: Questions, bytesOf: BytesOf): Promise<Result<ReadIn, 'bad-file'>> {
  const { pictures, lost } = await picturesOf(questions.sources, bytesOf)
  const made = questions.board(new Map(pictures.map(({ source, picture }) => [source, keptOf(picture)])))
  // Questions about pictures that aren't there are none.
  if (made.board.pages.length === 0) return refuse('bad-file')
  return ok({ kind: 'board', board: made.board, lost: [...made.lost, ...lost], pictures })
}

export const keptOf = ({ hash, width, height }: Picture): Kept => ({
  file: hash as FileHash,
  pixelWidth: width,
  pixelHeight: height,
})

const AT_ONCE = 4

/** Pictures a few at a time, as many as there is room for. */
async function picturesOf(sources: readonly string[], bytesOf: BytesOf) {
  const pictures: ReadPicture[] = []
  let [unread, bytes] = [0, 0]
  const taken = sources.slice(0, MOST_PICTURES)
  for (let i = 0; i < taken.length; i += AT_ONCE) {
    const some = taken.slice(i, i + AT_ONCE).map(async source => {
      const found = bytesOf(source)
      bytes += found?.length ?? 0
      const read = found && bytes <= MOST_PICTURE_BYTES ? await readPicture(Buffer.from(found)) : null
      return { source, read }
    })
    for (const { source, read } of await Promise.all(some)) {
      if (read?.ok) pictures.push({ source, picture: read.value })
      else unread++
    }
  }
  const note = (code: LostCode, count: number): Lost[] => (count > 0 ? [{ code, page: null, count }] : [])
  return {
    pictures,
    lost: [...note('pictures-unread', unread), ...note('pictures-too-many', sources.length - MOST_PICTURES)],
  }
}
