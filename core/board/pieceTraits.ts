import type { PieceKind } from './piece'

interface PieceTraits {
  /** How large it is made: as its words need, as its picture and words need, or as it was made, whatever they are. */
  readonly size: 'words' | 'picture' | 'made'
  /** Laid edge to edge with others of its kind when it comes near. */
  readonly snaps: boolean
  /** Where it takes too much room it may be shown smaller on the ledge, for it isn't read. */
  readonly shownSmaller: boolean
  /** Students write on it. */
  readonly written: boolean
  /** Its words are the measure of those that are printed beside it. */
  readonly worded: boolean
}

/** All that must be known of each kind of piece, once. */
export const PIECE_TRAITS: { readonly [Kind in PieceKind]: PieceTraits } = {
  card: { size: 'words', snaps: false, shownSmaller: false, written: false, worded: true },
  'picture-card': { size: 'picture', snaps: false, shownSmaller: false, written: false, worded: true },
  tile: { size: 'made', snaps: true, shownSmaller: true, written: false, worded: false },
  label: { size: 'words', snaps: false, shownSmaller: false, written: false, worded: true },
  cover: { size: 'made', snaps: false, shownSmaller: true, written: false, worded: true },
  token: { size: 'made', snaps: false, shownSmaller: true, written: false, worded: true },
  note: { size: 'words', snaps: false, shownSmaller: false, written: true, worded: true },
}
