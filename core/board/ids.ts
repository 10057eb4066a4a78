import * as v from 'valibot'

/** Names that every object has from the start: as ids they would be found where nothing is. */
export const isOwnName = (name: string) => !(name in {})
const OWN_NAME = "This name can't be an id"

const id = v.pipe(
  v.string(),
  v.regex(/^[A-Za-z0-9_-]{1,40}$/, 'An id is 1 to 40 letters, digits, - or _'),
  v.check(isOwnName, OWN_NAME),
)

export const PieceIdSchema = v.pipe(id, v.brand('PieceId'))
/** What a slate can name: a piece of the board, or a copy taken from a bin ("bin~a1b2c3"). */
export const OnSlateIdSchema = v.pipe(
  v.string(),
  v.regex(
    /^[A-Za-z0-9_-]{1,40}(?:~[A-Za-z0-9_-]{4,24})?$/,
    'A piece is named by its id, a copy by its bin and ~ and letters',
  ),
  v.check(isOwnName, OWN_NAME),
  v.brand('PieceId'),
)
export const PlaceIdSchema = v.pipe(id, v.brand('PlaceId'))
export const PageIdSchema = v.pipe(id, v.brand('PageId'))
export const MasterIdSchema = v.pipe(id, v.brand('MasterId'))
export const KeyIdSchema = v.pipe(id, v.brand('KeyId'))
export const FigureIdSchema = v.pipe(id, v.brand('FigureId'))
export const StepIdSchema = v.pipe(id, v.brand('StepId'))
/** The SHA-256 of a file's bytes, in hexadecimal. */
export const FileHashSchema = v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/), v.brand('FileHash'))

export type PieceId = v.InferOutput<typeof PieceIdSchema>
export type PlaceId = v.InferOutput<typeof PlaceIdSchema>
export type PageId = v.InferOutput<typeof PageIdSchema>
export type MasterId = v.InferOutput<typeof MasterIdSchema>
export type KeyId = v.InferOutput<typeof KeyIdSchema>
export type FigureId = v.InferOutput<typeof FigureIdSchema>
export type StepId = v.InferOutput<typeof StepIdSchema>
export type FileHash = v.InferOutput<typeof FileHashSchema>
