import type * as v from 'valibot'
import { ACCOUNTS } from './accounts'
import { CLASSES } from './classes'
import { HANDOUTS } from './handouts'
import { LESSON } from './lesson'
import { PARCELS } from './parcels'
import { REVIEW } from './review'
import { SHELF } from './shelf'
import { SLATES } from './slates'
import type { Method, Route } from './route'

/** Every route that is agreed on, by its name. */
export const CONTRACT = { ...ACCOUNTS, ...CLASSES, ...SHELF, ...HANDOUTS, ...SLATES, ...LESSON, ...REVIEW, ...PARCELS }
export type Contract = typeof CONTRACT

/** What of a path changes is a star; what stands behind the question mark is left out. */
type Shape<Path extends string> = Path extends `${infer Before}?${string}` ? Stars<Before> : Stars<Path>
type Stars<Path extends string> = Path extends `/${infer Head}/${infer Tail}`
  ? `/${Star<Head>}${Stars<`/${Tail}`>}`
  : Path extends `/${infer Last}`
    ? `/${Star<Last>}`
    : Path
/** A part of a path that can be many words is like an index of a record; brackets stand for one, too. */
type Star<Part extends string> =
  Record<never, 1> extends Record<Part, 1> ? '*' : Part extends `[${string}]` ? '*' : Part

type ByShape = {
  [Name in keyof Contract as Name extends `${infer M} ${infer Path}` ? `${M} ${Shape<Path>}` : never]: Contract[Name]
}

/** The route that is asked with this method at this path; never where there is none. */
export type RouteAt<M extends Method, Path extends string> = `${M} ${Shape<Path>}` extends keyof ByShape
  ? ByShape[`${M} ${Shape<Path>}`]
  : never

/** What arrives at whoever asked. */
export type AnswerOf<R extends Route> = R['answer'] extends v.GenericSchema ? v.InferOutput<R['answer']> : unknown
/** What a route hands on: as it arrives, but nobody's to change. */
export type Answered<R extends Route> = Kept<AnswerOf<R>>
type Kept<T> = unknown extends T ? T : { readonly [K in keyof T]: Kept<T[K]> }
/** What is sent. Where no JSON is agreed on: a file, or nothing that is read. */
export type SentTo<R> = R extends { readonly body: infer Body extends v.GenericSchema }
  ? Kept<v.InferInput<Body>>
  : object
