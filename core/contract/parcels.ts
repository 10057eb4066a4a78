import * as v from 'valibot'
import { SlatesOrderSchema } from '../paper/slatesOrder'
import { type Route, type RouteName } from './route'

export const PARCELS = {
  'GET /api/classes/[id]/archive': {
    who: { on: 'class', right: 'class.change' },
    answer: v.array(
      v.strictObject({
        id: v.string(),
        title: v.string(),
        status: v.picklist(['failed', 'making', 'ready', 'waiting']),
        done: v.number(),
        of: v.number(),
        sheets: v.nullable(v.number()),
        askedAt: v.string(),
      }),
    ),
    refusals: [],
  },
  'POST /api/classes/[id]/archive': {
    who: { on: 'class', right: 'class.change' },
    answer: v.strictObject({ id: v.string() }),
    refusals: ['busy'],
  },
  'GET /api/everything': {
    who: 'teacher',
    answer: v.array(
      v.strictObject({
        id: v.string(),
        title: v.string(),
        status: v.picklist(['failed', 'making', 'ready', 'waiting']),
        done: v.number(),
        of: v.number(),
        sheets: v.nullable(v.number()),
        askedAt: v.string(),
      }),
    ),
    refusals: [],
  },
  'POST /api/everything': { who: 'teacher', answer: v.strictObject({ id: v.string() }), refusals: ['busy'] },
  'GET /api/everything/in': {
    who: 'teacher',
    answer: v.array(
      v.strictObject({
        came: v.strictObject({
          boards: v.number(),
          classes: v.number(),
          slates: v.number(),
          rubrics: v.number(),
          unread: v.number(),
        }),
        id: v.string(),
        done: v.number(),
        status: v.picklist(['failed', 'making', 'ready', 'waiting']),
        of: v.number(),
        askedAt: v.string(),
      }),
    ),
    refusals: [],
  },
  'POST /api/everything/in': {
    who: 'teacher',
    answer: v.strictObject({ id: v.string() }),
    refusals: ['too-big', 'busy', 'bad-request', 'too-heavy', 'bad-file'],
  },
  'GET /api/handouts/[id]/papers': {
    who: { on: 'handout', right: 'handout.review' },
    answer: v.array(
      v.strictObject({
        id: v.string(),
        title: v.string(),
        status: v.picklist(['failed', 'making', 'ready', 'waiting']),
        done: v.number(),
        of: v.number(),
        sheets: v.nullable(v.number()),
        askedAt: v.string(),
      }),
    ),
    refusals: [],
  },
  'POST /api/handouts/[id]/papers': {
    who: { on: 'handout', right: 'handout.review' },
    body: SlatesOrderSchema,
    answer: v.strictObject({ id: v.string() }),
    refusals: ['busy'],
  },
  'GET /api/classes/[id]/archive/[parcel]': {
    who: { on: 'class', right: 'class.change' },
    answer: 'a file',
    refusals: ['not-found'],
  },
  'GET /api/everything/[parcel]': { who: 'teacher', answer: 'a file', refusals: ['not-found'] },
  'GET /api/handouts/[id]/papers/[parcel]': {
    who: { on: 'handout', right: 'handout.review' },
    answer: 'a file',
    refusals: ['not-found'],
  },
} as const satisfies Record<RouteName, Route>
