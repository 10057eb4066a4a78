import type { Board, Page } from '../board/board'
import { pageWithout } from '../board/pagePieces'
import { MOST_PIECES } from '../board/sizes'
import type { MasterId, PageId, PieceId } from '../board/ids'
import { PIECE_TEXT_LONGEST, type Master, type Piece, type PieceKind, type PictureCard } from '../board/piece'
import { PIECE_TRAITS } from '../board/pieceTraits'
import { keysOn, referencesOf, withoutPiece } from '../keys/key'
import { closure } from '../keys/partialOrder'
import { withEntry } from '../slate/state'
import { USUAL_LANGUAGE } from '../text/spoken'
import { cardSize, pictureCardSize } from '../layout/cardSize'
import type { Random } from '../layout/random'
import { scramble } from '../layout/scramble'
import { requirePage, withPage } from './lookup'
import { sortKeyOf } from '../keys/sort/ofPage'

export const CARD_TEXT_SIZE = 18

export interface WordList {
  readonly words: readonly string[]
  /** Lines that were cut to the longest text a card may have. */
  readonly cut: number
  /** Lines beyond what one page can hold; they are not in `words`. */
  readonly left: number
}

/** One word or phrase a line; empty lines are passed over, spaces are tidied, the same word twice stays twice. */
export function readWordList(text: string, room: number = MOST_PIECES): WordList {
  const lines = text
    .split(/\r\n|\r|\n/)
    .map(line => line.normalize('NFC').replace(/\s+/g, ' ').trim())
    .filter(Boolean)
  const words = lines.slice(0, room)
  return {
    words: words.map(word =>
      [...word].length > PIECE_TEXT_LONGEST ? [...word].slice(0, PIECE_TEXT_LONGEST).join('') : word,
    ),
    cut: words.filter(word => [...word].length > PIECE_TEXT_LONGEST).length,
    left: lines.length - words.length,
  }
}

export interface Ids {
  readonly piece: () => PieceId
  readonly master: () => MasterId
}

/**
 * Cards for these words on the ledge: all cards of the board get the one size that the longest needs, and the ledge is
 * scrambled.
 */
export function addCards(board: Board, pageId: PageId, words: readonly string[], ids: Ids): Board {
  const { board: withMaster, master } = masterFor(board, 'card', ids)
  return addPieces(
    withMaster,
    pageId,
    words.map(text => ({ kind: 'card', id: ids.piece(), master, text })),
  )
}

export function addPictureCards(
  board: Board,
  pageId: PageId,
  cards: readonly Omit<PictureCard, 'kind' | 'id' | 'master'>[],
  ids: Ids,
): Board {
  const { board: withMaster, master } = masterFor(board, 'picture-card', ids)
  return addPieces(
    withMaster,
    pageId,
    cards.map(card => ({ ...card, kind: 'picture-card', id: ids.piece(), master })),
  )
}

/** What is said of one piece alone; the common size follows its words. */
export function changePiece(
  board: Board,
  pageId: PageId,
  id: PieceId,
  change: { text?: string; alt?: string; turns?: boolean },
): Board {
  return sized(
    withPage(board, pageId, page => ({
      ...page,
      pieces: page.pieces.map((whole): Piece => {
        if (whole.id !== id) return whole
        const { turns: before, ...piece } = whole
        const turns = change.turns ?? before
        const common = { text: change.text ?? piece.text, ...(turns && { turns }) }
        return 'alt' in piece && change.alt !== undefined
          ? { ...piece, ...common, alt: change.alt }
          : { ...piece, ...common }
      }),
    })),
  )
}

/** The pieces go, with their answers. None: the board as it was. */
export function removePieces(board: Board, pageId: PageId, ids: ReadonlySet<PieceId>): Board {
  if (ids.size === 0) return board
  const left = withPage(board, pageId, page => pageWithout(page, ids))
  return sized({
    ...left,
    keys: left.keys.flatMap(
      key => [...ids].reduce<typeof key | null>((rest, id) => rest && withoutPiece(rest, id), key) ?? [],
    ),
  })
}

/** Pieces that lay on the page from the start stand on the ledge again; others are passed over. */
export function takeOffPage(board: Board, pageId: PageId, ids: readonly PieceId[]): Board {
  return withPage(board, pageId, ({ staged, ...page }) => {
    const left = ids.reduce<NonNullable<Page['staged']>>((all, id) => withEntry(all, id, undefined), staged ?? {})
    return Object.keys(left).length ? { ...page, staged: left } : page
  })
}

/** The text size of all pieces of one master; their common size follows. */
export function setTextSize(board: Board, master: MasterId, textSize: number): Board {
  return sized({ ...board, masters: board.masters.map(m => (m.id === master ? { ...m, textSize } : m)) })
}

/** Another scramble, that takes the answers known so far into account. */
export function scrambleLedge(board: Board, pageId: PageId, chance: number | Random): Board {
  return rescrambled(board, pageId, chance)
}

/**
 * What stands on the ledge together in the key must not stand together there: called again whenever the answers change.
 * What a teacher keeps is laid once more, by chance that nobody can foresee: see `ledge.ts`.
 */
export function rescrambled(board: Board, pageId: PageId, chance: number | Random = board.seed ?? 0): Board {
  const groupOf = groupsIn(board, pageId)
  return withPage(board, pageId, page => {
    // Bins, and tiles that no key asks for by name, keep their order behind the rest: it tells nothing, and helps to
    // find them.
    const asked = new Set(board.keys.filter(key => key.page === pageId).flatMap(key => referencesOf(key).pieces))
    const inOrder = page.pieces.filter(p => p.bin || (['tile', 'token', 'cover'].includes(p.kind) && !asked.has(p.id)))
    const others = page.pieces.filter(p => !inOrder.includes(p))
    return {
      ...page,
      ledge: [
        ...scramble(
          others.map(p => p.id),
          groupOf,
          chance,
          row => toldBy(board, pageId, row),
        ),
        ...inOrder.map(p => p.id),
      ],
    }
  })
}

/** What belongs together: by its homes, or, where nothing is sorted, by the set that it makes with others. */
export function groupsIn(board: Board, pageId: PageId): (id: PieceId) => string | undefined {
  const homes = sortKeyOf(board, pageId)?.homes
  if (homes) return id => homes[id]?.join(' ')
  const sets = new Map(
    keysOn(board.keys, pageId, 'match').flatMap(key =>
      key.sets.flatMap((set, i) => set.map(id => [id, `${key.id} ${i}`] as const)),
    ),
  )
  return id => sets.get(id)
}

/** Worse than anything that stands side by side: a row that is the answer. */
const ANSWER = 1000

/**
 * How much a row on the ledge gives away: an order that is asked for, or the pieces of slots and gaps in the order of
 * those.
 */
export function toldBy(board: Board, pageId: PageId, row: readonly PieceId[]): number {
  const inOrder = keysOn(board.keys, pageId, 'order').filter(key => {
    const after = closure(key.before)
    const asked = row.filter(id => after?.has(id))
    return (
      after !== null
      && asked.length > 1
      && asked.every((id, i) => asked.slice(i + 1).every(later => !after.get(later)!.has(id)))
    )
  }).length
  const filled = keysOn(board.keys, pageId, 'slots').filter(key => {
    const wanted = [...new Set(Object.values(key.fits).flatMap(pieces => pieces[0] ?? []))]
    const asked = row.filter(id => wanted.includes(id))
    return wanted.length > 1 && asked.every((id, i) => id === wanted[i])
  }).length
  return ANSWER * (inOrder + filled)
}

/**
 * Pieces on the ledge: scrambled among the others, or in the order given behind them, as tiles are that tell nothing by
 * their order.
 */
export function addPieces(
  board: Board,
  pageId: PageId,
  pieces: readonly Piece[],
  order: 'scrambled' | 'as-given' = 'scrambled',
): Board {
  const room = MOST_PIECES - requirePage(board, pageId).pieces.length
  const added = pieces.slice(0, room)
  const larger = sized(
    withPage(board, pageId, (page: Page) => ({
      ...page,
      pieces: [...page.pieces, ...added],
      ledge: [...page.ledge, ...added.map(p => p.id)],
    })),
  )
  return order === 'scrambled' ? rescrambled(larger, pageId) : larger
}

function masterFor(board: Board, kind: PieceKind, ids: Ids): { board: Board; master: MasterId } {
  const known = board.masters.find(master => master.kind === kind)
  if (known) return { board, master: known.id }
  const master: Master = { id: ids.master(), kind, textSize: CARD_TEXT_SIZE, width: 1, height: 1 }
  return { board: { ...board, masters: [...board.masters, master] }, master: master.id }
}

/**
 * Every master of cards, labels and notes gets the size that the longest of its pieces needs, on whichever page that
 * is; the others are as large as they were made.
 */
function sized(board: Board): Board {
  const pieces = board.pages.flatMap(page => page.pieces)
  return {
    ...board,
    masters: board.masters.map(master => {
      const texts = pieces.filter(piece => piece.master === master.id).map(piece => piece.text)
      const { size } = PIECE_TRAITS[master.kind]
      if (master.fixed || size === 'made') return master
      return {
        ...master,
        ...(size === 'words' ? cardSize : pictureCardSize)(texts, master.textSize, board.language ?? USUAL_LANGUAGE),
      }
    }),
  }
}
