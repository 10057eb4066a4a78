import * as v from 'valibot'
import { isOwnName, OnSlateIdSchema, PageIdSchema, PlaceIdSchema } from '../board/ids'
import { FILL_NAMES, INK_NAMES } from '../board/inks'
import { LengthSchema } from '../geometry/shape'
import { storedText } from '../text/storedText'
import { LONGEST_OWN_TEXT, MOST_OWN_POINTS, SHAPES, SIGNS, TEXT_SIZES, WIDTHS } from './own'

/** The name of a thing that somebody has made on a slate; its maker's to choose. */
export const OwnIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,64}$/), v.check(isOwnName))

/** From the device or its clipboard, from its camera, or from the library that ships. */
const PICTURE_SOURCES = ['device', 'camera', 'library'] as const
/**
 * A picture's name: its maker's to choose, or the library's own. The bytes come apart from the moves, and may come
 * later.
 */
export const OwnPictureIdSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{1,40}$/), v.check(isOwnName))

const names = <Names extends object>(all: Names) =>
  Object.keys(all) as [keyof Names & string, ...(keyof Names & string)[]]
const size = v.pipe(LengthSchema, v.minValue(4))
const page = { page: PageIdSchema }
const ink = { ink: v.picklist(INK_NAMES) }
const width = { wide: v.picklist(names(WIDTHS)) }
/** x and y are the middle. */
const box = { x: LengthSchema, y: LengthSchema, width: size, height: size }
/** An end of a line: on a piece it stays with that piece, as long as it lies on the page; else it is here. */
const EndSchema = v.object({ x: LengthSchema, y: LengthSchema, on: v.optional(OnSlateIdSchema) })

export const OwnSchema = v.variant('kind', [
  v.object({
    kind: v.literal('text'),
    ...page,
    ...box,
    ...ink,
    size: v.picklist(names(TEXT_SIZES)),
    text: storedText(LONGEST_OWN_TEXT),
  }),
  v.object({
    kind: v.literal('note'),
    ...page,
    ...box,
    fill: v.picklist(FILL_NAMES),
    text: storedText(LONGEST_OWN_TEXT),
  }),
  v.object({
    kind: v.literal('ink'),
    ...page,
    ...width,
    pen: v.variant('tip', [
      v.object({ tip: v.literal('pen'), ...ink }),
      v.object({ tip: v.literal('highlighter'), fill: v.picklist(FILL_NAMES) }),
    ]),
    /** x and y, and the pressure from 0 to 1 where the device has it: all of a stroke, or none. */
    points: v.pipe(
      v.array(
        v.union([
          v.strictTuple([LengthSchema, LengthSchema]),
          v.strictTuple([LengthSchema, LengthSchema, v.pipe(v.number(), v.minValue(0), v.maxValue(1))]),
        ]),
      ),
      v.minLength(1),
      v.maxLength(MOST_OWN_POINTS),
      v.check(all => all.every(point => point.length === all[0]!.length), 'Pressure is of all points or of none'),
    ),
  }),
  v.object({ kind: v.literal('line'), ...page, ...ink, ...width, from: EndSchema, to: EndSchema, head: v.boolean() }),
  v.object({
    kind: v.literal('shape'),
    ...page,
    ...box,
    ...ink,
    ...width,
    shape: v.picklist(SHAPES),
    fill: v.nullable(v.picklist(FILL_NAMES)),
  }),
  v.object({
    kind: v.literal('picture'),
    ...page,
    ...box,
    picture: OwnPictureIdSchema,
    from: v.picklist(PICTURE_SOURCES),
    alt: storedText(200),
  }),
  v.object({ kind: v.literal('sign'), ...page, ...ink, x: LengthSchema, y: LengthSchema, sign: v.picklist(SIGNS) }),
  /** A zone, a slot or another place is filled, or a cell of a grid. */
  v.object({
    kind: v.literal('colour'),
    ...page,
    place: PlaceIdSchema,
    cell: v.optional(
      v.strictTuple([
        v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(39)),
        v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(39)),
      ]),
    ),
    fill: v.picklist(FILL_NAMES),
  }),
])
/** Something that a student made, beside the board's pieces. */
export type Own = v.InferOutput<typeof OwnSchema>
export type End = v.InferOutput<typeof EndSchema>
