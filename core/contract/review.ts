import * as v from 'valibot'
import type { PieceId } from '../board/ids'
import { ReviewChangeSchema } from '../handout/review'
import { DecisionNameSchema, DecisionSchema } from '../keys/mark'
import { SecondThoughtSchema, WrittenItemSchema } from '../margin/item'
import { Id, SomeSlates, StatusNow } from './fields'
import { DONE, type Route, type RouteName } from './route'

/** Whatever a slate names, copies too. */
const Piece = v.custom<PieceId>(piece => typeof piece === 'string')
const { piece, lay, why } = SecondThoughtSchema.entries
const MOST_PIECES = 100

export const REVIEW = {
  'DELETE /api/handouts/[id]/hand-back': {
    who: { on: 'handout', right: 'handout.review' },
    answer: DONE,
    refusals: [],
  },
  'POST /api/handouts/[id]/held-pages': {
    who: { on: 'handout', right: 'handout.correct' },
    answer: v.strictObject({ changed: v.number(), unreadable: v.number() }),
    refusals: [],
  },
  'POST /api/handouts/[id]/outcomes': {
    who: { on: 'handout', right: 'handout.walk' },
    body: v.object({ slates: v.optional(SomeSlates) }),
    answer: v.record(
      v.string(),
      v.strictObject({
        number: v.number(),
        verdicts: v.record(v.string(), v.picklist(['not-placed', 'noted', 'on-the-line', 'right', 'wrong'])),
      }),
    ),
    refusals: [],
  },
  'GET /api/handouts/[id]/trails': {
    who: { on: 'handout', right: 'handout.walk' },
    answer: v.record(
      v.string(),
      v.strictObject({
        steps: v.array(v.strictObject({ piece: Piece, where: v.string(), at: v.number() })),
        hintAt: v.nullable(v.number()),
      }),
    ),
    refusals: [],
  },
  'PUT /api/handouts/[id]/versions': {
    who: { on: 'handout', right: 'handout.correct' },
    body: v.object({ slate: Id, version: v.nullable(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(8))) }),
    answer: DONE,
    refusals: ['not-found', 'unreadable'],
  },
  'GET /api/slates/[id]/annotations': {
    who: { on: 'slate', right: 'slate.review' },
    answer: v.strictObject({
      '@context': v.literal('http://www.w3.org/ns/anno.jsonld'),
      id: v.string(),
      type: v.literal('AnnotationPage'),
      items: v.array(v.custom<object>(item => typeof item === 'object' && item !== null)),
    }),
    refusals: ['unreadable'],
  },
  'POST /api/slates/[id]/hand-back': {
    who: { on: 'slate', right: 'slate.hand-back' },
    body: v.object({ again: v.optional(v.boolean(), false) }),
    answer: StatusNow,
    refusals: ['unreadable', 'not-now'],
  },
  'PUT /api/slates/[id]/seen': { who: { on: 'slate', right: 'slate.see' }, answer: DONE, refusals: [] },
  'PUT /api/slates/[id]/margin/[item]': {
    who: { on: 'slate', right: 'margin.write' },
    body: v.object({ removed: v.boolean() }),
    answer: v.strictObject({ done: v.boolean() }),
    refusals: ['not-found'],
  },
  'POST /api/handouts/[id]/also-right': {
    who: { on: 'handout', right: 'handout.correct' },
    body: v.object({
      item: DecisionNameSchema,
      /** On which what was done is right as well. */
      slate: Id,
      /** Without it, it is only said what would change. */
      apply: v.boolean(),
      /** Also on the board that the handout came from. */
      shelf: v.optional(v.boolean(), false),
    }),
    answer: v.strictObject({
      changes: v.array(v.strictObject({ slate: v.string(), name: v.string(), before: v.number(), after: v.number() })),
      onShelf: v.nullable(v.boolean()),
    }),
    refusals: ['not-found', 'one-answer'],
  },
  'GET /api/handouts/[id]/correction': {
    who: { on: 'handout', right: 'handout.correct' },
    answer: v.strictObject({
      upToDate: v.boolean(),
      heldBack: v.number(),
      slates: v.number(),
      touched: v.array(
        v.strictObject({
          what: v.picklist([
            'arrow-gone',
            'ink-gone',
            'own-gone',
            'piece-added',
            'piece-gone',
            'piece-moved',
            'piece-shelved',
            'piece-straightened',
            'text-gone',
          ]),
          slates: v.number(),
        }),
      ),
      unreadable: v.number(),
    }),
    refusals: ['not-found'],
  },
  'POST /api/handouts/[id]/correction': {
    who: { on: 'handout', right: 'handout.correct' },
    answer: v.strictObject({ changed: v.number(), unreadable: v.number() }),
    refusals: ['not-found'],
  },
  'PUT /api/handouts/[id]/decisions': {
    who: { on: 'handout', right: 'handout.review' },
    body: v.object({ item: DecisionNameSchema, verdict: v.nullable(DecisionSchema), slates: SomeSlates }),
    answer: v.strictObject({ slates: v.number() }),
    refusals: [],
  },
  'POST /api/handouts/[id]/give-out': {
    who: { on: 'handout', right: 'handout.correct' },
    answer: v.strictObject({ slates: v.number() }),
    refusals: ['not-found', 'put-away', 'no-students', 'empty-set', 'nothing-left', 'not-now'],
  },
  'PUT /api/slates/[id]/review': {
    who: { on: 'slate', right: 'slate.review' },
    body: ReviewChangeSchema,
    answer: v.strictObject({ done: v.boolean() }),
    refusals: ['not-found', 'bad-request'],
  },
  'POST /api/slates/[id]/second-thoughts': {
    who: { on: 'slate', right: 'slate.set-aside' },
    body: v.strictObject({
      pieces: v.pipe(v.array(v.strictObject({ piece, lay })), v.minLength(1), v.maxLength(MOST_PIECES)),
      why,
    }),
    answer: v.strictObject({ ids: v.array(v.string()) }),
    refusals: ['bad-request', 'not-now'],
  },
  'POST /api/slates/[id]/margin': {
    who: { on: 'slate', right: 'margin.write' },
    body: v.strictObject({ item: WrittenItemSchema, shown: v.optional(v.boolean(), false) }),
    answer: v.strictObject({ id: v.string() }),
    refusals: ['not-found', 'bad-request'],
  },
} as const satisfies Record<RouteName, Route>
