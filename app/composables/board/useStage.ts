import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { nanoid } from 'nanoid'
import { binOf } from '~~/core/board/binOf'
import type { PieceId, PlaceId } from '~~/core/board/ids'
import type { Point } from '~~/core/geometry/shape'
import { landing, litPlaces } from '~~/core/placement/landing'
import type { Landing, Table } from '~~/core/placement/table'
import type { Target } from '~~/core/placement/targets'
import { flipMove, joinMove, layMove, shelveMove, turnMove } from '~~/core/slate/acts'
import type { Move } from '~~/core/slate/move'
import type { SlateState } from '~~/core/slate/state'

/** What somebody holds, and how: dragged with a pointer, picked by a tap, or picked up with the keyboard. */
export type Held =
  | { way: 'drag'; piece: PieceId }
  | { way: 'tap'; piece: PieceId }
  | { way: 'key'; piece: PieceId; target: Target | 'here'; landing: Landing | null }

export interface StageView {
  edition: () => Edition
  page: () => Page
  state: () => SlateState
  editable: () => boolean
  pageSvg: () => SVGSVGElement | null | undefined
  ledgeElement: () => HTMLElement | null | undefined
  /** Pieces are joined by arrows instead of moved. */
  joining: () => boolean
  make: (move: Move, piece: PieceId, focus: 'piece' | 'next') => void
  /** Whether words are written on this piece, where it lies. */
  isWritten: (piece: PieceId) => boolean
  write: (piece: PieceId, starts?: string) => void
}

/** What the three ways to move a piece share: what is held, and the acts in which all of them end. */
export interface StageHands {
  readonly view: StageView
  readonly held: Ref<Held | null>
  /**
   * Where a dragged piece's middle is on the screen. Apart from what is held, so that only what follows it is drawn
   * anew.
   */
  readonly middle: Ref<Point>
  readonly table: () => Table
  readonly toPage: (client: Point) => Point | null
  readonly overLedge: (client: Point) => boolean
  /** What is taken up when this is pressed: of a bin a new copy. */
  readonly taken: (piece: PieceId) => PieceId
  /** What shows on the stage for a piece: a copy that doesn't lie anywhere yet is still its bin. */
  readonly shownAs: (piece: PieceId) => PieceId
  readonly lay: (piece: PieceId, landing: Landing, focus?: 'piece' | 'next') => void
  readonly shelve: (piece: PieceId) => void
  readonly turn: (piece: PieceId, by: number) => void
  readonly flip: (piece: PieceId) => void
  /** True where the press or the key was an end of an arrow. */
  readonly joins: (piece: PieceId) => boolean
}

/**
 * The three ways to move a piece: drag, tap and tap, keyboard. Where a piece comes to lie, and in which places that is,
 * is for the core to say. What is taken from a bin is a copy with a name of its own from the moment it is taken.
 */
export function useStage(view: StageView) {
  const held = shallowRef<Held | null>(null)
  const middle = shallowRef<Point>({ x: 0, y: 0 })
  /** The first end of an arrow that is being drawn. */
  const joinFrom = shallowRef<PieceId | null>(null)
  const table = () => ({ state: view.state(), page: view.page(), edition: view.edition() })
  const make = (move: Move | null, piece: PieceId, focus: 'piece' | 'next' = 'piece') =>
    void (move && view.make(move, piece, focus))

  function toPage(client: Point): Point | null {
    const matrix = view.pageSvg()?.getScreenCTM()
    if (!matrix) return null
    const { x, y } = new DOMPoint(client.x, client.y).matrixTransform(matrix.inverse())
    return { x, y }
  }
  function overLedge({ x, y }: Point): boolean {
    const box = view.ledgeElement()?.getBoundingClientRect()
    return !!box && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom
  }
  /** The first piece is where an arrow starts, the second where it ends. */
  function joins(piece: PieceId): boolean {
    if (!view.joining() || !view.state().pieces[piece]) return false
    const from = joinFrom.value
    joinFrom.value = from === null ? piece : null
    if (from !== null) make(joinMove(view.state(), from, piece), piece)
    return true
  }

  const hands: StageHands = {
    view,
    held,
    middle,
    table,
    toPage,
    overLedge,
    joins,
    taken: piece => (view.edition().pieces.get(piece)!.piece.bin ? (`${piece}~${nanoid(8)}` as PieceId) : piece),
    shownAs: piece => (view.state().pieces[piece] ? piece : (binOf(piece) ?? piece)),
    lay: (piece, landing, focus) => make(layMove(view.state(), piece, landing), piece, focus),
    shelve: piece => make(shelveMove(view.state(), piece), piece),
    turn: (piece, by) => make(turnMove(view.state(), view.edition(), piece, by), piece),
    flip: piece => make(flipMove(view.state(), view.edition(), piece), piece),
  }
  const { tapPiece, tapPage, tapLedge } = useStageTaps(hands)
  const taker = useStagePointer(hands, tapPiece)
  const { key } = useStageKeys(hands)

  /** The places that are lit as those in which the piece would come to lie; the same list while they are the same. */
  const lit = computed<readonly PlaceId[]>(before => {
    const now = litNow()
    return before?.length === now.length && now.every((place, i) => before[i] === place) ? before : now
  })
  function litNow(): readonly PlaceId[] {
    const now = held.value
    if (!now || now.way === 'tap') return NOWHERE
    const centre = now.way === 'drag' && !overLedge(middle.value) ? toPage(middle.value) : null
    const comes = now.way === 'key' ? now.landing : centre && landing(table(), now.piece, centre)
    return comes ? litPlaces(comes) : NOWHERE
  }

  /** What is held, and where its middle is on the page: what others on the same slate may see. */
  const holding = computed(() => {
    const now = held.value
    if (!now) return null
    const at =
      now.way === 'drag'
        ? toPage(middle.value)
        : ((now.way === 'key' ? now.landing?.at : null) ?? view.state().pieces[now.piece])
    return at ? { piece: now.piece, x: at.x, y: at.y } : null
  })

  useEventListener(window, 'keydown', event => event.key === 'Escape' && (joinFrom.value = null))
  watch(view.joining, () => (joinFrom.value = null))
  return {
    held,
    middle,
    lit,
    holding,
    joinFrom,
    taker,
    tapPage,
    tapLedge,
    key,
    turn: hands.turn,
    flip: hands.flip,
    shownAs: hands.shownAs,
    toPage,
  }
}

const NOWHERE: readonly PlaceId[] = []
