import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import fc from 'fast-check'
import type { Board } from '../core/board/board'
import { makeEdition, type Edition } from '../core/board/edition'
import type { PieceId, PlaceId } from '../core/board/ids'
import { setHints } from '../core/design/around'
import { treeOf, type Tree } from '../core/drawing/tree'
import { markSlate } from '../core/keys/mark'
import type { KeyMark } from '../core/keys/outcome'
import type { Actor, Author } from '../core/slate/actor'
import { apply, invert, type Move } from '../core/slate/move'
import { startOf, type SlateState } from '../core/slate/state'
import { stamped } from '../core/slate/version'
import { anyMove, edition as rich, ownMoveBy } from './anyMove'
import { anyWork } from './anyWork'
import { pageId, shore } from './boards'
import { exampleBoards } from './examples'

/** A slate as it came about in one release, and how that release read it. */
export interface History {
  readonly board: Board
  /** Numbered from 1, in their order. */
  readonly moves: readonly (readonly [by: Author, move: Move])[]
  readonly state: SlateState
  /** Since they are kept: what the keys say of it, and what lies where on each page. */
  readonly marks?: readonly KeyMark[]
  readonly trees?: readonly Tree[]
}
export interface HistoriesOf {
  readonly version: string
  readonly histories: readonly History[]
}

const FOLDER = 'tests/files/histories'
export const keptHistories = (): HistoriesOf[] =>
  readdirSync(FOLDER)
    .filter(file => file.endsWith('.json'))
    .map(file => JSON.parse(readFileSync(`${FOLDER}/${file}`, 'utf8')) as HistoriesOf)

export const readingOf = (state: SlateState, edition: Edition) => ({
  marks: markSlate(state, edition),
  trees: edition.board.pages.map(page => withoutPlaces(treeOf({ page, state, edition }))),
})
/** What a place is stands in the board; of the tree its id is kept. */
const withoutPlaces = (tree: Tree): Tree =>
  JSON.parse(
    JSON.stringify(tree, (key, value: unknown) => (key === 'place' && typeof value === 'object' ? undefined : value)),
  ) as Tree
/** As it comes back from a file. */
export const asKept = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** The moves of these that can be made, one after the other. */
function played(edition: Edition, moves: Iterable<readonly [Author, Move]>): History {
  let state = startOf(edition)
  const made: [Author, Move][] = []
  for (const [author, move] of moves) {
    const actor: Actor = { author, part: 'all', several: true }
    const result = apply(state, move, { edition, actor, number: made.length + 1 })
    if (!result.ok || result.value === state) continue
    state = result.value
    made.push([author, stamped(move)])
  }
  return { board: edition.board, moves: made, state, ...readingOf(state, edition) }
}

const SEED = 20261202
const PLAYED = 400
const AUTHORS: readonly Author[] = ['student:1', 'student:2', 'teacher:0', 'assistant:1']

/** Random play of several, then all that takes back: a slate started again, reverted, and restored. */
function ofEveryKind(): History {
  const first = fc.sample(fc.oneof(anyMove, ...AUTHORS.map(ownMoveBy)), { seed: SEED, numRuns: PLAYED })
  const by = (i: number, move: Move) => (move.kind === 'own' ? move.by : AUTHORS[i % AUTHORS.length]!)
  const moves = first
    .filter(move => move.kind !== 'start-again')
    .map((move, i): readonly [Author, Move] => [by(i, move), move])
  const { state } = played(rich, moves)
  const { pieces, texts, arrows, strokes } = state
  const seen = Object.keys(strokes).slice(0, 1)
  const again: Move = { kind: 'start-again', everybody: true }
  const reverted = invert(state, again, rich)!
  return played(rich, [
    ...moves,
    ['teacher:0', again],
    ['teacher:0', reverted],
    ['student:2', { kind: 'start-again', mine: true, by: 'student:2' }],
    [
      'teacher:0',
      { kind: 'restore', pieces: { ...pieces }, texts: { ...texts }, arrows: { ...arrows }, strokes: seen },
    ],
  ])
}

function withHints(): History {
  const page = pageId('page')
  return played(makeEdition(setHints(shore(), page, null, 'Look at the feet.\nThe limpet never lets go.')), [
    ['student:1', { kind: 'hint', of: page, number: 1 }],
    ['student:1', { kind: 'hint', of: page, number: 2 }],
  ])
}

/** What may lie, stand and be drawn on the board, laid move by move. */
function worked(board: Board, i: number): History {
  const edition = makeEdition(board)
  const [work] = fc.sample(anyWork(board), { seed: SEED + i, numRuns: 40 }).slice(-1) as [SlateState]
  const moves: Move[] = [
    ...Object.entries(work.pieces).map(([piece, { x, y, turn, flipped }]): Move => ({
      kind: 'put',
      piece: piece as PieceId,
      x,
      y,
      ...(turn && { turn }),
      ...(flipped && { flipped }),
    })),
    ...Object.entries(work.texts).map(([name, text]): Move => ({ kind: 'write', in: name, text })),
    ...Object.entries(work.strokes).map(([stroke, { place, points }]): Move => ({
      kind: 'draw',
      stroke: `stroke-${stroke}`,
      place: place as PlaceId,
      points: points.map(point => [...point]) as Extract<Move, { kind: 'draw' }>['points'],
    })),
    ...Object.keys(work.arrows).map((name): Move => {
      const [from, to] = name.split('>') as [PieceId, PieceId]
      return { kind: 'connect', from, to }
    }),
  ]
  return played(
    edition,
    moves.map(move => ['student:1', move] as const),
  )
}

/** Writes the histories of this release; those of a release that has some already stay as they are. */
export function keepHistories(version: string): void {
  mkdirSync(FOLDER, { recursive: true })
  const histories = [ofEveryKind(), withHints(), ...exampleBoards.map(worked)]
  writeFileSync(`${FOLDER}/${version}.json`, `${JSON.stringify({ version, histories })}\n`, { flag: 'wx' })
}
