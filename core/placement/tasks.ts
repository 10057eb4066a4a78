import type { Page, Step } from '../board/board'
import { binOf } from '../board/binOf'
import type { Edition } from '../board/edition'
import type { PageId, PieceId, PlaceId, StepId } from '../board/ids'
import type { Place } from '../board/place'
import { PLACE_TRAITS } from '../board/placeTraits'
import { gapsIn, takes } from '../board/whatPlacesTake'
import { outlined } from '../geometry/outline'
import { arrowsOf, type SlateState } from '../slate/state'
import { inkIn } from './ink'
import { placesWithOwn } from './ownIn'
import { placePieces, type Placement } from './placement'
import { isStaged } from './staged'

/** One of the things that wait for a student: a piece to be placed, or a place to be filled. */
export interface Task {
  readonly page: PageId
  /** The activity in whose part of the page it stands, or that needs the piece; null where that is none. */
  readonly step: StepId | null
  /** A piece, a place, or a gap ("place:gap"). */
  readonly item: PieceId | string
  readonly is: 'piece' | 'space'
  readonly done: boolean
}

/**
 * All that waits for a student, page by page. Done are pieces that lie in a place, or may do; writing spaces and gaps
 * with something in them; drawing spaces with ink, by whatever pen; and any of these with a picture, or something else
 * of the student's own, over it. Notes may stay blank. Where students draw arrows, a
 * piece with an arrow is done too; on a page without any place for pieces every piece is that lies elsewhere than it
 * was given out. Bins never run out, so where there are any, each place that can hold pieces counts instead of the
 * copies. Pages to read hold no tasks.
 */
export function tasksOf(state: SlateState, edition: Edition): Task[] {
  const joined = new Set(arrowsOf(state).flat())
  return edition.board.pages
    .filter(page => !page.reading)
    .flatMap(page => {
      const placements = placePieces(state, page, edition)
      const holding = new Set(placements.flatMap(p => p.shares.map(s => s.place)))
      const bins = page.pieces.some(piece => piece.bin)
      const roomy = page.places.some(place => takes(place, { kind: 'card' }))
      const isDone = (p: Placement) =>
        p.shares.length > 0 || joined.has(p.piece) || (!roomy && p.at === 'page' && !isStaged(p, page, state))
      const own = placesWithOwn(state, page)
      const isFilled = (place: Place, item: string) => {
        if (place.kind !== 'gaps' && own.has(place.id)) return true
        if (place.kind === 'drawing') return inkIn(state, place.id, page).length > 0
        return place.kind === 'writing' || place.kind === 'gaps' ? !!state.texts[item]?.trim() : holding.has(place.id)
      }
      return [
        ...placements
          .filter(p => binOf(p.piece) === null && edition.pieces.get(p.piece)?.piece.kind !== 'note')
          .map((p): Task => ({
            page: page.id,
            step: page.steps?.find(step => step.pieces?.includes(p.piece))?.id ?? null,
            item: p.piece,
            is: 'piece',
            done: isDone(p),
          })),
        ...page.places.flatMap(place =>
          toFill(place, bins).map((item): Task => ({
            page: page.id,
            step: stepAround(place, page)?.id ?? null,
            item,
            is: 'space',
            done: isFilled(place, item),
          })),
        ),
      ]
    })
}

/** How much of it is done. */
export function progress(state: SlateState, edition: Edition): { placed: number; of: number } {
  const tasks = tasksOf(state, edition)
  return { placed: tasks.filter(task => task.done).length, of: tasks.length }
}

/** What is still to do on one page, or in one of its activities. */
export interface Left {
  readonly page: number
  readonly step: StepId | null
  readonly pieces: readonly PieceId[]
  readonly spaces: readonly string[]
}

/**
 * All that is still to do, in the order of the pages (counted from 0) and of their activities; pages without any are
 * left out.
 */
export function leftToDo(state: SlateState, edition: Edition): Left[] {
  const left = tasksOf(state, edition).filter(task => !task.done)
  return edition.board.pages.flatMap((page, at) =>
    [null, ...(page.steps ?? []).map(step => step.id)].flatMap(step => {
      const here = left.filter(task => task.page === page.id && task.step === step)
      const of = (is: Task['is']) => here.filter(task => task.is === is).map(task => task.item)
      return here.length ? [{ page: at, step, pieces: of('piece') as PieceId[], spaces: of('space') }] : []
    }),
  )
}

/**
 * The activities of a page that are done: all that waits in their part is, and every place there that takes pieces
 * holds one.
 * An activity without anything to do in its part, as one that is only to be read, is never said to be done.
 */
export function stepsDone(state: SlateState, edition: Edition, page: Page): Set<StepId> {
  const tasks = tasksOf(state, edition).filter(task => task.page === page.id && task.step !== null)
  const holding = new Set(placePieces(state, page, edition).flatMap(p => p.shares.map(share => share.place)))
  const own = placesWithOwn(state, page)
  const places = page.places
    .filter(place => takes(place, { kind: 'card' }))
    .map(place => ({ step: stepAround(place, page)?.id ?? null, full: holding.has(place.id) || own.has(place.id) }))
  return new Set(
    (page.steps ?? [])
      .map(step => step.id)
      .filter(id => {
        const here = [
          ...tasks.filter(task => task.step === id).map(task => task.done),
          ...places.filter(place => place.step === id).map(place => place.full),
        ]
        return here.length > 0 && here.every(Boolean)
      }),
  )
}

/** The first activity in whose part of the page the middle of the place is. */
export function stepAround(place: Place, page: Page): Step | undefined {
  const { x, y, width, height } = outlined(place.shape).box
  const [middleX, middleY] = [x + width / 2, y + height / 2]
  return page.steps?.find(
    step => middleX >= step.x && middleY >= step.y && middleX <= step.x + step.width && middleY <= step.y + step.height,
  )
}

/** What of a place waits for a student, apart from the pieces. */
function toFill(place: Place, bins: boolean): (PlaceId | string)[] {
  if (place.kind === 'gaps')
    return place.typed ? Array.from({ length: gapsIn(place.text) }, (_, i) => `${place.id}:${i}`) : []
  switch (PLACE_TRAITS[place.kind].takes) {
    case 'words':
    case 'ink':
      return [place.id]
    case 'pieces':
      return bins ? [place.id] : []
    case 'tips':
    case 'words-or-pieces':
      return []
  }
}
