import * as v from 'valibot'
import type { Action } from '../rights/rights'
import type { HttpRefusal } from './refusals'
import type { Size } from './sizes'

/** What the path names, by its `[id]`. */
export type Thing = 'board' | 'class' | 'handout' | 'slate'

/**
 * Who is let through: anybody; who is signed in; a teacher; a student; or who has this right on the thing that the path
 * names. All others are refused before anything else is looked at.
 */
export type Who = 'anybody' | 'somebody' | 'teacher' | 'student' | { readonly on: Thing; readonly right: Action }

type Schema = v.GenericSchema

/** What is agreed on about one route: the server keeps it, the client relies on it. */
export interface Route {
  readonly who: Who
  /** What stands behind the question mark. Without it, nothing of that is read. */
  readonly query?: Schema
  /** The JSON that is sent. Without it, the route reads what comes by itself (files), or nothing. */
  readonly body?: Schema
  /** How large the body may be; *usual* where nothing is said. */
  readonly size?: Size
  /** As it arrives, in JSON; or what is no JSON. */
  readonly answer: Schema | NotJson
  /** Beside those that every route of its kind has (`commonOf`). */
  readonly refusals: readonly HttpRefusal[]
}

/** An answer that is a file, or words as they are. */
export type NotJson = 'a file'

/** Nothing but that it was done. */
export const DONE = v.strictObject({})

/** What each route may refuse with, whoever it is for and whatever it reads. */
export function commonOf({ who, query, body }: Route): HttpRefusal[] {
  const named = typeof who === 'object'
  return [
    'trouble',
    'busy',
    // From another site.
    'not-yours',
    ...(who === 'anybody' ? [] : (['signed-out'] as const)),
    ...(named ? (['not-found'] as const) : []),
    ...(query || body ? (['bad-request'] as const) : []),
    ...(body ? (['too-big'] as const) : []),
  ]
}

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'
/** A route's name: its method, and its path with what changes in brackets. */
export type RouteName = `${Method} /api/${string}`
