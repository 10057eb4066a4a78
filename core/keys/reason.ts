import * as v from 'valibot'
import { FigureIdSchema, PieceIdSchema, PlaceIdSchema } from '../board/ids'

/**
 * What an item is: a piece, a place, a cell or gap of one ("place:row,column"), a fixed figure, or the key as a whole.
 */
export const ITEM_KINDS = ['piece', 'place', 'figure', 'key'] as const
export type ItemKind = (typeof ITEM_KINDS)[number]

const pair = <Schema extends v.GenericSchema>(schema: Schema) => v.pipe(v.strictTuple([schema, schema]), v.readonly())
const list = <Schema extends v.GenericSchema>(schema: Schema) => v.pipe(v.array(schema), v.readonly())

/**
 * What a word of a reason can be. All but numbers and what was written or made are ids: whoever shows them has the
 * names.
 */
const WORDS = {
  number: v.number(),
  text: v.string(),
  /** One of them, each of them for itself. */
  anyPlace: v.strictObject({ anyPlace: list(PlaceIdSchema) }),
  /** All of them at once, as a region of rings. */
  allPlaces: v.strictObject({ allPlaces: list(PlaceIdSchema) }),
  pieces: v.strictObject({ pieces: list(PieceIdSchema) }),
  anyPiece: v.strictObject({ anyPiece: list(PieceIdSchema) }),
  figures: v.strictObject({ figures: list(FigureIdSchema) }),
  joins: v.strictObject({ joins: list(pair(FigureIdSchema)) }),
  arrows: v.strictObject({ arrows: list(pair(PieceIdSchema)), bothWays: v.boolean() }),
  cells: v.strictObject({ cells: list(v.string()), grid: PlaceIdSchema }),
}
export const WordSchema = v.union(Object.values(WORDS))

type Words = { readonly [Kind in keyof typeof WORDS]: v.InferOutput<(typeof WORDS)[Kind]> }
export type WordKind = keyof Words
export type Word = Words[WordKind]
type Parameters = Readonly<Record<string, WordKind>>

/**
 * What a student hears: a code, and words for what is there (`doing`). `codes` are the reasons behind it, for the
 * teacher, with further words, each of which says or lets guess what is asked for. So what a student hears follows from
 * what they did and from the verdict alone: another answer with the same verdict sounds the same.
 */
export interface Heard {
  readonly doing: Parameters
  readonly codes: Readonly<Record<string, Parameters>>
}

/** All reasons of a kind of key, by what a student hears of them. */
export type ReasonTable = Readonly<Record<string, Heard>>

export type CodeOf<T extends ReasonTable> = { [H in keyof T]: keyof T[H]['codes'] & string }[keyof T]
type Saying<P extends Parameters> = { readonly [Name in keyof P]: Words[P[Name]] }
type HeardFor<T extends ReasonTable, Code> = {
  [H in keyof T]: Code extends keyof T[H]['codes'] ? T[H] : never
}[keyof T]
export type WordsOf<T extends ReasonTable, Code extends CodeOf<T>> =
  HeardFor<T, Code> extends infer H extends Heard ? Saying<H['doing']> & Saying<H['codes'][Code]> : never

/** Why: a code that the message catalogue has words for, and what to put into them. */
export interface Reason {
  readonly code: string
  readonly words: Readonly<Record<string, Word>>
}

/** What stands on the ledge or is empty is so whatever is asked for. */
export const ON_LEDGE = { 'on-ledge': { doing: {}, codes: { 'on-ledge': {} } } } as const satisfies ReasonTable
export const EMPTY = { empty: { doing: {}, codes: { empty: {} } } } as const satisfies ReasonTable

/** The teacher has said that it is right as well, whatever kind of key it is. */
export const TAKEN = { right: { doing: {}, codes: { 'taken-as-right': {} } } } as const satisfies ReasonTable

/** What is heard behind a code; a code that the table hasn't got is a programming error. */
export function heardAs(
  table: ReasonTable,
  code: string,
): { readonly code: string; readonly doing: readonly string[] } {
  for (const [heard, { doing, codes }] of [...Object.entries<Heard>(table), ...Object.entries<Heard>(TAKEN)]) {
    if (code in codes) return { code: heard, doing: Object.keys(doing) }
  }
  throw new Error(`no reason ${code}`)
}
