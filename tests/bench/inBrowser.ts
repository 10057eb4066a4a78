import { makeEdition } from '../../core/board/edition'
import { seeded } from '../../core/layout/random'
import { placePieces } from '../../core/placement/placement'
import { emptySlate, type OnPage, type SlateState } from '../../core/slate/state'
import { PieceIdSchema, PlaceIdSchema } from '../../core/board/ids'
import type { Board } from '../../core/board/board'
import * as v from 'valibot'
import { sortBoard } from '../boards'
import { PIECES, PLACES } from './crowd'

/** What the browser measures: bundled, and run in a page whose processor is slowed. */
const RUNS = 60

/** 300 cards strewn over 60 places of all shapes. */
function crowded(): { board: Board; state: SlateState } {
  const plain = sortBoard(
    [],
    Array.from({ length: PIECES }, (_, i) => `word ${i}`),
  )
  const page = plain.pages[0]!
  const random = seeded(9)
  const places = Array.from({ length: PLACES }, (_, i) => {
    const box = { x: (i % 10) * 96, y: Math.floor(i / 10) * 80, width: 90, height: 74 }
    const shape =
      i % 3 === 0
        ? { kind: 'ellipse' as const, ...box }
        : i % 3 === 1
          ? { kind: 'rectangle' as const, ...box }
          : {
              kind: 'polygon' as const,
              points: [
                { x: box.x, y: box.y },
                { x: box.x + 90, y: box.y },
                { x: box.x + 60, y: box.y + 40 },
                { x: box.x + 90, y: box.y + 74 },
                { x: box.x, y: box.y + 74 },
              ],
            }
    return { kind: 'zone' as const, id: v.parse(PlaceIdSchema, `p${i}`), heading: `Place ${i}`, shape }
  })
  const pieces = Object.fromEntries(
    page.pieces.map(({ id }, z) => [
      id,
      { x: random() * page.width, y: random() * page.height, z, ...(z % 10 === 0 && { turn: 1 + (z % 359) }) },
    ]),
  ) as Record<string, OnPage>
  return { board: { ...plain, pages: [{ ...page, places }] }, state: { ...emptySlate, pieces } }
}

/** Milliseconds for placing all pieces, and for only reading their positions, each as the median of many runs. */
function placement(): { placed: number; read: number } {
  const { board, state } = crowded()
  const edition = makeEdition(board)
  const ids = board.pages[0]!.pieces.map(p => v.parse(PieceIdSchema, p.id))
  let sum = 0
  const median = (task: () => void) => {
    const taken = Array.from({ length: RUNS }, () => {
      const start = performance.now()
      task()
      return performance.now() - start
    }).toSorted((a, b) => a - b)
    return taken[RUNS / 2]!
  }
  // A hundred readings at once: one alone is too quick for the browser's clock.
  const read =
    median(() => {
      for (let n = 0; n < 100; n++) for (const id of ids) sum += state.pieces[id]!.x
    }) / 100
  // Each time it is another slate: what was worked out for one that lies as it lay is kept.
  const states = Array.from({ length: RUNS }, () => structuredClone(state))
  const placed = median(() => {
    sum += placePieces(states.pop()!, board.pages[0]!, edition).length
  })
  if (!Number.isFinite(sum)) throw new Error('nothing was read')
  return { placed, read }
}

/** The intervals between frames, in milliseconds, while nothing else runs or while a task does. */
async function frames(count: number, during?: () => void): Promise<number[]> {
  const gaps: number[] = []
  let last = await new Promise<number>(requestAnimationFrame)
  during?.()
  while (gaps.length < count) {
    const now = await new Promise<number>(requestAnimationFrame)
    gaps.push(now - last)
    last = now
  }
  return gaps
}

/** Frames while a worker looks through a board of twenty pages, and frames at rest; `took` is the worker's own time. */
async function preflightBeside(source: string): Promise<{ rest: number[]; busy: number[]; took: number }> {
  const { board } = crowded()
  const page = board.pages[0]!
  const rename =
    (n: number) =>
    <T extends { id: string }>(thing: T): T => ({ ...thing, id: `${thing.id}-${n}` })
  const pages = Array.from({ length: 20 }, (_, n) => ({
    ...page,
    id: `${page.id}-${n}`,
    places: page.places.slice(0, 12).map(rename(n)),
    pieces: page.pieces.slice(0, 50).map(rename(n)),
    ledge: page.ledge.slice(0, 50).map(id => `${id}-${n}`),
  }))
  const keys = pages.map((p, n) => ({
    kind: 'sort',
    id: `k${n}`,
    page: p.id,
    homes: Object.fromEntries(p.pieces.map((q, i) => [q.id, [p.places[i % 12]!.id]])),
  }))
  const worker = new Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' })))
  const answer = () =>
    new Promise<void>((done, fail) => {
      worker.addEventListener('message', () => done(), { once: true })
      worker.addEventListener('error', event => fail(new Error(event.message)), { once: true })
    })
  worker.postMessage({ asked: 0, board: { ...board, pages: pages.slice(0, 1), keys: [] } })
  await answer()
  const rest = await frames(120)
  let took = 0
  const start = performance.now()
  const done = answer().then(() => (took = performance.now() - start))
  const busy = await frames(120, () => worker.postMessage({ asked: 1, board: { ...board, pages, keys } }))
  await done
  worker.terminate()
  return { rest, busy, took }
}

Object.assign(globalThis, { bench: { placement, preflightBeside } })
