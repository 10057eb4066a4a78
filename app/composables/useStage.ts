import type { Page } from '~~/core/board/board'
import type { Edition } from '~~/core/board/edition'
import { nanoid } from 'nanoid'
import { binOf, type PieceId, type PlaceId } from '~~/core/board/ids'
import { takes, type Place } from '~~/core/board/place'
import { outline, boxAround, bounds } from '~~/core/geometry/outline'
import type { Point } from '~~/core/geometry/shape'
import { clampPiece, clampToPlace, freeSpot } from '~~/core/placement/freeSpot'
import { shareIn } from '~~/core/placement/claim'
import { snapped } from '~~/core/placement/snap'
import type { Move } from '~~/core/slate/move'
import { piecesOf } from '~~/core/slate/pieces'
import { arrowName, type SlateState } from '~~/core/slate/state'

/** What somebody holds, and how: dragged with a pointer, picked by a tap, or picked up with the keyboard. */
export type Held
  = { way: 'drag', piece: PieceId }
    | { way: 'tap', piece: PieceId }
    | { way: 'key', piece: PieceId, target: PlaceId | 'ledge' | 'here', at: Point | null }

interface Stage {
  edition: () => Edition
  page: () => Page
  state: () => SlateState
  editable: () => boolean
  pageSvg: () => SVGSVGElement | null | undefined
  ledgeElement: () => HTMLElement | null | undefined
  /** Pieces are joined by arrows instead of moved. */
  joining: () => boolean
  make: (move: Move, piece: PieceId, focus: 'piece' | 'next') => void
}

const DRAG_STARTS = 6
/** A card let go a little beside the page was meant for the page. */
const BESIDE = 60
const NUDGE = 8
const QUARTER = 90
const LITTLE = 15

/**
 * The three ways to move a piece: drag, tap and tap, keyboard. All end in the same acts: put it there, shelve it, turn it,
 * flip it, join it. What is taken from a bin is a copy with a name of its own from the moment it is taken.
 */
export function useStage(stage: Stage) {
  const held = shallowRef<Held | null>(null)
  /** Where a dragged piece's middle is on the screen. Apart from what is held, so that only what follows it is drawn anew. */
  const middle = shallowRef<Point>({ x: 0, y: 0 })
  let pressed: { piece: PieceId, start: Point, grip: Point, pointerId: number } | null = null

  /** The first end of an arrow that is being drawn. */
  const joinFrom = shallowRef<PieceId | null>(null)

  const known = (piece: PieceId) => stage.edition().pieces.get(piece)!
  const sizeOf = (piece: PieceId) => known(piece).master
  const put = (piece: PieceId, { x, y }: Point, focus: 'piece' | 'next') => stage.make({ kind: 'put', piece, x, y }, piece, focus)
  const shelve = (piece: PieceId) => {
    if (stage.state().pieces[piece]) stage.make({ kind: 'shelve', piece }, piece, 'piece')
  }
  /** What is taken up when this is pressed: of a bin a new copy. */
  const taken = (piece: PieceId) => known(piece).piece.bin ? `${piece}~${nanoid(8)}` as PieceId : piece
  /** What shows on the stage for a piece: a copy that doesn't lie anywhere yet is still its bin. */
  const shownAs = (piece: PieceId) => stage.state().pieces[piece] ? piece : binOf(piece) ?? piece

  function toPage(client: Point): Point | null {
    const matrix = stage.pageSvg()?.getScreenCTM()
    if (!matrix) return null
    const { x, y } = new DOMPoint(client.x, client.y).matrixTransform(matrix.inverse())
    return { x, y }
  }

  /** The place in which most of the piece would lie; null for none. */
  function placeAt(piece: PieceId, centre: Point): Place | null {
    const box = boxAround(centre, sizeOf(piece))
    let best: Place | null = null
    let most = 0.25
    for (const place of stage.page().places) {
      if (!takes(place, known(piece).piece)) continue
      const share = shareIn(outline(place.shape), box)
      if (share > most) {
        best = place
        most = share
      }
    }
    return best
  }

  function overLedge({ x, y }: Point): boolean {
    const box = stage.ledgeElement()?.getBoundingClientRect()
    return !!box && x >= box.left && x <= box.right && y >= box.top && y <= box.bottom
  }

  function press(event: PointerEvent, piece: PieceId) {
    if (!stage.editable() || event.button !== 0 || pressed) return
    const box = (event.currentTarget as Element).getBoundingClientRect()
    const start = { x: event.clientX, y: event.clientY }
    if (stage.joining() && stage.state().pieces[piece]) return join(piece)
    pressed = { piece: taken(piece), start, grip: gripOn(piece, start, box), pointerId: event.pointerId }
  }

  /** From the middle of the piece to the pointer. What is drawn of a piece on the page may lie to one side of its middle, as a label's tip does. */
  function gripOn(piece: PieceId, pointer: Point, box: DOMRect): Point {
    const [lies, matrix] = [stage.state().pieces[piece], stage.pageSvg()?.getScreenCTM()]
    const middle = lies && matrix ? new DOMPoint(lies.x, lies.y).matrixTransform(matrix) : { x: box.left + box.width / 2, y: box.top + box.height / 2 }
    return { x: pointer.x - middle.x, y: pointer.y - middle.y }
  }

  function drag(event: PointerEvent) {
    if (!pressed || event.pointerId !== pressed.pointerId) return
    const pointer = { x: event.clientX, y: event.clientY }
    const started = held.value?.way === 'drag' || Math.hypot(pointer.x - pressed.start.x, pointer.y - pressed.start.y) >= DRAG_STARTS
    if (!started) return
    event.preventDefault()
    middle.value = { x: pointer.x - pressed.grip.x, y: pointer.y - pressed.grip.y }
    if (held.value?.way !== 'drag') held.value = { way: 'drag', piece: pressed.piece }
  }

  function letGo(event: PointerEvent) {
    if (!pressed || event.pointerId !== pressed.pointerId) return
    const { piece } = pressed
    pressed = null
    const now = held.value
    if (now?.way !== 'drag') return tapPiece(piece, event)
    held.value = null
    if (overLedge({ x: event.clientX, y: event.clientY })) return shelve(piece)
    const centre = toPage(middle.value)
    const { width, height } = stage.page()
    const near = centre && centre.x > -BESIDE && centre.y > -BESIDE && centre.x < width + BESIDE && centre.y < height + BESIDE
    if (near) put(piece, clampPiece(snapped(stage.state(), piece, centre, stage.page(), stage.edition()), sizeOf(piece), stage.page()), 'piece')
  }

  function cancel(event: PointerEvent) {
    if (pressed?.pointerId !== event.pointerId) return
    pressed = null
    if (held.value?.way === 'drag') held.value = null
  }

  /** A tap on a piece picks it; with another already picked, a piece on the page stands for the spot where it lies. */
  function tapPiece(piece: PieceId, event: MouseEvent) {
    if (held.value?.way === 'tap' && held.value.piece !== piece && stage.state().pieces[piece]) return tapPage(event)
    held.value = held.value?.way === 'tap' && shownAs(held.value.piece) === shownAs(piece) ? null : { way: 'tap', piece }
  }

  /** A tap on the page with a piece picked: it goes there, clear of edges and of other pieces where there is room. */
  function tapPage(event: MouseEvent) {
    const now = held.value
    if (now?.way !== 'tap') return
    const point = toPage({ x: event.clientX, y: event.clientY })
    if (!point) return
    held.value = null
    const page = stage.page()
    const place = page.places.find(place => takes(place, known(now.piece).piece) && shareIn(outline(place.shape), { x: point.x - 0.5, y: point.y - 0.5, width: 1, height: 1 }) > 0.5)
    if (!place) return put(now.piece, clampPiece(point, sizeOf(now.piece), page), 'piece')
    const spot = clampToPlace(point, sizeOf(now.piece), place)
    put(now.piece, clearOfOthers(now.piece, spot) ? spot : freeSpot(stage.state(), now.piece, place, page, stage.edition()), 'piece')
  }

  function clearOfOthers(piece: PieceId, spot: Point): boolean {
    const box = boxAround(spot, sizeOf(piece))
    return piecesOf(stage.state(), stage.page(), stage.edition()).every((other) => {
      const at = stage.state().pieces[other.id]
      return other.id === piece || !at || shareIn(outline({ kind: 'rectangle', ...boxAround(at, sizeOf(other.id)) }), box) === 0
    })
  }

  function tapLedge() {
    const now = held.value
    if (now?.way !== 'tap') return
    held.value = null
    shelve(now.piece)
  }

  /** Places that take the piece, from left to right and from top to bottom, then the ledge. */
  function targets(piece: PieceId): (PlaceId | 'ledge')[] {
    const boxes = stage.page().places.filter(place => takes(place, known(piece).piece)).map(place => ({ id: place.id, box: bounds(outline(place.shape)) }))
    boxes.sort((a, b) => Math.abs(a.box.y - b.box.y) > 40 ? a.box.y - b.box.y : a.box.x - b.box.x)
    return [...boxes.map(b => b.id), 'ledge']
  }

  function spotFor(piece: PieceId, target: PlaceId | 'ledge'): Point | null {
    const place = stage.page().places.find(({ id }) => id === target)
    return place ? freeSpot(stage.state(), piece, place, stage.page(), stage.edition()) : null
  }

  function pickUp(from: PieceId) {
    const piece = taken(from)
    const at = stage.state().pieces[piece]
    const first = targets(piece)[0]!
    held.value = at
      ? { way: 'key', piece, target: 'here', at: { x: at.x, y: at.y } }
      : { way: 'key', piece, target: first, at: spotFor(piece, first) }
  }

  function key(event: KeyboardEvent, piece: PieceId) {
    if (!stage.editable()) return
    const now = held.value
    if (now?.way !== 'key' || shownAs(now.piece) !== piece) {
      if (event.key !== 'Enter' && event.key !== ' ') return
      event.preventDefault()
      return stage.joining() && stage.state().pieces[piece] ? join(piece) : pickUp(piece)
    }
    const arrow = ARROWS[event.key]
    if (arrow) {
      event.preventDefault()
      held.value = event.shiftKey ? nudged(now, arrow) : turned(now, arrow.x + arrow.y)
    }
    else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      held.value = null
      if (now.at) put(now.piece, now.target === 'here' ? snapped(stage.state(), now.piece, now.at, stage.page(), stage.edition()) : now.at, stage.state().pieces[now.piece] ? 'piece' : 'next')
      else shelve(now.piece)
    }
    else if (event.key === '.') turn(now.piece, QUARTER)
    else if (event.key === ',') turn(now.piece, LITTLE)
    else if (event.key.toLowerCase() === 'f') flip(now.piece)
    else if (event.key === 'Escape' || event.key === 'Tab') {
      held.value = null
    }
  }

  function turned(now: Extract<Held, { way: 'key' }>, by: number): Held {
    const all = targets(now.piece)
    const index = now.target === 'here' ? (by > 0 ? -1 : 0) : all.indexOf(now.target)
    const target = all[(index + by + all.length) % all.length]!
    return { ...now, target, at: spotFor(now.piece, target) }
  }

  /** By so many degrees, where the board lets it turn. */
  function turn(piece: PieceId, by: number) {
    const lies = stage.state().pieces[piece]
    if (lies && known(piece).piece.turns) stage.make({ kind: 'turn', piece, turn: ((lies.turn ?? 0) + by) % 360, flipped: lies.flipped ?? false }, piece, 'piece')
  }

  /** Onto its other side, where it has one. */
  function flip(piece: PieceId) {
    const lies = stage.state().pieces[piece]
    const { piece: it } = known(piece)
    if (lies && it.kind === 'tile' && it.other) stage.make({ kind: 'turn', piece, turn: lies.turn ?? 0, flipped: !lies.flipped }, piece, 'piece')
  }

  /** The first piece is where an arrow starts, the second where it ends; an arrow that is there already goes. */
  function join(piece: PieceId) {
    const from = joinFrom.value
    joinFrom.value = from === null ? piece : null
    if (from === null || from === piece) return
    const there = stage.state().arrows[arrowName(from, piece)]
    stage.make({ kind: there ? 'disconnect' : 'connect', from, to: piece }, piece, 'piece')
  }

  function nudged(now: Extract<Held, { way: 'key' }>, arrow: Point): Held {
    if (!now.at) return now
    const at = clampPiece({ x: now.at.x + arrow.x * NUDGE, y: now.at.y + arrow.y * NUDGE }, sizeOf(now.piece), stage.page())
    return { ...now, target: 'here', at }
  }

  /** Which place is lit as the one that the piece would come to lie in. */
  const lit = computed<PlaceId | null>(() => {
    const now = held.value
    if (!now || now.way === 'tap') return null
    const centre = now.way === 'drag' ? toPage(middle.value) : now.at
    return centre ? placeAt(now.piece, centre)?.id ?? null : null
  })

  // A piece that is picked by a tap is let be by Escape, wherever the focus is.
  useEventListener(window, 'keydown', (event) => {
    if (event.key !== 'Escape') return
    joinFrom.value = null
    if (held.value?.way === 'tap') held.value = null
  })
  useEventListener(window, 'pointermove', drag, { passive: false })
  useEventListener(window, 'pointerup', letGo)
  useEventListener(window, 'pointercancel', cancel)
  watch(stage.joining, () => joinFrom.value = null)
  return { held, middle, lit, joinFrom, press, tapPage, tapLedge, key, turn, flip, toPage }
}

const ARROWS: Record<string, Point> = { ArrowLeft: { x: -1, y: 0 }, ArrowRight: { x: 1, y: 0 }, ArrowUp: { x: 0, y: -1 }, ArrowDown: { x: 0, y: 1 } }
