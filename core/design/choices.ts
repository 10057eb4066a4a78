import type { Figure } from '../board/backdrop'
import type { Board, Page } from '../board/board'
import type { FigureId, KeyId, PageId, PlaceId } from '../board/ids'
import type { Drawing } from '../board/place'
import { boxOf } from '../geometry/outline'
import type { Box } from '../geometry/shape'
import { keysOn, type Key } from '../keys/key'
import { around } from '../layout/arrange'
import { keepKeys } from './answers'
import { withPage } from './lookup'

/** Points between the choices of a question and the edge of the space in which they are ringed. */
const MARGIN = 16
const SMALLEST = 12
const TEXT_SIZE = 20

/** A shape that isn't seen: it says where something printed is, such as a choice of a worksheet. */
export const isOutline = ({ line, fill, text }: Figure) => line === null && fill === null && !text.trim()

/**
 * An outline round one printed choice of a question. The question's drawing space, made with its first choice, grows as
 * far as it must to hold it; a key that it has already knows of the new choice. A box that is too small to be meant is
 * made as small as can be; what reaches beyond the page is cut off.
 */
export function addChoice({
  board,
  pageId,
  place,
  figure,
  box,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly place: PlaceId
  readonly figure: FigureId
  readonly box: Box
}): Board {
  const added = withPage(board, pageId, page => {
    const choice = onPage(page, {
      ...box,
      width: Math.max(SMALLEST, box.width),
      height: Math.max(SMALLEST, box.height),
    })
    const room = onPage(page, {
      x: choice.x - MARGIN,
      y: choice.y - MARGIN,
      width: choice.width + 2 * MARGIN,
      height: choice.height + 2 * MARGIN,
    })
    const former = page.places.find((p): p is Drawing => p.id === place && p.kind === 'drawing')
    const shape = { kind: 'rectangle' as const, ...(former ? around([boxOf(former), room]) : room) }
    const space: Drawing = former ? { ...former, shape } : { kind: 'drawing', id: place, heading: '', shape }
    const outline: Figure = {
      id: figure,
      shape: { kind: 'rectangle', ...choice },
      line: null,
      fill: null,
      text: '',
      textSize: TEXT_SIZE,
    }
    return {
      ...page,
      places: former ? page.places.map(p => (p === former ? space : p)) : [...page.places, space],
      backdrop: { ...page.backdrop, figures: [...(page.backdrop.figures ?? []), outline] },
    }
  })
  return {
    ...added,
    keys: added.keys.map(key =>
      key.kind === 'ink' && key.place === place && key.task.what === 'circle'
        ? { ...key, task: { ...key.task, figures: [...key.task.figures, figure] } }
        : key,
    ),
  }
}

function onPage(page: Page, box: Box): Box {
  const [left, top] = [Math.max(0, box.x), Math.max(0, box.y)]
  const [right, foot] = [Math.min(page.width, box.x + box.width), Math.min(page.height, box.y + box.height)]
  return { x: left, y: top, width: Math.max(SMALLEST, right - left), height: Math.max(SMALLEST, foot - top) }
}

/** What can be ringed in a drawing space: the fixed shapes whose middle is in it, in the order they were made in. */
export function choicesIn(page: Page, space: Drawing): Figure[] {
  const { x, y, width, height } = boxOf(space)
  return (page.backdrop.figures ?? []).filter(figure => {
    const box = boxOf(figure)
    const [middleX, middleY] = [box.x + box.width / 2, box.y + box.height / 2]
    return middleX >= x && middleX <= x + width && middleY >= y && middleY <= y + height
  })
}

/**
 * The board with these choices as the ones to ring in a drawing space; with none the space is asked no more. Keys for
 * other drawing spaces stay.
 */
export function withRightChoices({
  board,
  page,
  space,
  answers,
  newId,
}: {
  readonly board: Board
  readonly page: Page
  readonly space: Drawing
  readonly answers: readonly FigureId[]
  readonly newId: () => KeyId
}): Board {
  const former = keysOn(board.keys, page.id, 'ink')
  const others = former.filter(key => key.place !== space.id)
  if (answers.length === 0) return keepKeys(board, page.id, 'ink', others)
  const key: Key = {
    kind: 'ink',
    id: former.find(one => one.place === space.id)?.id ?? newId(),
    page: page.id,
    place: space.id,
    task: { what: 'circle', figures: choicesIn(page, space).map(figure => figure.id), answers: [...answers] },
  }
  return keepKeys(board, page.id, 'ink', [...others, key])
}
