import * as v from 'valibot'
import { SlatesOrderSchema } from '../paper/slatesOrder'
import { Made } from './fields'
import type { Route, RouteName } from './route'

const Status = v.picklist(['failed', 'making', 'ready', 'waiting'])
/** Of what was asked for, how far it is. */
const InList = v.array(
  v.strictObject({
    id: v.string(),
    title: v.string(),
    status: Status,
    done: v.number(),
    of: v.number(),
    sheets: v.nullable(v.number()),
    askedAt: v.string(),
  }),
)

export const PARCELS = {
  'GET /api/classes/[id]/archive': { who: { on: 'class', right: 'class.change' }, answer: InList, refusals: [] },
  'POST /api/classes/[id]/archive': { who: { on: 'class', right: 'class.change' }, answer: Made, refusals: ['busy'] },
  'GET /api/everything': { who: 'teacher', answer: InList, refusals: [] },
  'POST /api/everything': { who: 'teacher', answer: Made, refusals: ['busy'] },
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
        status: Status,
        of: v.number(),
        askedAt: v.string(),
      }),
    ),
    refusals: [],
  },
  'POST /api/everything/in': {
    who: 'teacher',
    answer: Made,
    refusals: ['too-big', 'busy', 'bad-request', 'too-heavy', 'bad-file'],
  },
  'GET /api/handouts/[id]/papers': { who: { on: 'handout', right: 'handout.review' }, answer: InList, refusals: [] },
  'POST /api/handouts/[id]/papers': {
    who: { on: 'handout', right: 'handout.review' },
    body: SlatesOrderSchema,
    answer: Made,
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
