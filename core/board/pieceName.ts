import type { Master, Piece } from './piece'

/** What a piece is called in lists: its text, or its name or what its picture shows, or what it is worth. */
export function pieceName(piece: Piece): string {
  return piece.text || ('alt' in piece && piece.alt) || (piece.kind === 'tile' && piece.value) || '…'
}

/** What reading a piece's text letter by letter doesn't tell. */
export type Aloud =
  | { readonly kind: 'letter' }
  /** So many halves, thirds and so on: 1/2, ¾ or −2/3 seen; at most `SMALLEST_PART` parts of a whole. */
  | { readonly kind: 'fraction'; readonly negative: boolean; readonly count: number; readonly parts: number }

const SMALLEST_PART = 24
const FRACTION = /^([-−]?)(\d{1,3})[/⁄](\d{1,2})$/
/** A letter of an alphabet with what it carries, such as ô. */
const LETTER = /^[\p{sc=Latn}\p{sc=Grek}\p{sc=Cyrl}\p{sc=Hebr}\p{sc=Arab}]\p{M}*$/u

/**
 * For pieces that are read differently from how they look: a letter on a tile of its own ("a" is no word there), and a
 * fraction (1/2 is no date). Null for all others. A word of one letter on a card that follows its text stays a word.
 */
export function aloudOf(piece: Piece, master: Pick<Master, 'fixed'>): Aloud | null {
  const text = piece.text.trim().normalize('NFC')
  if (master.fixed && LETTER.test(text)) return { kind: 'letter' }
  // A fraction in one character comes apart into digits around a slash (Unicode, compatibility decomposition).
  const written = /^[-−]?\p{No}$/u.test(text) ? text.normalize('NFKD') : text
  const [, sign, count, parts] = FRACTION.exec(written) ?? []
  if (count === undefined || Number(parts) < 2 || Number(parts) > SMALLEST_PART) return null
  return { kind: 'fraction', negative: sign !== '', count: Number(count), parts: Number(parts) }
}
