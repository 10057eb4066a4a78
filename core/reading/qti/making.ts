import type { Board, Page } from '../../board/board'
import type { FigureId, KeyId, MasterId, PageId, PieceId, PlaceId } from '../../board/ids'
import { PIECE_TEXT_LONGEST, type Piece } from '../../board/piece'
import type { Place } from '../../board/place'
import { CARD_TEXT_SIZE } from '../../design/pieces'
import type { KeyKind, KeyOf } from '../../keys/key'
import type { Losses } from '../lost'
import type { Kept } from '../slides/compose'
import type { Option, Question } from './question'

/** What a question has on its page at most. */
export const MOST = { cards: 200, homes: 60, heading: 80 } as const
/** Marks that are laid on spots. */
const TOKEN = 40

/** Ids that no other page of the board has. */
export class PageIds {
  #next = 0
  constructor(readonly nth: number) {}
  readonly #id = () => `q${this.nth}-${++this.#next}`
  page = () => this.#id() as PageId
  piece = () => this.#id() as PieceId
  place = () => this.#id() as PlaceId
  key = () => this.#id() as KeyId
  figure = () => this.#id() as FigureId
  master = () => this.#id() as MasterId
}

export interface Making {
  readonly ids: PageIds
  readonly losses: Losses
  readonly pictures: ReadonlyMap<string, Kept>
}

/** A key before it has a name and a page. */
export type Unplaced = { [K in KeyKind]: Omit<KeyOf<K>, 'id' | 'page'> }[KeyKind]
export interface Content {
  readonly places: readonly Place[]
  readonly cards: readonly Piece[]
  readonly key: Unplaced | null
  readonly backdrop?: Pick<Page['backdrop'], 'pictures'>
}

/** Styles of cards and picture cards: the board's, or new ones. */
export class CardMasters {
  readonly all: Board['masters']
  constructor(
    { masters }: Board,
    readonly ids: PageIds,
  ) {
    this.all = [...masters]
  }
  of(kind: 'card' | 'picture-card' | 'token' | 'label'): MasterId {
    const known = this.all.find(master => master.kind === kind)
    if (known) return known.id
    const size =
      kind === 'token' ? { width: TOKEN, height: TOKEN, look: { kind: 'round' as const } } : { width: 1, height: 1 }
    const master = { id: this.ids.master(), kind, textSize: CARD_TEXT_SIZE, ...size }
    this.all.push(master)
    return master.id
  }
}

export interface Filling extends Making {
  readonly masters: CardMasters
}

/** A card for each option, by the option's identifier; the same identifier twice counts once. */
export function cardsFor(options: readonly Option[], { ids, losses, pictures, masters }: Filling): Map<string, Piece> {
  const cards = new Map<string, Piece>()
  for (const { id, text, picture } of options.slice(0, MOST.cards)) {
    const letters = [...text.replace(/\s+/g, ' ').trim()]
    if (letters.length > PIECE_TEXT_LONGEST) losses.note('words-cut')
    const words = letters.slice(0, PIECE_TEXT_LONGEST).join('')
    const kept = picture === undefined ? undefined : pictures.get(picture)
    const common = { id: ids.piece(), text: kept ? '' : words || '?' }
    cards.set(
      id,
      kept
        ? { kind: 'picture-card', ...common, master: masters.of('picture-card'), ...kept, alt: words }
        : { kind: 'card', ...common, master: masters.of('card') },
    )
  }
  losses.note('pieces-too-many', options.length - MOST.cards)
  return cards
}
export const idOf = (cards: ReadonlyMap<string, Piece>) => (option: string) => cards.get(option)?.id ?? []

export type Of<K extends Question['kind']> = Extract<Question, { kind: K }>
