import * as v from 'valibot'
import { storedText } from '../text/storedText'
import { AmountSchema } from '../exact/measure'
import { TermSchema } from '../exact/polynomial'
import { QuantitySchema } from '../exact/quantitySchema'
import { SizeSchema } from '../geometry/shape'
import { ColourSchema } from './colour'
import { FileHashSchema, MasterIdSchema, PieceIdSchema } from './ids'

export const PIECE_TEXT_LONGEST = 200

export const ROLES = ['piece', 'target', 'instruction'] as const

const UnitsSchema = v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(40))
/** How a piece is drawn in its box; absent: as a rectangle. */
const LookSchema = v.variant('kind', [
  v.object({ kind: v.literal('round') }),
  /**
   * A part of the circle that fills the box, clockwise from the top: parts that are turned round one middle make a
   * whole.
   */
  v.object({ kind: v.literal('sector'), share: QuantitySchema }),
  /** A hand of a clock: turns round the middle of its box, and points upwards. */
  v.object({ kind: v.literal('hand') }),
  /** Made of so many equal units, with lines between them. */
  v.object({ kind: v.literal('units'), across: UnitsSchema, down: UnitsSchema }),
])

const PieceTextSchema = storedText(PIECE_TEXT_LONGEST)

const common = {
  id: PieceIdSchema,
  master: MasterIdSchema,
  text: PieceTextSchema,
  /** A pile that never runs out: it stays on the ledge, and what is dragged from it is a copy. */
  bin: v.optional(v.boolean()),
  /** Students may turn it. */
  turns: v.optional(v.boolean()),
}

export const CardSchema = v.object({ kind: v.literal('card'), ...common })

const PictureCardSchema = v.object({
  kind: v.literal('picture-card'),
  ...common,
  file: FileHashSchema,
  pixelWidth: v.pipe(v.number(), v.integer(), v.minValue(1)),
  pixelHeight: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** What the picture shows, for those who don't see it. */
  alt: storedText(300),
})

/** What a piece without words is called aloud. */
const named = { alt: v.optional(storedText(300)) }
/** Has a value: a rod, a coin, a fraction bar. Its size is its master's, and follows no text. */
const TileSchema = v.object({
  kind: v.literal('tile'),
  ...common,
  ...named,
  value: AmountSchema,
  /** Of an algebra tile: what the value counts, such as x^2. Absent: plain numbers. */
  term: v.optional(TermSchema),
  /** The other side: the negative of a counter, say. With it the tile can be flipped. */
  other: v.optional(v.object({ text: PieceTextSchema, value: AmountSchema, colour: v.optional(ColourSchema) })),
})

/** Hides what lies below it. */
const CoverSchema = v.object({ kind: v.literal('cover'), ...common, ...named })
/** A mark to vote with, or to count with. */
export const TokenSchema = v.object({ kind: v.literal('token'), ...common, ...named })
/** Written by the student; its own text says what it is for, and is gone once something is written. */
const NoteSchema = v.object({ kind: v.literal('note'), ...common })

export const TIPS = ['left', 'right', 'up', 'down'] as const
/** Has a pointing tip, and lies where its tip is. */
const LabelSchema = v.object({ kind: v.literal('label'), ...common, tip: v.picklist(TIPS) })

/**
 * Every kind of piece. What is done with each stands in `pieceTraits.ts`, which doesn't compile without one of them.
 */
const SCHEMAS = {
  card: CardSchema,
  'picture-card': PictureCardSchema,
  tile: TileSchema,
  label: LabelSchema,
  cover: CoverSchema,
  token: TokenSchema,
  note: NoteSchema,
}
export type PieceKind = keyof typeof SCHEMAS
const PIECE_KINDS = Object.keys(SCHEMAS) as readonly PieceKind[]
export const PieceSchema = v.variant('kind', Object.values(SCHEMAS))

/** One style and one size for all the pieces made together: change the master and all follow. */
export const MasterSchema = v.object({
  id: MasterIdSchema,
  kind: v.picklist(PIECE_KINDS),
  /** Absent: the colour of its kind, or of its role. */
  colour: v.optional(ColourSchema),
  /** What it is for, told by one colour and one edge all through a board. */
  role: v.optional(v.picklist(ROLES)),
  look: v.optional(LookSchema),
  /** Cards and labels that are of this size whatever their text: letters, say. */
  fixed: v.optional(v.boolean()),
  /** Points. */
  textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
  width: SizeSchema,
  height: SizeSchema,
})

export type Master = v.InferOutput<typeof MasterSchema>
export type Card = v.InferOutput<typeof CardSchema>
export type PictureCard = v.InferOutput<typeof PictureCardSchema>
export type Label = v.InferOutput<typeof LabelSchema>
export type Note = v.InferOutput<typeof NoteSchema>
export type Piece = v.InferOutput<typeof PieceSchema>
