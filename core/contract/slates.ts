import * as v from 'valibot'
import { PictureOrderSchema } from '../paper/pictureOrder'
import { OwnIdSchema } from '../slate/ownSchema'
import { storedText } from '../text/storedText'
import { StatusNow } from './fields'
import { DONE, type Route, type RouteName } from './route'

export const SLATES = {
  'POST /api/slates/[id]/again': {
    who: { on: 'slate', right: 'slate.hand-in' },
    answer: StatusNow,
    refusals: ['not-now', 'unreadable'],
  },
  'PUT /api/slates/[id]/done': {
    who: { on: 'slate', right: 'slate.hand-in' },
    body: v.object({ done: v.boolean() }),
    size: 'anybody',
    answer: DONE,
    refusals: ['not-now'],
  },
  'POST /api/slates/[id]/hand-in': {
    who: { on: 'slate', right: 'slate.hand-in' },
    body: v.object({ word: v.optional(storedText(500)) }),
    size: 'anybody',
    answer: StatusNow,
    refusals: ['not-all-done', 'not-now'],
  },
  'PUT /api/slates/[id]/heading': {
    who: { on: 'slate', right: 'slate.hide' },
    body: v.object({ hidden: v.boolean() }),
    size: 'anybody',
    answer: DONE,
    refusals: ['not-now'],
  },
  'PUT /api/slates/[id]/hidden': {
    who: { on: 'slate', right: 'slate.hide' },
    body: v.object({
      id: v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{8,40}$/)),
      thing: OwnIdSchema,
      hidden: v.boolean(),
    }),
    answer: DONE,
    refusals: ['not-now', 'not-found'],
  },
  'POST /api/slates/[id]/take-back': {
    who: { on: 'slate', right: 'slate.hand-in' },
    answer: StatusNow,
    refusals: ['not-now', 'looked-at'],
  },
  'PUT /api/slates/[id]/pictures/[picture]/approved': {
    who: { on: 'slate', right: 'slate.hide' },
    body: v.object({ approved: v.boolean() }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'GET /api/slates/[id]/paper': {
    who: { on: 'slate', right: 'slate.review' },
    query: v.object({ marked: v.optional(v.picklist(['0', '1']), '1') }),
    answer: 'a file',
    refusals: ['too-heavy', 'bad-request'],
  },
  'GET /api/slates/[id]/picture': {
    who: { on: 'slate', right: 'slate.review' },
    query: PictureOrderSchema,
    answer: 'a file',
    refusals: ['unreadable', 'too-heavy', 'busy'],
  },
  'GET /api/slates/[id]/pictures/[picture]': {
    who: { on: 'slate', right: 'slate.look' },
    answer: 'a file',
    refusals: ['not-found'],
  },
} as const satisfies Record<RouteName, Route>
