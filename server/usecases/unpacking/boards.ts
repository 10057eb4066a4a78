import { withFolder } from '../../files/folder'
import { importBoard, setOnShelf } from '../boards'
import { patiently, type Unpacking } from './unpacking'

export interface BoardInParcel {
  readonly file: string
  readonly organizer: boolean
  readonly putAway: boolean
}

/** A board's id here, and how many of its pictures and clips couldn't be kept; null where it can't be read. */
export function boardIn(
  unpacking: Unpacking,
  { file, organizer, putAway }: BoardInParcel,
): Promise<{ id: string; missing: number } | null> {
  const { services, teacher, path, files } = unpacking
  return withFolder(async folder => {
    const read = await patiently(services.labour.files, 'board-of-everything', { path, name: file, folder })
    if (!read.ok || !read.value.ok) return null
    const made = await importBoard(services.db, teacher, read.value.value, await files.beside(read.value.value))
    if (organizer || putAway) await setOnShelf(services.db, made.id, { archived: putAway, organizer })
    return made
  })
}
