import * as v from 'valibot'
import { MOST_PAGES } from '../board/sizes'
import { SaidSchema } from '../handout/talk'
import { CallSchema } from '../lesson/callOut'
import { AskedSchema, JarSchema, QuestionChangeSchema, VoteSchema } from '../lesson/jarSchema'
import { LONGEST_NUDGE } from '../lesson/nudge'
import { ShowSchema } from '../lesson/show'
import { TimerSchema } from '../lesson/timerSchema'
import { LONGEST_NOTE } from '../margin/item'
import { storedText } from '../text/storedText'
import { SomeSlates, Status } from './fields'
import { DONE, type Route, type RouteName } from './route'

const LONGEST_MORE = 60 * 60

/** The question jar, as whoever asks sees it. */
const Jar = v.strictObject({
  jar: v.strictObject({ open: v.boolean(), named: v.boolean() }),
  questions: v.array(
    v.strictObject({
      id: v.string(),
      words: v.string(),
      name: v.nullable(v.string()),
      mine: v.boolean(),
      up: v.number(),
      down: v.number(),
      vote: v.union([v.literal(0), v.literal(1), v.literal(-1)]),
      answered: v.boolean(),
      hidden: v.boolean(),
    }),
  ),
})

export const LESSON = {
  'GET /api/handouts/[id]/lesson': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.strictObject({
      paused: v.boolean(),
      timer: v.nullable(
        v.strictObject({
          left: v.number(),
          countdown: v.number(),
          atEnd: v.picklist(['hand-in', 'nothing', 'pencils-down']),
          onSlates: v.boolean(),
        }),
      ),
      show: v.strictObject({
        what: v.union([
          v.strictObject({ kind: v.literal('nothing') }),
          v.strictObject({ kind: v.literal('way-in') }),
          v.strictObject({ kind: v.literal('board'), revealed: v.number() }),
          v.strictObject({ kind: v.literal('class') }),
          v.strictObject({ kind: v.literal('question'), question: v.string() }),
          v.strictObject({ kind: v.literal('slates'), slates: v.array(v.string()) }),
        ]),
        page: v.number(),
        names: v.boolean(),
        timer: v.boolean(),
        pen: v.array(v.array(v.strictTuple([v.number(), v.number()]))),
      }),
      jar: v.strictObject({ open: v.boolean(), named: v.boolean() }),
      call: v.nullable(
        v.strictObject({ id: v.string(), number: v.number(), page: v.number(), target: v.string(), since: v.number() }),
      ),
      nudges: v.array(v.strictObject({ slate: v.string(), words: v.string(), seen: v.boolean() })),
    }),
    refusals: [],
  },
  'GET /api/handouts/[id]/line': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.array(
      v.strictObject({
        id: v.string(),
        name: v.string(),
        mark: v.nullable(v.string()),
        status: Status,
        reviewed: v.boolean(),
        unsure: v.number(),
      }),
    ),
    refusals: [],
  },
  'GET /api/handouts/[id]/open': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.strictObject({ now: v.number(), slates: v.record(v.string(), v.array(v.string())) }),
    refusals: [],
  },
  'GET /api/handouts/[id]/put-up': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.array(
      v.strictObject({
        kind: v.picklist(['heading', 'line', 'question', 'thing']),
        id: v.string(),
        slate: v.nullable(v.string()),
        words: v.string(),
        picture: v.nullable(v.strictObject({ id: v.string(), library: v.boolean() })),
        by: v.string(),
        at: v.string(),
        hidden: v.boolean(),
        waits: v.boolean(),
      }),
    ),
    refusals: [],
  },
  'PUT /api/handouts/[id]/screen': {
    who: { on: 'handout', right: 'handout.show' },
    body: v.strictObject({ show: ShowSchema }),
    size: 'list',
    answer: DONE,
    refusals: [],
  },
  'POST /api/handouts/[id]/timer': {
    who: { on: 'handout', right: 'handout.pause' },
    body: v.strictObject({ seconds: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(LONGEST_MORE)) }),
    answer: DONE,
    refusals: ['not-now'],
  },
  'PUT /api/handouts/[id]/timer': {
    who: { on: 'handout', right: 'handout.pause' },
    body: v.strictObject({ timer: v.nullable(TimerSchema) }),
    answer: DONE,
    refusals: [],
  },
  'DELETE /api/handouts/[id]/callouts': { who: { on: 'handout', right: 'handout.call' }, answer: DONE, refusals: [] },
  'GET /api/handouts/[id]/callouts': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.array(
      v.strictObject({
        builds: v.array(
          v.strictObject({
            is_there: v.picklist(['not-yet', 'there', 'unsure']),
            way: v.string(),
            after_s: v.nullable(v.number()),
            slate: v.string(),
          }),
        ),
        number: v.number(),
        id: v.string(),
        target: v.string(),
      }),
    ),
    refusals: [],
  },
  'PUT /api/handouts/[id]/questions/[question]': {
    who: { on: 'handout', right: 'handout.jar' },
    body: QuestionChangeSchema,
    answer: DONE,
    refusals: ['not-found'],
  },
  'GET /api/handouts/[id]/questions': { who: { on: 'handout', right: 'handout.jar' }, answer: Jar, refusals: [] },
  'POST /api/sentences/forget': {
    who: 'teacher',
    body: v.strictObject({ words: storedText(LONGEST_NOTE) }),
    answer: DONE,
    refusals: [],
  },
  'GET /api/sentences': {
    who: 'teacher',
    query: v.object({ about: v.optional(v.pipe(v.string(), v.maxLength(80))) }),
    answer: v.array(v.string()),
    refusals: [],
  },
  'PUT /api/slates/[id]/hand': {
    who: { on: 'slate', right: 'slate.ask-for-help' },
    body: v.object({ up: v.boolean() }),
    size: 'anybody',
    answer: DONE,
    refusals: ['not-now'],
  },
  'GET /api/slates/[id]/lesson': {
    who: { on: 'slate', right: 'slate.read' },
    answer: v.strictObject({
      timer: v.nullable(
        v.strictObject({
          left: v.number(),
          countdown: v.number(),
          atEnd: v.picklist(['hand-in', 'nothing', 'pencils-down']),
          onSlates: v.boolean(),
        }),
      ),
      jar: v.boolean(),
      call: v.nullable(
        v.strictObject({ id: v.string(), number: v.number(), page: v.number(), target: v.string(), since: v.number() }),
      ),
      nudges: v.array(v.strictObject({ id: v.string(), words: v.string() })),
    }),
    refusals: [],
  },
  'PUT /api/slates/[id]/nudges/[nudge]': {
    who: { on: 'slate', right: 'slate.ask-for-help' },
    answer: DONE,
    refusals: ['not-found'],
  },
  'PUT /api/slates/[id]/questions/[question]': {
    who: { on: 'slate', right: 'slate.question' },
    body: VoteSchema,
    size: 'anybody',
    answer: DONE,
    refusals: ['not-found', 'too-often', 'not-now'],
  },
  'GET /api/slates/[id]/questions': { who: { on: 'slate', right: 'slate.question' }, answer: Jar, refusals: [] },
  'POST /api/slates/[id]/questions': {
    who: { on: 'slate', right: 'slate.question' },
    body: AskedSchema,
    size: 'anybody',
    answer: DONE,
    refusals: ['too-often', 'not-now', 'full'],
  },
  'PUT /api/slates/[id]/talk/[line]': {
    who: { on: 'slate', right: 'slate.hide' },
    body: v.object({ hidden: v.boolean() }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'POST /api/slates/[id]/talk': {
    who: { on: 'slate', right: 'slate.talk' },
    body: SaidSchema,
    size: 'anybody',
    answer: DONE,
    refusals: ['too-often', 'not-found', 'full', 'talk-closed'],
  },
  'POST /api/handouts/[id]/nudges': {
    who: { on: 'handout', right: 'margin.write' },
    body: v.strictObject({
      words: v.pipe(storedText(LONGEST_NUDGE), v.trim(), v.minLength(1)),
      slates: v.optional(SomeSlates),
    }),
    answer: v.strictObject({ count: v.number() }),
    refusals: ['full'],
  },
  'PUT /api/handouts/[id]/pencils': {
    who: { on: 'handout', right: 'handout.pause' },
    body: v.strictObject({ down: v.boolean(), slates: v.optional(SomeSlates) }),
    answer: DONE,
    refusals: [],
  },
  'POST /api/handouts/[id]/callouts': {
    who: { on: 'handout', right: 'handout.call' },
    body: v.strictObject({
      target: CallSchema,
      page: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_PAGES - 1)),
    }),
    answer: v.strictObject({
      id: v.string(),
      number: v.number(),
      page: v.number(),
      target: v.string(),
      since: v.number(),
    }),
    refusals: ['nothing-to-build-with', 'not-read', 'cannot-be-made'],
  },
  'PUT /api/handouts/[id]/questions': {
    who: { on: 'handout', right: 'handout.jar' },
    body: JarSchema,
    answer: DONE,
    refusals: [],
  },
} as const satisfies Record<RouteName, Route>
