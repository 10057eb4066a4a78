import type { Board, Page } from '../board/board'
import type { MasterId, PageId } from '../board/ids'
import type { Master, Piece, TIPS } from '../board/piece'
import { NOTE_SIZE, NOTE_TEXT } from '../layout/fitWords'
import { requirePage, withPage } from './lookup'
import { addPieces, CARD_TEXT_SIZE, removePieces, type Ids } from './pieces'

/** Pieces beside cards, pictures and tiles. A heading is a card that stands out from those it heads. */
export const OTHER_FORMS = ['label', 'heading', 'token', 'cover', 'note'] as const
export type OtherForm = (typeof OTHER_FORMS)[number]

export interface OtherPlan {
  readonly form: OtherForm
  /** One piece for each; of tokens, covers and notes what they are called, or what they are for. */
  readonly texts: readonly string[]
  readonly bin: boolean
  readonly tip?: (typeof TIPS)[number]
  /** Points: of covers. */
  readonly size?: { readonly width: number; readonly height: number }
}

const TOKEN = 40
const COVER = { width: 96, height: 60 }

/** Pieces of one kind on the ledge, in one style: the one that the board has for such pieces, or a new one. */
export function addOthers(board: Board, page: PageId, plan: OtherPlan, ids: Ids): Board {
  const style = styleOf(plan)
  const known = board.masters.find(
    m =>
      m.kind === style.kind
      && m.role === style.role
      && (plan.form !== 'cover' || (m.width === style.width && m.height === style.height)),
  )
  const master: MasterId = known?.id ?? ids.master()
  const withMaster = known ? board : { ...board, masters: [...board.masters, { id: master, ...style }] }
  return addPieces(
    withMaster,
    page,
    plan.texts.map(text => pieceOf(plan, text, { id: ids.piece(), master, ...(plan.bin && { bin: true }) })),
    plan.form === 'label' || plan.form === 'heading' ? 'scrambled' : 'as-given',
  )
}

function styleOf({ form, size }: OtherPlan): Omit<Master, 'id'> {
  const text = { textSize: CARD_TEXT_SIZE, width: 1, height: 1 }
  switch (form) {
    case 'label':
      return { kind: 'label', ...text }
    case 'heading':
      return { kind: 'card', role: 'target', ...text, textSize: CARD_TEXT_SIZE + 4 }
    case 'token':
      return { kind: 'token', textSize: 14, width: TOKEN, height: TOKEN, look: { kind: 'round' } }
    case 'cover':
      return { kind: 'cover', textSize: 14, ...(size ?? COVER) }
    case 'note':
      return { kind: 'note', ...text, textSize: NOTE_TEXT, ...NOTE_SIZE, fixed: true }
  }
}

function pieceOf({ form, tip = 'left' }: OtherPlan, text: string, common: Pick<Piece, 'id' | 'master' | 'bin'>): Piece {
  switch (form) {
    case 'label':
      return { kind: 'label', text, tip, ...common }
    case 'heading':
      return { kind: 'card', text, ...common }
    case 'token':
      return { kind: 'token', text: '', alt: text, ...common }
    case 'cover':
      return { kind: 'cover', text: '', alt: text, ...common }
    case 'note':
      return { kind: 'note', text, ...common }
  }
}

/** Whether students may draw arrows from piece to piece on the page. */
export function allowArrows(board: Board, pageId: PageId, allowed: boolean): Board {
  return withPage(board, pageId, ({ arrows: _, ...page }) => (allowed ? { ...page, arrows: true } : page))
}

/** Whether students may add notes of their own to the page: they take as many as they want from a bin. */
export const notesAllowed = (page: Page): boolean => page.pieces.some(isNoteBin)
const isNoteBin = (piece: Piece) => piece.kind === 'note' && piece.bin === true

/**
 * With `text` as what a note says before anything is written on it. Taking the leave back takes the page's bins of
 * notes away; single notes stay.
 */
export function allowNotes({
  board,
  pageId,
  allowed,
  text,
  ids,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly allowed: boolean
  readonly text: string
  readonly ids: Ids
}): Board {
  const page = requirePage(board, pageId)
  if (allowed)
    return notesAllowed(page) ? board : addOthers(board, pageId, { form: 'note', texts: [text], bin: true }, ids)
  return removePieces(board, pageId, new Set(page.pieces.filter(isNoteBin).map(note => note.id)))
}

/** Some of a master changed; all its pieces follow. Size and text size of cards go by `setTextSize`. */
export function changeMaster(board: Board, id: MasterId, part: Partial<Pick<Master, 'colour' | 'role'>>): Board {
  return { ...board, masters: board.masters.map(m => (m.id === id ? withoutNothing({ ...m, ...part }) : m)) }
}

/** What is set to nothing is left out, so that a board compares equal to one in which it was never set. */
function withoutNothing<T extends object>(thing: T): T {
  return Object.fromEntries(Object.entries(thing).filter(([, value]) => value !== undefined)) as T
}
