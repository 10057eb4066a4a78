import { editionFile } from '../../../core/along/fields'
import type { Board } from '../../../core/board/board'
import { keepEdition } from '../../database/editions'
import { withFolder } from '../../files/folder'
import { createBoard, keepRead, setOnShelf } from '../boards'
import type { BroughtFiles } from './files'
import { patiently, type Unpacking } from './unpacking'

type Of = Pick<Unpacking, 'services' | 'teacher' | 'path'> & { readonly files: BroughtFiles }

/** Editions of a parcel under the hashes that they have here: their pictures are encoded anew, so these are others. */
export class Editions {
  readonly #known = new Map<string, string | null>()
  constructor(private readonly from: Of) {}

  /** `folder` is the handout's, beside which the editions of older parcels are. Null where it can't be read. */
  async of(hash: string, folder: string): Promise<string | null> {
    const known = this.#known.get(hash)
    if (known !== undefined) return known
    const board = await this.read(hash, folder)
    const kept = board && (await this.from.services.db.transaction().execute(trx => keepEdition(trx, board)))
    this.#known.set(hash, kept)
    return kept
  }

  /** The board of a handout whose own isn't in the parcel; it is put away. Null where it can't be read. */
  async asBoard(hash: string, folder: string): Promise<string | null> {
    const { services, teacher } = this.from
    const board = await this.read(hash, folder)
    if (!board) return null
    const made = await createBoard(services.db, teacher, board.title, { board })
    if (!made.ok) throw new Error("an edition was left with a file that is not its teacher's")
    await setOnShelf(services.db, made.value, { archived: true })
    return made.value
  }

  private async read(hash: string, handout: string): Promise<Board | null> {
    const { services, teacher, path, files } = this.from
    return withFolder(async folder => {
      for (const name of [editionFile(hash), `${handout}editions/${hash}.board.json`]) {
        const read = await patiently(services.labour.files, 'board-of-everything', { path, name, folder })
        if (!read.ok || !read.value.ok) continue
        const beside = await files.beside(read.value.value)
        return (await keepRead(services.db, teacher, read.value.value, beside)).board
      }
      return null
    })
  }
}
