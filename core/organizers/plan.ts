import * as v from 'valibot'
import type { Figure, Line } from '../board/backdrop'
import { emptyPage, type Board, type Page } from '../board/board'
import { FigureIdSchema, MasterIdSchema, PageIdSchema, PieceIdSchema, PlaceIdSchema } from '../board/ids'
import type { Place } from '../board/place'
import type { Box, Size } from '../geometry/shape'
import { addOthers, type OtherPlan } from '../design/otherPieces'
import { addFamily, type Family } from '../design/tiles'
import { PAGE_SIZES } from '../design/pages'

export const PURPOSES = ['compare', 'sequence', 'cause', 'classify', 'describe', 'plan', 'reflect', 'number'] as const
export type Purpose = (typeof PURPOSES)[number]

/** An organizer that ships with the application: a real board whose places mean something. */
export interface Organizer {
  readonly name: string
  readonly title: string
  readonly purpose: Purpose
  /** School subjects it is most used in. */
  readonly subjects: readonly string[]
  /** Further words that it is found by. */
  readonly words: readonly string[]
  readonly instructions: string
  readonly page: (
    make: Maker,
  ) => Partial<Pick<Page, 'places' | 'arrows' | 'backdrop' | 'width' | 'height'>> & {
    readonly figures?: Figure[]
    readonly lines?: Line[]
  }
  readonly pieces?: readonly (OtherPlan | { readonly family: Family; readonly of: string })[]
}

type Kind<K extends Place['kind']> = Extract<Place, { kind: K }>
export const INK = '#3c494a'

/** Makes places and printed things with ids of their own, in the order in which they are asked for. */
class Maker {
  #next = 0
  readonly width: number
  readonly height: number
  constructor(page: Size) {
    this.width = page.width
    this.height = page.height
  }

  #id = () => `o${++this.#next}`
  #place = (heading: string) => ({ id: v.parse(PlaceIdSchema, this.#id()), heading })
  zone = (heading: string, box: Box, kind: 'rectangle' | 'ellipse' = 'rectangle'): Place => ({
    kind: 'zone',
    ...this.#place(heading),
    shape: { kind, ...box },
  })
  free = (heading: string, points: readonly (readonly [number, number])[]): Place => ({
    kind: 'zone',
    ...this.#place(heading),
    shape: { kind: 'polygon', points: points.map(([x, y]) => ({ x, y })) },
  })
  blank = (box: Box): Place => ({ kind: 'zone', ...this.#place(''), blank: true, shape: { kind: 'rectangle', ...box } })
  slot = (heading: string, box: Box): Place => ({
    kind: 'slot',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
  })
  lane = (heading: string, box: Box, direction: 'row' | 'column' = 'row'): Place => ({
    kind: 'lane',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
    direction,
  })
  grid = (
    heading: string,
    box: Box,
    { rows, columns, printed }: { rows: number; columns: number; printed?: string[] },
  ): Place => ({
    kind: 'grid',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
    rows,
    columns,
    ...(printed && { printed }),
  })
  scale = (
    heading: string,
    box: Box,
    part: Pick<Kind<'scale'>, 'least' | 'most' | 'step'> & { ends?: [string, string] },
  ): Place => ({ kind: 'scale', ...this.#place(heading), shape: { kind: 'rectangle', ...box }, ...part })
  writing = (heading: string, box: Box, lines: 'one' | 'many' | 'number' = 'many'): Place => ({
    kind: 'writing',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
    lines,
    textSize: 18,
  })
  drawing = (heading: string, box: Box): Place => ({
    kind: 'drawing',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
  })
  pan = (heading: string, box: Box): Place => ({
    kind: 'pan',
    ...this.#place(heading),
    shape: { kind: 'rectangle', ...box },
  })

  words = (text: string, box: Box, more: Partial<Figure> = {}): Figure => ({
    id: v.parse(FigureIdSchema, this.#id()),
    shape: { kind: 'rectangle', ...box },
    line: null,
    fill: null,
    text,
    textSize: 20,
    ...more,
  })
  line = (
    from: readonly [number, number],
    to: readonly [number, number],
    points: Line['points'] = 'none',
    thickness = 3,
  ): Line => ({
    id: v.parse(FigureIdSchema, this.#id()),
    from: { x: from[0], y: from[1] },
    to: { x: to[0], y: to[1] },
    colour: INK,
    thickness,
    points,
  })
}

/** The organizer as a board: the same each time, ids included. Without cards of its own: those are the teacher's. */
export function boardOf(organizer: Organizer, title = organizer.title): Board {
  const id = v.parse(PageIdSchema, 'page-1')
  const { figures, lines, ...page } = organizer.page(new Maker(PAGE_SIZES.screen))
  const empty = emptyPage(id)
  let board: Board = {
    format: 'dappled-slate/board',
    version: 1,
    title,
    instructions: organizer.instructions,
    seed: 1,
    masters: [],
    keys: [],
    pages: [
      {
        ...empty,
        ...page,
        backdrop: { ...(page.backdrop ?? empty.backdrop), ...(figures && { figures }), ...(lines && { lines }) },
      },
    ],
    ...(organizer.subjects[0] && { subject: organizer.subjects[0] }),
  }
  let n = 0
  const ids = {
    piece: () => v.parse(PieceIdSchema, `piece-${++n}`),
    master: () => v.parse(MasterIdSchema, `master-${++n}`),
  }
  for (const plan of organizer.pieces ?? [])
    board =
      'family' in plan ? addFamily(board, id, { ...plan, bins: true, each: 1 }, ids) : addOthers(board, id, plan, ids)
  return board
}

/** Boxes side by side, or one below the other, that fill a box with equal gaps. */
export function row(box: Box, count: number, gap: number): Box[] {
  const width = (box.width - (count - 1) * gap) / count
  return Array.from({ length: count }, (_, i) => ({ ...box, width, x: box.x + i * (width + gap) }))
}
export function column(box: Box, count: number, gap: number): Box[] {
  const height = (box.height - (count - 1) * gap) / count
  return Array.from({ length: count }, (_, i) => ({ ...box, height, y: box.y + i * (height + gap) }))
}
