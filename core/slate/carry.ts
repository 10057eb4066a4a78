import type { Edition } from '../board/edition'
import type { PieceId } from '../board/ids'
import { thingName } from './hands'
import { withoutStale } from './texts'
import { hintsOf } from './moves/hint'
import { refusalToConnect } from './moves/connect'
import { tidied } from './moves/position'
import { bare } from './moves/own'
import { refusalToWrite } from './moves/write'
import { mayLieSo } from './limits'
import { ownMoved, type OwnOnSlate } from './own'
import { startOf, type OnPage, type SlateState } from './state'

/**
 * What becomes of work when another edition is laid under it. *shelved*: the piece stands on another page now, and
 * waits on its ledge. *moved*: it would lie off the page. *straightened*: it may no longer be turned or flipped so.
 */
export const CARRY_CHANGES = [
  'piece-gone',
  'piece-shelved',
  'piece-moved',
  'piece-straightened',
  'piece-added',
  'text-gone',
  'ink-gone',
  'arrow-gone',
  'own-gone',
] as const
export interface CarryChange {
  readonly what: (typeof CARRY_CHANGES)[number]
  readonly item: string
}

/**
 * A slate as it is when it goes from one edition to another, and what that changes for the student, told before it is
 * done. What the new edition knows stays where it was: positions are centres, so sizes may change. What it doesn't know
 * is passed over; the moves that made it stay in the history. Never refuses; the same edition changes nothing.
 */
export function carry(
  state: SlateState,
  from: Edition,
  to: Edition,
): { readonly state: SlateState; readonly changes: readonly CarryChange[] } {
  const changes: CarryChange[] = []
  const note = (what: CarryChange['what'], item: string) => void changes.push({ what, item })

  const pieces: Record<PieceId, OnPage> = {}
  for (const [id, at] of Object.entries(state.pieces) as [PieceId, OnPage][]) {
    const known = to.pieces.get(id)
    if (!known || known.piece.bin) note('piece-gone', id)
    else if (from.pieces.get(id) && from.pieces.get(id)!.page.id !== known.page.id) note('piece-shelved', id)
    else {
      const given = known.piece.turns ? undefined : known.page.staged?.[id]?.turn
      const straight = mayLieSo(id, at, to) ? at : tidied({ x: at.x, y: at.y, z: at.z, turn: given })
      const [x, y] = [clamped(at.x, known.page.width), clamped(at.y, known.page.height)]
      if (straight !== at) note('piece-straightened', id)
      if (x !== at.x || y !== at.y) note('piece-moved', id)
      pieces[id] = x === at.x && y === at.y ? straight : { ...straight, x, y }
    }
  }
  for (const [id, at] of Object.entries(startOf(to).pieces) as [PieceId, OnPage][]) {
    if (from.pieces.get(id) || pieces[id]) continue
    note('piece-added', id)
    pieces[id] = at
  }
  const kept = <T>(
    all: { readonly [name: string]: T },
    stays: (name: string, thing: T) => boolean,
    gone: CarryChange['what'],
  ) => Object.fromEntries(Object.entries(all).filter(([name, thing]) => stays(name, thing) || note(gone, name)))
  const texts = kept(state.texts, item => refusalToWrite(to, item) === null, 'text-gone')
  const strokes = kept(state.strokes, (_, { place }) => to.places.get(place)?.place.kind === 'drawing', 'ink-gone')
  const arrows = kept(
    state.arrows,
    name => {
      const [start, end] = name.split('>') as [PieceId, PieceId]
      return refusalToConnect(to, start, end) === null
    },
    'arrow-gone',
  )
  const hints = Object.fromEntries(
    Object.entries(state.hints).flatMap(([of, number]) =>
      hintsOf(to, of).length ? [[of, Math.min(number, hintsOf(to, of).length)]] : [],
    ),
  )
  // What was made stays, though its tool is given no more; it goes only with its page or its place, and keeps on the
  // page.
  const own = kept(
    Object.fromEntries(Object.entries(state.own).map(([id, thing]) => [id, onItsPage(thing, to)])),
    (_, thing) => (thing.kind === 'colour' ? to.places.get(thing.place)?.page.id === thing.page : hasPage(to, thing)),
    'own-gone',
  )
  const gone = changes.flatMap(({ what, item }) =>
    what === 'text-gone' || what === 'own-gone' ? [thingName(what === 'text-gone' ? 'text' : 'own', item)] : [],
  )
  return { state: withoutStale({ ...state, pieces, texts, strokes, arrows, own, hints }, gone), changes }
}

const hasPage = (edition: Edition, { page }: OwnOnSlate) => edition.board.pages.some(one => one.id === page)
function onItsPage(thing: OwnOnSlate, edition: Edition): OwnOnSlate {
  const page = edition.board.pages.find(one => one.id === thing.page)
  return page ? { ...thing, ...ownMoved(bare(thing), 0, 0, page) } : thing
}

const clamped = (at: number, most: number) => Math.min(Math.max(at, 0), most)
