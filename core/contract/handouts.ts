import * as v from 'valibot'
import { MOST_PARTS } from '../board/whatPlacesTake'
import { SHARE_BY } from '../groups/shareOut'
import { MOST_IN_FRAME } from '../handout/settings'
import { MOST_STUDENTS } from '../roster/classList'
import { Id, SomeSlates } from './fields'
import { DONE, type Route, type RouteName } from './route'

const Part = v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_PARTS)))

export const HANDOUTS = {
  'GET /api/handouts/due': { who: 'teacher', answer: 'a file', refusals: [] },
  'POST /api/handouts/[id]/collect': {
    who: { on: 'handout', right: 'handout.collect' },
    body: v.strictObject({ back: v.optional(v.boolean()), slates: v.optional(SomeSlates) }),
    answer: v.strictObject({ count: v.number() }),
    refusals: [],
  },
  'GET /api/handouts/[id]/frames': {
    who: { on: 'handout', right: 'handout.begin' },
    answer: v.strictObject({
      title: v.string(),
      word: v.string(),
      size: v.number(),
      closed: v.boolean(),
      own: v.nullable(v.string()),
      frames: v.array(
        v.strictObject({ people: v.array(v.string()), name: v.string(), id: v.string(), mark: v.nullable(v.string()) }),
      ),
      unplaced: v.array(v.strictObject({ id: v.string(), name: v.string() })),
    }),
    refusals: ['not-found'],
  },
  'POST /api/handouts/[id]/frames': {
    who: { on: 'handout', right: 'handout.begin' },
    body: v.variant('what', [
      v.strictObject({
        what: v.literal('take'),
        wanted: v.nullable(Id),
        mates: v.pipe(v.array(Id), v.maxLength(MOST_IN_FRAME)),
      }),
      v.strictObject({ what: v.literal('join'), frame: Id }),
    ]),
    answer: v.strictObject({ id: v.string(), name: v.string() }),
    refusals: ['closed', 'not-found', 'elsewhere', 'too-many', 'none-free', 'full'],
  },
  'POST /api/handouts/[id]/page': {
    who: { on: 'handout', right: 'handout.begin' },
    answer: v.strictObject({ id: v.string() }),
    refusals: ['closed', 'not-found', 'elsewhere', 'too-many', 'none-free', 'full'],
  },
  'POST /api/handouts/[id]/students': {
    who: { on: 'handout', right: 'slate.members' },
    body: v.object({ students: v.pipe(v.array(Id), v.minLength(1), v.maxLength(MOST_STUDENTS)) }),
    answer: v.strictObject({ slates: v.number() }),
    refusals: ['not-found'],
  },
  'POST /api/handouts/[id]/members': {
    who: { on: 'handout', right: 'slate.members' },
    body: v.strictObject({
      by: v.picklist(SHARE_BY),
      size: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(MOST_IN_FRAME)), MOST_IN_FRAME),
    }),
    answer: v.strictObject({ count: v.number() }),
    refusals: [],
  },
  'PUT /api/handouts/[id]/members': {
    who: { on: 'handout', right: 'slate.members' },
    body: v.union([v.strictObject({ student: Id, part: Part }), v.strictObject({ student: Id, to: v.nullable(Id) })]),
    answer: DONE,
    refusals: ['not-found', 'not-now'],
  },
} as const satisfies Record<RouteName, Route>
