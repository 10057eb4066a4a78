import type { Edition } from '../board/edition'
import type { FigureId, PieceId, PlaceId } from '../board/ids'
import { pieceName } from '../board/pieceName'
import { decisionName } from '../keys/mark'
import type { ItemMark, KeyMark, Verdict } from '../keys/outcome'
import type { SlateStatus } from '../slate/status'

/** One slate with what came of it. Moments are ISO 8601. */
export interface SlateResult {
  readonly name: string
  readonly status: SlateStatus
  readonly handedInAt: string | null
  readonly edition: Edition
  /** With the teacher's word over them. */
  readonly keys: readonly KeyMark[]
  /** What the teacher decided, by "key/item". */
  readonly decided: ReadonlySet<string>
  /** The teacher's points for the whole, where any were given. */
  readonly given: number | null
  readonly comment: string
  /** Hints that were looked at. */
  readonly hints: number
}

export type Table = readonly (readonly string[])[]

const VERDICTS = ['right', 'wrong', 'on-the-line', 'not-placed', 'noted'] as const satisfies readonly Verdict[]

/** One row a slate: how many items are how, and points. Points of the key are empty where there is no key. */
export function studentsTable(results: readonly SlateResult[]): Table {
  return [
    ['name', 'status', 'handed in at', ...VERDICTS, 'points', 'of', 'points given', 'hints', 'comment'],
    ...results.map(({ name, status, handedInAt, keys, given, hints, comment }) => {
      const verdicts = keys.flatMap(key => key.items.map(item => item.verdict))
      const sum = (of: 'points' | 'of') => keys.reduce((total, key) => total + key[of], 0)
      return [
        name,
        status,
        handedInAt ?? '',
        ...VERDICTS.map(verdict => String(verdicts.filter(one => one === verdict).length)),
        keys.length ? String(sum('points')) : '',
        keys.length ? String(sum('of')) : '',
        given === null ? '' : String(given),
        String(hints),
        comment,
      ]
    }),
  ]
}

/** One row for each item of each slate, in the order of the keys, with the code of the reason and who decided. */
export function itemsTable(results: readonly SlateResult[]): Table {
  return [
    ['name', 'item', 'kind', 'id', 'verdict', 'points', 'of', 'reason', 'by'],
    ...results.flatMap(({ name, keys, decided, edition }) =>
      keys.flatMap(({ key, items }) =>
        items.map(item => [
          name,
          itemWords(item, edition),
          item.is,
          item.item,
          item.verdict,
          String(item.points),
          String(item.of),
          item.reason.code,
          decided.has(decisionName(key, item.item)) ? 'teacher' : 'key',
        ]),
      ),
    ),
  ]
}

/** What an item is called: a piece by its words, a place by its heading, a gap or a cell by its numbers from 1. */
function itemWords({ item, is }: Pick<ItemMark, 'item' | 'is'>, { board, pieces, places }: Edition): string {
  switch (is) {
    case 'piece': {
      const piece = pieces.get(item as PieceId)?.piece
      return piece ? pieceName(piece) : item
    }
    case 'place': {
      const [id, within] = item.split(':')
      const heading = places.get(id as PlaceId)?.place.heading || id!
      return within ? `${heading} ${within.split(',').map(n => Number(n) + 1)}` : heading
    }
    case 'figure':
      return (
        board.pages.flatMap(page => page.backdrop.figures ?? []).find(one => one.id === (item as FigureId))?.text
        || item
      )
    case 'key':
      return board.title
  }
}

export interface MoveOnSlate {
  readonly name: string
  readonly number: number
  /** An ISO moment. */
  readonly at: string
  readonly by: string
  readonly move: { readonly kind: string; readonly [part: string]: unknown }
}

/** One row a move, in the order of the slates and of their numbers; what a kind of move has of its own as JSON. */
export function movesTable(moves: readonly MoveOnSlate[]): Table {
  return [
    ['name', 'number', 'at', 'by', 'move', 'piece', 'x', 'y', 'more'],
    ...moves.map(({ name, number, at, by, move: { kind, piece, x, y, ...more } }) => [
      name,
      String(number),
      at,
      by,
      kind,
      ...[piece, x, y].map(part => (part === undefined ? '' : String(part))),
      Object.keys(more).length ? JSON.stringify(more) : '',
    ]),
  ]
}
