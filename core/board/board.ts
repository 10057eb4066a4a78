import * as v from 'valibot'
import { LANGUAGES } from '../text/spoken'
import { storedText } from '../text/storedText'
import { refuse, ok, type Result } from '../result'
import { BoxSchema, PointSchema, SizeSchema } from '../geometry/shape'
import { BackdropSchema } from './backdrop'
import { SpokenSchema } from './clip'
import { PageIdSchema, PieceIdSchema, StepIdSchema, type MasterId, type PageId, type PieceId } from './ids'
import { fixedOn } from './fixed'
import { KeySchema, referencesOf } from '../keys/key'
import { MasterSchema, PieceSchema } from './piece'
import { PlaceSchema } from './place'
import { MOST_HINTS, MOST_PIECES, MOST_PAGES } from './sizes'
import { EXPLAINS } from './explains'
import { TOOLS } from './tools'

/** What students are given to make things of their own with; each once. */
const ToolsSchema = v.pipe(
  v.array(v.picklist(TOOLS)),
  v.maxLength(TOOLS.length),
  v.check(all => new Set(all).size === all.length, 'Each tool stands there once'),
)

const HintsSchema = v.pipe(
  v.array(v.pipe(storedText(300), v.trim(), v.minLength(1))),
  v.minLength(1),
  v.maxLength(MOST_HINTS),
)

/** One numbered activity: what to do, where, and with which tools instead of the page's. */
const StepSchema = v.object({
  id: StepIdSchema,
  ...BoxSchema.entries,
  instructions: storedText(500),
  spoken: v.optional(SpokenSchema),
  tools: v.optional(ToolsSchema),
  hints: v.optional(HintsSchema),
  /** What of the ledge it needs; pieces that no activity names are there for all of them. */
  pieces: v.optional(v.pipe(v.array(PieceIdSchema), v.maxLength(MOST_PIECES))),
})

/** Where a piece lies from the start, and how far it is turned there. */
const StagedSchema = v.object({
  ...PointSchema.entries,
  turn: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(359))),
})

export const PageSchema = v.object({
  id: PageIdSchema,
  width: v.pipe(SizeSchema, v.minValue(100), v.maxValue(5000)),
  height: v.pipe(SizeSchema, v.minValue(100), v.maxValue(5000)),
  backdrop: BackdropSchema,
  places: v.pipe(v.array(PlaceSchema), v.maxLength(200)),
  pieces: v.pipe(v.array(PieceSchema), v.maxLength(MOST_PIECES)),
  /** Every piece of the page once, in the order in which they stand on the ledge. */
  ledge: v.pipe(v.array(PieceIdSchema), v.maxLength(MOST_PIECES)),
  /** Pieces that lie on the page from the start, by their centres. A bin never does. */
  staged: v.optional(v.record(PieceIdSchema, StagedSchema)),
  /** Students may draw arrows from piece to piece. */
  arrows: v.optional(v.boolean()),
  /** Instead of those of the board. */
  tools: v.optional(ToolsSchema),
  /** Asked for before it is handed in: why things lie where they do, for the page or for each place. */
  explain: v.optional(v.picklist(EXPLAINS)),
  /** Beside it is room for notes. */
  notes: v.optional(v.boolean()),
  /** One after the other, as far as a student asks for them. */
  hints: v.optional(HintsSchema),
  /** To be read, beside pages to work on: nothing on it moves, is written or drawn. */
  reading: v.optional(v.boolean()),
  /** Not given out with the others: the teacher opens it later, as the same page after the lesson. */
  heldBack: v.optional(v.boolean()),
  /** Activities that are done one after the other, each in its own part of the page. */
  steps: v.optional(v.pipe(v.array(StepSchema), v.maxLength(20))),
  /** What moves together at the workbench: ids of places, pictures, figures and lines. */
  groups: v.optional(
    v.pipe(v.array(v.pipe(v.array(storedText(40)), v.minLength(2), v.maxLength(200))), v.maxLength(100)),
  ),
})

/** On asking, as often as they like; once it is handed in; not before it is handed back. */
export const FEEDBACKS = ['asked', 'handed-in', 'never'] as const

export const BoardSchema = v.object({
  format: v.literal('dappled-slate/board'),
  version: v.literal(1),
  title: v.pipe(storedText(120), v.trim(), v.minLength(1, 'A board needs a name')),
  instructions: storedText(1000),
  /** The instructions in the teacher's own voice. */
  spoken: v.optional(SpokenSchema),
  /** From files of before, and while a board is made: what is scrambled is scrambled by this number. It is not kept. */
  seed: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(0xffffffff))),
  masters: v.pipe(v.array(MasterSchema), v.maxLength(40)),
  pages: v.pipe(v.array(PageSchema), v.minLength(1), v.maxLength(MOST_PAGES)),
  keys: v.pipe(v.array(KeySchema), v.maxLength(200)),
  /** When students see what the key says of their work; absent: never. */
  feedback: v.optional(v.picklist(FEEDBACKS)),
  tools: v.optional(ToolsSchema),
  /** In which it is read aloud; English where nothing is said. */
  language: v.optional(v.picklist(LANGUAGES)),
  /** Students may have what stands on pieces read aloud. */
  readPieces: v.optional(v.boolean()),
  subject: v.optional(v.pipe(storedText(40), v.trim())),
  tags: v.optional(v.pipe(v.array(v.pipe(storedText(40), v.trim(), v.minLength(1))), v.maxLength(12))),
})

export type Step = v.InferOutput<typeof StepSchema>
export type Page = v.InferOutput<typeof PageSchema>
export type Board = v.InferOutput<typeof BoardSchema>

export type BoardFault =
  | { readonly code: 'schema'; readonly path: string; readonly detail: string }
  | {
      readonly code:
        | 'twice'
        | 'missing-master'
        | 'ledge'
        | 'missing-page'
        | 'missing-piece'
        | 'missing-place'
        | 'missing-figure'
        | 'staged'
      readonly id: string
    }

/** Reads a board from data of any origin. The first fault is given; the whole is either good or refused. */
export function readBoard(data: unknown): Result<Board, BoardFault> {
  const parsed = v.safeParse(BoardSchema, data, { abortEarly: true })
  if (!parsed.success) {
    const issue = parsed.issues[0]
    return refuse({ code: 'schema', path: v.getDotPath(issue) ?? '', detail: issue.message })
  }
  const fault = checkBoard(parsed.output)
  return fault ? refuse(fault) : ok(parsed.output)
}

/**
 * What the schema alone can't say: ids are unique, and everything referred to is there. Null when the board is whole.
 */
export function checkBoard(board: Board): BoardFault | null {
  const seen = new Set<string>()
  const pageOf = new Map<string, PageId>()
  const masters = new Set<MasterId>(board.masters.map(m => m.id))
  for (const page of board.pages) {
    // Pictures were never asked for this, and what is frozen has to stay readable.
    for (const { id } of [
      page,
      ...page.places,
      ...page.pieces,
      ...fixedOn({ ...page.backdrop, pictures: [] }),
      ...(page.steps ?? []),
    ]) {
      if (seen.has(id)) return { code: 'twice', id }
      seen.add(id)
      pageOf.set(id, page.id)
    }
    for (const piece of page.pieces) if (!masters.has(piece.master)) return { code: 'missing-master', id: piece.id }
    const onLedge = new Set(page.ledge)
    const whole =
      onLedge.size === page.ledge.length
      && page.ledge.length === page.pieces.length
      && page.pieces.every(p => onLedge.has(p.id))
    if (!whole) return { code: 'ledge', id: page.id }
    const bins = new Set(page.pieces.filter(p => p.bin).map(p => p.id))
    for (const id of Object.keys(page.staged ?? {}) as PieceId[])
      if (!onLedge.has(id) || bins.has(id)) return { code: 'staged', id }
    for (const id of (page.steps ?? []).flatMap(step => step.pieces ?? []))
      if (!onLedge.has(id)) return { code: 'missing-piece', id }
  }
  for (const key of board.keys) {
    if (pageOf.get(key.page) !== key.page) return { code: 'missing-page', id: key.page }
    if (seen.has(key.id)) return { code: 'twice', id: key.id }
    seen.add(key.id)
    const { pieces, places, figures } = referencesOf(key)
    for (const id of pieces) if (pageOf.get(id) !== key.page) return { code: 'missing-piece', id }
    for (const id of figures) if (pageOf.get(id) !== key.page) return { code: 'missing-figure', id }
    for (const id of places) if (pageOf.get(id) !== key.page) return { code: 'missing-place', id }
  }
  return null
}

/** 2 : 1, so that the page, the instructions and the ledge share a laptop or a tablet held wide. */
const SCREEN_PAGE = { width: 960, height: 480 } as const

export function emptyPage(id: PageId): Page {
  return {
    id,
    ...SCREEN_PAGE,
    backdrop: { colour: '#fbf9f3', ruling: { kind: 'none', spacing: 24 }, pictures: [] },
    places: [],
    pieces: [],
    ledge: [],
  }
}

export function emptyBoard(title: string, page: PageId, seed: number): Board {
  return {
    format: 'dappled-slate/board',
    version: 1,
    title,
    instructions: '',
    seed,
    masters: [],
    pages: [emptyPage(page)],
    keys: [],
  }
}
