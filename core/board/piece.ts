import * as v from 'valibot'
import { QuantitySchema } from '../exact/quantity'
import { SizeSchema } from '../geometry/shape'
import { ColourSchema } from './colour'
import { FileHashSchema, MasterIdSchema, PieceIdSchema } from './ids'

export const PIECE_TEXT_LONGEST = 200

/** One style and one size for all the pieces made together: change the master and all follow. */
export const MasterSchema = v.object({
  id: MasterIdSchema,
  kind: v.picklist(['card', 'picture-card', 'tile', 'label']),
  /** Of tiles; all else is white. */
  colour: v.optional(ColourSchema),
  /** Points. */
  textSize: v.pipe(v.number(), v.minValue(6), v.maxValue(96)),
  width: SizeSchema,
  height: SizeSchema,
})

const PieceTextSchema = v.pipe(v.string(), v.maxLength(PIECE_TEXT_LONGEST))

export const CardSchema = v.object({
  kind: v.literal('card'),
  id: PieceIdSchema,
  master: MasterIdSchema,
  text: PieceTextSchema,
})

export const PictureCardSchema = v.object({
  kind: v.literal('picture-card'),
  id: PieceIdSchema,
  master: MasterIdSchema,
  file: FileHashSchema,
  pixelWidth: v.pipe(v.number(), v.integer(), v.minValue(1)),
  pixelHeight: v.pipe(v.number(), v.integer(), v.minValue(1)),
  /** Printed under the picture; may be empty. */
  text: PieceTextSchema,
  /** What the picture shows, for those who don't see it. */
  alt: v.pipe(v.string(), v.maxLength(300)),
})

/** Has a value: a rod, a coin, a fraction bar. Its size is its master's, and follows no text. */
export const TileSchema = v.object({
  kind: v.literal('tile'),
  id: PieceIdSchema,
  master: MasterIdSchema,
  text: PieceTextSchema,
  value: QuantitySchema,
})

export const TIPS = ['left', 'right', 'up', 'down'] as const
/** Has a pointing tip, and lies where its tip is. */
export const LabelSchema = v.object({
  kind: v.literal('label'),
  id: PieceIdSchema,
  master: MasterIdSchema,
  text: PieceTextSchema,
  tip: v.picklist(TIPS),
})

export const PieceSchema = v.variant('kind', [CardSchema, PictureCardSchema, TileSchema, LabelSchema])

export type Master = v.InferOutput<typeof MasterSchema>
export type Card = v.InferOutput<typeof CardSchema>
export type PictureCard = v.InferOutput<typeof PictureCardSchema>
export type Tile = v.InferOutput<typeof TileSchema>
export type Label = v.InferOutput<typeof LabelSchema>
export type Piece = v.InferOutput<typeof PieceSchema>

/** What a piece is called aloud and in lists: its text, or what its picture shows. */
export function pieceName(piece: Piece): string {
  return piece.text || (piece.kind === 'picture-card' ? piece.alt : '') || '…'
}
