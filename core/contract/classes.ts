import * as v from 'valibot'
import { isZone } from '../handout/due'
import { LEVEL_LONGEST, ListedStudentSchema, MOST_STUDENTS, NAME_LONGEST } from '../roster/classList'
import { DaySchema } from '../roster/day'
import { MISSING } from '../roster/listPlan'
import { tidy } from '../roster/names'
import { storedText } from '../text/storedText'
import { Id, SetShape, Status } from './fields'
import { DONE, type Route, type RouteName } from './route'

/** One of a class list. */
const Listed = v.strictObject({
  name: v.string(),
  preferred: v.optional(v.string()),
  level: v.optional(v.string()),
  record: v.optional(v.string()),
})
const Known = v.strictObject({ ...Listed.entries, id: v.string(), left: v.boolean() })
const Change = v.strictObject({ id: v.string(), from: Known, to: Listed })

export const CLASSES = {
  'GET /api/classes/[id]': {
    who: { on: 'class', right: 'class.read' },
    answer: v.strictObject({
      mayChange: v.boolean(),
      putAway: v.boolean(),
      students: v.array(
        v.strictObject({
          left: v.boolean(),
          id: v.string(),
          name: v.string(),
          preferred: v.nullable(v.string()),
          level: v.nullable(v.string()),
          record: v.nullable(v.string()),
          pictures: v.array(v.string()),
          linked: v.boolean(),
          here: v.boolean(),
        }),
      ),
      id: v.string(),
      name: v.string(),
      record: v.nullable(v.string()),
      levels: v.array(v.string()),
      code: v.string(),
    }),
    refusals: [],
  },
  'GET /api/classes': {
    who: 'teacher',
    answer: v.array(
      v.strictObject({
        students: v.number(),
        sets: v.array(v.strictObject({ members: v.number(), groups: v.number(), id: v.string(), name: v.string() })),
        id: v.string(),
        name: v.string(),
        record: v.nullable(v.string()),
        code: v.string(),
        helping: v.boolean(),
        putAway: v.boolean(),
      }),
    ),
    refusals: [],
  },
  'POST /api/classes': {
    who: 'teacher',
    body: v.object({
      name: v.pipe(storedText(60), v.trim(), v.minLength(1)),
      zone: v.optional(v.pipe(storedText(60), v.check(isZone, 'There is no such time zone.'))),
    }),
    answer: v.strictObject({ id: v.string() }),
    refusals: ['bad-request', 'taken'],
  },
  'POST /api/classes/[id]/code': {
    who: { on: 'class', right: 'class.change' },
    answer: v.strictObject({ code: v.string() }),
    refusals: [],
  },
  'PUT /api/classes/[id]/levels': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ levels: v.pipe(v.array(storedText(LEVEL_LONGEST)), v.maxLength(MOST_STUDENTS)) }),
    answer: DONE,
    refusals: ['changed-elsewhere'],
  },
  'GET /api/classes/[id]/list': { who: { on: 'class', right: 'class.change' }, answer: 'a file', refusals: [] },
  'PUT /api/classes/[id]/newcomers': {
    who: { on: 'class', right: 'class.change' },
    body: v.variant('to', [
      v.strictObject({ to: v.literal('open') }),
      v.strictObject({ to: v.literal('closed') }),
      v.strictObject({ to: v.literal('kept'), name: v.pipe(storedText(60), v.trim(), v.minLength(1)) }),
    ]),
    answer: DONE,
    refusals: ['not-found', 'taken'],
  },
  'GET /api/classes/[id]/year': {
    who: { on: 'class', right: 'class.read' },
    answer: v.strictObject({
      works: v.array(v.strictObject({ day: v.string(), tags: v.array(v.string()), share: v.nullable(v.number()) })),
    }),
    refusals: [],
  },
  'DELETE /api/classes/[id]/assistants/[teacher]': {
    who: { on: 'class', right: 'class.change' },
    answer: DONE,
    refusals: ['not-found'],
  },
  'GET /api/classes/[id]/assistants': {
    who: { on: 'class', right: 'class.change' },
    answer: v.strictObject({
      invite: v.nullable(v.string()),
      assistants: v.array(v.strictObject({ id: v.string(), name: v.string() })),
    }),
    refusals: [],
  },
  'PUT /api/classes/[id]/assistants/invite': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ on: v.boolean() }),
    answer: v.strictObject({ invite: v.nullable(v.string()) }),
    refusals: [],
  },
  'DELETE /api/classes/[id]/sets/[set]': {
    who: { on: 'class', right: 'class.change' },
    answer: DONE,
    refusals: ['not-found'],
  },
  'PUT /api/classes/[id]/sets/[set]': {
    who: { on: 'class', right: 'class.change' },
    body: SetShape,
    answer: v.strictObject({ id: v.string() }),
    refusals: ['not-found', 'taken'],
  },
  'POST /api/classes/[id]/sets': {
    who: { on: 'class', right: 'class.change' },
    body: SetShape,
    answer: v.strictObject({ id: v.string() }),
    refusals: ['bad-request', 'not-found', 'taken'],
  },
  'PUT /api/classes/[id]/students/[student]/absent': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ day: DaySchema, absent: v.boolean() }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'PUT /api/classes/[id]/students/[student]': {
    who: { on: 'class', right: 'class.change' },
    body: v.strictObject({
      name: v.optional(v.pipe(storedText(NAME_LONGEST), v.transform(tidy))),
      preferred: v.optional(v.pipe(storedText(NAME_LONGEST), v.transform(tidy))),
      level: v.optional(v.pipe(storedText(LEVEL_LONGEST), v.transform(tidy))),
    }),
    answer: DONE,
    refusals: ['bad-name', 'not-found', 'taken'],
  },
  'PUT /api/classes/[id]/students/[student]/left': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ left: v.boolean() }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'POST /api/classes/[id]/students/[student]/link': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ to: v.picklist(['new', 'none']) }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'POST /api/classes/[id]/students/[student]/pictures': {
    who: { on: 'class', right: 'class.change' },
    answer: v.strictObject({ done: v.boolean() }),
    refusals: ['not-found'],
  },
  'POST /api/classes/[id]/students/[student]/same': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({ other: Id }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'GET /api/classes/[id]/students/[student]/year': {
    who: { on: 'class', right: 'class.read' },
    answer: v.strictObject({
      name: v.string(),
      className: v.string(),
      works: v.array(
        v.strictObject({
          handout: v.string(),
          slate: v.string(),
          title: v.string(),
          status: Status,
          handIn: v.boolean(),
          group: v.nullable(v.string()),
          points: v.nullable(v.number()),
          mostPoints: v.nullable(v.number()),
          levels: v.array(v.strictObject({ criterion: v.string(), level: v.string() })),
          comment: v.string(),
          classMean: v.nullable(v.number()),
          day: v.string(),
          tags: v.array(v.string()),
          share: v.nullable(v.number()),
        }),
      ),
    }),
    refusals: ['not-found'],
  },
  'PUT /api/classes/[id]': {
    who: { on: 'class', right: 'class.change' },
    body: v.strictObject({
      name: v.optional(v.pipe(storedText(60), v.trim(), v.minLength(1))),
      putAway: v.optional(v.boolean()),
    }),
    answer: DONE,
    refusals: ['taken'],
  },
  'GET /api/classes/[id]/cards': {
    who: { on: 'class', right: 'class.change' },
    answer: 'a file',
    refusals: ['too-heavy', 'busy'],
  },
  'GET /api/classes/[id]/groups': {
    who: { on: 'class', right: 'class.read' },
    query: v.object({ day: DaySchema }),
    answer: v.strictObject({
      students: v.array(
        v.strictObject({
          id: v.string(),
          name: v.string(),
          preferred: v.nullable(v.string()),
          level: v.nullable(v.string()),
        }),
      ),
      absent: v.array(v.string()),
      wishes: v.array(v.strictObject({ kind: v.picklist(['apart', 'together']), students: v.array(v.string()) })),
      sets: v.array(
        v.strictObject({
          id: v.string(),
          name: v.string(),
          groups: v.array(
            v.strictObject({ id: v.string(), name: v.string(), mark: v.string(), students: v.array(v.string()) }),
          ),
        }),
      ),
      id: v.string(),
      name: v.string(),
      levels: v.array(v.string()),
      code: v.string(),
    }),
    refusals: [],
  },
  'POST /api/classes/[id]/list': {
    who: { on: 'class', right: 'class.change' },
    body: v.object({
      students: v.pipe(v.array(ListedStudentSchema), v.minLength(1), v.maxLength(MOST_STUDENTS)),
      missing: v.picklist(MISSING),
      record: v.optional(v.pipe(storedText(80), v.minLength(1))),
      agreed: v.optional(v.pipe(v.array(v.pipe(v.number(), v.integer())), v.length(4))),
    }),
    size: 'list',
    answer: v.strictObject({
      added: v.array(Listed),
      changed: v.array(Change),
      back: v.array(Change),
      same: v.array(Known),
      leaving: v.array(Known),
      clashes: v.array(v.strictObject({ student: Listed, with: v.string() })),
      tooMany: v.boolean(),
    }),
    refusals: ['changed-elsewhere', 'bad-names'],
  },
} as const satisfies Record<RouteName, Route>
