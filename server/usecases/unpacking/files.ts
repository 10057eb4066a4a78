import { join } from 'node:path'
import { clipFilesOf, filesOf } from '../../../core/board/files'
import type { FileHash } from '../../../core/board/ids'
import { withFolder } from '../../files/folder'
import { keepPicture } from '../../files/keep'
import { keepClip } from '../../files/keepClip'
import type { ReadFile } from '../../labour/tasks'
import { patiently, type Unpacking } from './unpacking'

type Of = Pick<Unpacking, 'services' | 'teacher' | 'path'>

/**
 * Pictures and clips of a parcel as they are kept here, each read once. They are encoded anew, so they have other
 * hashes here.
 */
export class BroughtFiles {
  readonly #kept = new Map<string, FileHash | null>()
  /** `names`: what each lies under in the zip, by its hash there. */
  constructor(
    private readonly of: Of,
    private readonly names: ReadonlyMap<string, string>,
  ) {}

  /** Null where it isn't there, is none, or can't be kept. */
  picture(hash: string): Promise<FileHash | null> {
    const name = this.names.get(hash)
    return name === undefined ? Promise.resolve(null) : this.pictureAt(name)
  }
  pictureAt(name: string): Promise<FileHash | null> {
    return this.once(`picture ${name}`, async ({ services: { db, labour }, teacher, path }) => {
      const read = await patiently(labour.files, 'picture-of-everything', { path, name })
      if (!read.ok || !read.value) return null
      await keepPicture(db, teacher, read.value)
      return read.value.hash as FileHash
    })
  }

  clip(hash: string): Promise<FileHash | null> {
    const name = this.names.get(hash)
    if (name === undefined) return Promise.resolve(null)
    return this.once(`clip ${name}`, ({ services: { db, labour }, teacher, path }) =>
      withFolder(async folder => {
        const to = join(folder, 'clip')
        const read = await patiently(labour.files, 'clip-of-everything', { path, name, to })
        if (!read.ok || !read.value) return null
        const kept = await keepClip(db, teacher, read.value, to)
        return kept.ok ? (read.value.hash as FileHash) : null
      }),
    )
  }

  /** What a board shows and plays that isn't in its own file. */
  async beside({ board, pictures, clips }: ReadFile): Promise<ReadonlyMap<FileHash, FileHash>> {
    const inside = new Set([...pictures, ...clips].map(one => one.name))
    const played = clipFilesOf(board)
    const found = new Map<FileHash, FileHash>()
    for (const hash of filesOf(board)) {
      if (inside.has(hash)) continue
      const here = await (played.has(hash) ? this.clip(hash) : this.picture(hash))
      if (here) found.set(hash, here)
    }
    return found
  }

  private async once(of: string, read: (of: Of) => Promise<FileHash | null>): Promise<FileHash | null> {
    const known = this.#kept.get(of)
    if (known !== undefined) return known
    const kept = await read(this.of)
    this.#kept.set(of, kept)
    return kept
  }
}
