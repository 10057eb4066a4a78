import type { Board, Page } from '../board/board'
import type { PageId, PieceId } from '../board/ids'
import { PLACE_TRAITS } from '../board/placeTraits'
import { FIXED_LISTS, withFixed, type FixedIn, type FixedList } from '../board/fixed'
import { withoutFigure, withoutPlace } from '../keys/key'
import { boxOf } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import { heldOn, moveAll, type Boxes } from '../layout/arrange'
import { HANDLING, handled, type FixedKind } from './fixed'
import { withFollowingLines } from './followers'
import { requirePage, withPage } from './lookup'
import { takeOffPage } from './pieces'
import { placeIn } from './places'

/** What the hands of the workbench can catch: only what belongs to the open station. */
export type Layer = 'backdrop' | 'places' | 'pieces'
export interface Item {
  readonly id: string
  readonly kind: FixedKind | 'place' | 'step' | 'piece'
  readonly box: Box
  /** A piece has its master's size. */
  readonly resizes: boolean
  readonly keepsShape: boolean
  readonly smallest: Size
}

/** Everything that hands can catch on a page, whichever station is open. */
export const allItemsOf = (board: Board, pageId: PageId): Item[] =>
  (['backdrop', 'places', 'pieces'] as const).flatMap(layer => itemsOf(board, pageId, layer))

/** What stands on a layer of the page, from the back to the front. */
export function itemsOf(board: Board, pageId: PageId, layer: Layer): Item[] {
  const page = requirePage(board, pageId)
  switch (layer) {
    case 'backdrop':
      return FIXED_LISTS.flatMap(list => fixedItems(page, list))
    case 'places':
      return [
        ...(page.steps ?? []).map((s): Item => ({ ...whole(s.id, 'step', s), smallest: { width: 96, height: 72 } })),
        ...page.places.map((p): Item => ({
          ...whole(p.id, 'place', boxOf(p)),
          keepsShape: p.kind === 'pin',
          smallest: PLACE_TRAITS[p.kind].smallest,
        })),
      ]
    case 'pieces':
      return stagedItems(board, page)
  }
}

function fixedItems<L extends FixedList>(page: Page, list: L): Item[] {
  const { kind, boxOf: boxed, keepsShape, smallest } = HANDLING[list]
  return ((page.backdrop[list] as readonly FixedIn<L>[] | undefined) ?? []).map(thing => ({
    ...whole(thing.id, kind, boxed(thing)),
    keepsShape,
    smallest,
  }))
}

const whole = (id: string, kind: Item['kind'], { x, y, width, height }: Box): Item => ({
  id,
  kind,
  box: { x, y, width, height },
  resizes: true,
  keepsShape: false,
  smallest: { width: 12, height: 12 },
})

function stagedItems(board: Board, page: Page): Item[] {
  const masters = new Map(board.masters.map(m => [m.id, m]))
  return page.pieces.flatMap(piece => {
    const at = page.staged?.[piece.id]
    const { width, height } = around(masters.get(piece.master)!, at?.turn ?? 0)
    return at
      ? [{ ...whole(piece.id, 'piece', { x: at.x - width / 2, y: at.y - height / 2, width, height }), resizes: false }]
      : []
  })
}

/** The size of the box around something that lies aslant. */
function around({ width, height }: Size, degrees: number): Size {
  const [cos, sin] = [Math.abs(Math.cos((degrees * Math.PI) / 180)), Math.abs(Math.sin((degrees * Math.PI) / 180))]
  return { width: width * cos + height * sin, height: width * sin + height * cos }
}

/**
 * New boxes for some of what stands on the page, of whatever layer; each held on the page and no smaller than it may
 * be.
 */
export function setBoxes(board: Board, pageId: PageId, boxes: Boxes): Board {
  return withPage(board, pageId, page => {
    const items = new Map(allItemsOf(board, pageId).map(item => [item.id, item]))
    const held = new Map(
      [...boxes].flatMap(([id, box]) =>
        items.has(id) ? [[id, fitted(page, box, items.get(id)!.smallest)] as const] : [],
      ),
    )
    return withFollowingLines(page, boxed(page, held), id => held.has(id))
  })
}

function fitted(page: Size, box: Box, smallest: Size): Box {
  const within = (size: number, least: number, most: number) => Math.min(Math.max(size, least), most)
  return heldOn(page, {
    ...box,
    width: within(box.width, smallest.width, page.width),
    height: within(box.height, smallest.height, page.height),
  })
}

/** The page with these things in these boxes. */
export function boxed(page: Page, boxes: Boxes): Page {
  const to = <T extends { id: string }>(thing: T, change: (thing: T, box: Box) => T): T =>
    boxes.has(thing.id) ? change(thing, boxes.get(thing.id)!) : thing
  return {
    ...page,
    backdrop: handled(page.backdrop, boxes, (handling, thing) => handling.inBox(thing, boxes.get(thing.id)!)),
    places: page.places.map(p => to(p, placeIn)),
    ...(page.steps && { steps: page.steps.map(s => to(s, (step, box) => ({ ...step, ...box }))) }),
    ...(page.staged && {
      staged: Object.fromEntries(
        Object.entries(page.staged).map(([id, at]) => {
          const box = boxes.get(id)
          return [id, box ? { ...at, x: box.x + box.width / 2, y: box.y + box.height / 2 } : at]
        }),
      ),
    }),
  }
}

/** The ids and all that moves with them: the rest of their groups. */
export function grouped(page: Page, ids: Iterable<string>): Set<string> {
  const all = new Set(ids)
  for (const group of page.groups ?? []) if (group.some(id => all.has(id))) group.forEach(id => all.add(id))
  return all
}

/** From now on these move together. Whoever was in another group leaves it. Fewer than two: nothing changes. */
export function group(board: Board, pageId: PageId, ids: readonly string[]): Board {
  return ids.length < 2
    ? board
    : withPage(board, pageId, page => withGroups(page, [...without(page.groups, new Set(ids)), [...ids]]))
}

export function ungroup(board: Board, pageId: PageId, ids: readonly string[]): Board {
  return withPage(board, pageId, page =>
    withGroups(
      page,
      (page.groups ?? []).filter(members => !members.some(id => ids.includes(id))),
    ),
  )
}

const without = (groups: Page['groups'], ids: ReadonlySet<string>) =>
  (groups ?? []).map(members => members.filter(id => !ids.has(id))).filter(members => members.length > 1)

function withGroups({ groups: _, ...page }: Page, groups: string[][]): Page {
  return groups.length ? { ...page, groups } : page
}

/** What moves when these are moved: they themselves, and with a step all that stands in its part of the page. */
export function movingWith(board: Board, pageId: PageId, ids: Iterable<string>): Map<string, Box> {
  const page = requirePage(board, pageId)
  const items = allItemsOf(board, pageId)
  const moving = new Set(ids)
  for (const step of page.steps ?? [])
    if (moving.has(step.id))
      items.filter(item => item.kind !== 'step' && middleIn(item.box, step)).forEach(item => moving.add(item.id))
  return new Map(items.filter(item => moving.has(item.id)).map(item => [item.id, item.box]))
}

/** Moves things by the same way, as far as the page allows. */
export function moveItems({
  board,
  pageId,
  ids,
  dx,
  dy,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly ids: Iterable<string>
  readonly dx: number
  readonly dy: number
}): Board {
  const boxes = movingWith(board, pageId, ids)
  return withPage(board, pageId, p => withFollowingLines(p, boxed(p, moveAll(boxes, dx, dy, p)), id => boxes.has(id)))
}

function middleIn({ x, y, width, height }: Box, room: Box): boolean {
  const [cx, cy] = [x + width / 2, y + height / 2]
  return cx >= room.x && cx <= room.x + room.width && cy >= room.y && cy <= room.y + room.height
}

/**
 * They go, and with places and figures every answer that named them. A piece only leaves the page, and stands on the
 * ledge again.
 */
export function removeItems(board: Board, pageId: PageId, ids: ReadonlySet<string>): Board {
  const page = requirePage(board, pageId)
  const places = page.places.filter(p => ids.has(p.id)).map(p => p.id)
  const figures = (page.backdrop.figures ?? []).filter(f => ids.has(f.id)).map(f => f.id)
  const stays = <T extends { id: string }>(things: readonly T[]) => things.filter(thing => !ids.has(thing.id))
  const left = withPage(board, pageId, p =>
    withGroups(
      {
        ...p,
        places: stays(p.places),
        backdrop: withFixed(p.backdrop, stays),
        ...(p.steps && { steps: stays(p.steps) }),
      },
      without(p.groups, ids),
    ),
  )
  const keys = left.keys.flatMap(key => {
    const first = places.reduce<typeof key | null>((rest, place) => rest && withoutPlace(rest, place), key)
    return figures.reduce((rest, figure) => rest && withoutFigure(rest, figure), first) ?? []
  })
  return takeOffPage({ ...left, keys }, pageId, [...ids] as PieceId[])
}

/** To the front or to the back of their own kind, in the order in which they lie there. */
export function bringTo(board: Board, pageId: PageId, ids: ReadonlySet<string>, end: 'front' | 'back'): Board {
  const order = <T extends { id: string }>(things: readonly T[]): T[] => {
    const [chosen, rest] = [things.filter(t => ids.has(t.id)), things.filter(t => !ids.has(t.id))]
    return end === 'front' ? [...rest, ...chosen] : [...chosen, ...rest]
  }
  return withPage(board, pageId, page => ({
    ...page,
    places: order(page.places),
    backdrop: withFixed(page.backdrop, order),
  }))
}

/**
 * Everything on the page moved and, where it is larger than the page, made smaller, so that nothing stands off it.
 * Pictures keep their proportions.
 */
export function onToPage(page: Page, board: Board): Page {
  const alone = { ...board, pages: [page] }
  const boxes = allItemsOf(alone, page.id).map(
    item => [item.id, fitted(page, item.keepsShape ? inProportion(item.box, page) : item.box, item.smallest)] as const,
  )
  return boxed(page, new Map(boxes))
}
/** About the same middle, no larger than the page on either side. */
function inProportion({ x, y, width, height }: Box, page: Size): Box {
  const by = Math.min(1, page.width / width, page.height / height)
  return { x: x + (width * (1 - by)) / 2, y: y + (height * (1 - by)) / 2, width: width * by, height: height * by }
}
