import type { MarginNote } from '~~/core/margin/item'
import type { MarginEntry } from './margin'

/** The notes of a margin with the numbers that stand on their flags, in the order in which they were written. */
export function numberedNotes(margin: readonly MarginEntry[]): { id: string; number: number; item: MarginNote }[] {
  return margin
    .flatMap(({ id, item }) => (item.kind === 'note' ? [{ id, item }] : []))
    .map((note, i) => ({ ...note, number: i + 1 }))
}
