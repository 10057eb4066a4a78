import { pageWithout } from '../board/pagePieces'
import type { Board, Page } from '../board/board'
import type { MasterId, PageId } from '../board/ids'
import { fixedOn, withFixed, withFixedOf } from '../board/fixed'
import { referencesOf } from '../keys/key'
import { renamed, type Sheet } from '../board/rename'
import { moveAll } from '../layout/arrange'
import { allItemsOf, boxed, movingWith, onToPage, removeItems } from './items'
import { requirePage, withPage } from './lookup'
import { removePieces } from './pieces'
import { sheetOf } from './sheet'
import { adopted } from './styles'

/**
 * These, and with a step the whole activity: all that stands in its part of the page, and from the ledge the pieces of
 * every answer that asks about nothing else. Pieces on the ledge that no answer names stay where they are.
 */
export function activityOf(board: Board, pageId: PageId, ids: ReadonlySet<string>): Set<string> {
  const page = requirePage(board, pageId)
  if (!page.steps?.some(step => ids.has(step.id))) return new Set(ids)
  const all = new Set([...ids, ...movingWith(board, pageId, ids).keys()])
  const onLedge = new Set<string>(page.ledge)
  for (const key of board.keys) {
    const { pieces, places, figures } = referencesOf(key)
    const asked = [...places, ...figures]
    const named = pieces.filter(id => !onLedge.has(id))
    if (asked.length + named.length > 0 && [...asked, ...named].every(id => all.has(id)))
      pieces.forEach(id => all.add(id))
  }
  return all
}

/**
 * A part of a page that can stand on any board: things of the backdrop, places, steps, and pieces, with the keys that
 * name nothing else.
 */
export function clipOf(board: Board, pageId: PageId, ids: ReadonlySet<string>): Sheet {
  const sheet = sheetOf(board, pageId)
  const chosen = <T extends { id: string }>(things: readonly T[]) => things.filter(thing => ids.has(thing.id))
  const left = new Set<string>(sheet.page.pieces.map(piece => piece.id).filter(id => !ids.has(id)))
  const page = pageWithout(sheet.page, left)
  const used = new Set(page.pieces.map(p => p.master))
  const kept: Page = {
    ...page,
    backdrop: withFixed(page.backdrop, chosen),
    places: chosen(page.places),
    steps: chosen(page.steps ?? []),
    groups: (page.groups ?? []).filter(members => members.every(id => ids.has(id))),
  }
  const keys = sheet.keys.filter(key => {
    const { pieces: p, places, figures } = referencesOf(key)
    return [...p, ...places, ...figures].every(id => ids.has(id)) && p.length + places.length + figures.length > 0
  })
  return { page: kept, masters: sheet.masters.filter(m => used.has(m.id)), keys }
}

/** A part laid on a page under new ids, moved by so much; its new ids are given too. */
export function pasteClip({
  board,
  pageId,
  clip,
  by,
  fresh,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly clip: Sheet
  readonly by: { dx: number; dy: number }
  readonly fresh: () => string
}): { board: Board; ids: string[] } {
  const {
    masters,
    sheet: { page, keys },
  } = adopted(board.masters, renamed(clip, fresh), () => fresh() as MasterId)
  const ids = [...fixedOn(page.backdrop), ...page.places, ...(page.steps ?? []), ...page.pieces].map(
    thing => thing.id as string,
  )
  const joined = <T>(a: readonly T[] | undefined, b: readonly T[] | undefined) => [...(a ?? []), ...(b ?? [])]
  const pasted = withPage({ ...board, masters: [...masters] }, pageId, p => ({
    ...p,
    backdrop: withFixedOf(p.backdrop, page.backdrop),
    places: joined(p.places, page.places),
    pieces: joined(p.pieces, page.pieces),
    ledge: joined(p.ledge, page.ledge),
    staged: { ...p.staged, ...page.staged },
    steps: joined(p.steps, page.steps),
    groups: joined(p.groups, page.groups),
  }))
  const withKeys = { ...pasted, keys: [...pasted.keys, ...keys.map(key => ({ ...key, page: pageId }))] }
  // What comes from a larger page is brought onto this one, each by itself. What stood here before stays, in a pasted
  // step's part of the page too.
  const fitting = withPage(withKeys, pageId, room => onToPage(room, withKeys))
  const laid = new Set(ids)
  const boxes = new Map(
    allItemsOf(fitting, pageId).flatMap(item => (laid.has(item.id) ? [[item.id, item.box] as const] : [])),
  )
  return { board: withPage(fitting, pageId, room => boxed(room, moveAll(boxes, by.dx, by.dy, room))), ids }
}

/** The same again, and again, each a step further along a line; on a full page fewer. */
export function repeatItems({
  board,
  pageId,
  ids,
  by,
  times,
  fresh,
}: {
  readonly board: Board
  readonly pageId: PageId
  readonly ids: ReadonlySet<string>
  readonly by: { dx: number; dy: number }
  readonly times: number
  readonly fresh: () => string
}): { board: Board; ids: string[] } {
  const clip = clipOf(board, pageId, ids)
  let all: string[] = []
  let now = board
  for (let n = 1; n <= times; n++) {
    const next = pasteClip({ board: now, pageId, clip, by: { dx: by.dx * n, dy: by.dy * n }, fresh })
    now = next.board
    all = [...all, ...next.ids]
  }
  return { board: now, ids: all }
}

/**
 * These go from the board, pieces too; only pieces that an answer about something else names stand on the ledge again.
 */
export function cutItems(board: Board, pageId: PageId, ids: ReadonlySet<string>): Board {
  const left = removeItems(board, pageId, ids)
  const named = new Set<string>(left.keys.flatMap(key => referencesOf(key).pieces))
  return removePieces(
    left,
    pageId,
    new Set(requirePage(left, pageId).pieces.flatMap(({ id }) => (ids.has(id) && !named.has(id) ? [id] : []))),
  )
}

/**
 * The board with this one thing on the page and nothing else, so that it can be tried in another size at little cost.
 * Steps stay, since their numbers come from those before them.
 */
export function alone(board: Board, pageId: PageId, id: string): Board {
  const { page } = clipOf(board, pageId, new Set([id]))
  const { steps } = requirePage(board, pageId)
  return { ...board, masters: [], keys: [], pages: [{ ...page, groups: [], ...(steps && { steps }) }] }
}
