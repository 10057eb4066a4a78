import * as v from 'valibot'
import { FileHashSchema } from '../board/ids'
import { BoardSchema } from '../board/board'
import { SUBJECTS } from '../board/librarySubjects'
import { RubricSchema } from '../handout/counting'
import { BoardOrderSchema } from '../paper/boardOrder'
import { PictureOrderSchema } from '../paper/pictureOrder'
import { storedText } from '../text/storedText'
import { DONE, type Route, type RouteName } from './route'

export const SHELF = {
  'POST /api/pronunciations': {
    who: 'teacher',
    body: v.object({ words: v.pipe(v.array(storedText(60)), v.maxLength(3000)) }),
    size: 'list',
    answer: v.strictObject({ sounds: v.array(v.strictTuple([v.string(), v.array(v.string())])) }),
    refusals: [],
  },
  'POST /api/boards/import': {
    who: 'teacher',
    answer: v.strictObject({ id: v.string(), missing: v.number() }),
    refusals: ['too-big', 'busy', 'bad-request', 'too-heavy', 'bad-board'],
  },
  'POST /api/boards': {
    who: 'teacher',
    body: v.object({
      title: BoardSchema.entries.title,
      board: v.optional(v.unknown()),
      organizer: v.optional(v.boolean(), false),
    }),
    size: 'board',
    answer: v.strictObject({ id: v.string() }),
    refusals: ['bad-board', 'bad-request', 'not-yours'],
  },
  'POST /api/clips': {
    who: 'teacher',
    answer: v.strictObject({
      hash: FileHashSchema,
      kind: v.picklist(['film', 'sound']),
      seconds: v.number(),
      width: v.number(),
      height: v.number(),
    }),
    refusals: [
      'too-big',
      'busy',
      'bad-request',
      'too-heavy',
      'too-many-pixels',
      'not-played',
      'too-long',
      'bad-clip',
      'no-room',
    ],
  },
  'POST /api/files': {
    who: 'teacher',
    answer: v.strictObject({ hash: FileHashSchema, width: v.number(), height: v.number() }),
    refusals: ['bad-request', 'too-heavy', 'busy', 'too-many-pixels', 'too-big', 'bad-picture'],
  },
  'GET /api/library/[name]': { who: 'somebody', answer: 'a file', refusals: ['not-found'] },
  'POST /api/library/[name]': {
    who: 'teacher',
    answer: v.strictObject({ hash: FileHashSchema, width: v.number(), height: v.number() }),
    refusals: ['not-found', 'bad-picture'],
  },
  'GET /api/library': {
    who: 'somebody',
    query: v.object({
      /** Words; without any all pictures of the subject. */
      q: v.optional(storedText(60), ''),
      subject: v.optional(v.picklist(SUBJECTS), SUBJECTS[0]),
      from: v.optional(v.pipe(v.string(), v.regex(/^\d{1,5}$/), v.transform(Number)), '0'),
    }),
    answer: v.strictObject({
      pictures: v.array(v.strictObject({ name: v.string(), words: v.string() })),
      of: v.number(),
    }),
    refusals: [],
  },
  'DELETE /api/rubrics/[id]': { who: 'teacher', answer: DONE, refusals: ['not-found'] },
  'GET /api/rubrics': {
    who: 'teacher',
    answer: v.array(
      v.strictObject({
        id: v.string(),
        name: v.string(),
        criteria: v.array(
          v.strictObject({
            name: v.string(),
            levels: v.array(v.strictObject({ name: v.string(), means: v.string() })),
          }),
        ),
      }),
    ),
    refusals: [],
  },
  'PUT /api/boards/[id]': {
    who: { on: 'board', right: 'board.change' },
    body: v.object({ version: v.pipe(v.number(), v.integer(), v.minValue(1)), board: v.unknown() }),
    size: 'board',
    answer: v.strictObject({ version: v.number() }),
    refusals: ['not-found', 'bad-board', 'changed-elsewhere', 'not-yours'],
  },
  'GET /api/boards/[id]/file': { who: { on: 'board', right: 'board.read' }, answer: 'a file', refusals: ['not-found'] },
  'GET /api/boards/[id]/paper': {
    who: { on: 'board', right: 'board.read' },
    query: BoardOrderSchema,
    answer: 'a file',
    refusals: ['not-found', 'too-heavy', 'busy'],
  },
  'GET /api/boards/[id]/picture': {
    who: { on: 'board', right: 'board.read' },
    query: PictureOrderSchema,
    answer: 'a file',
    refusals: ['not-found', 'too-heavy', 'busy'],
  },
  'GET /api/boards/[id]/qti': {
    who: { on: 'board', right: 'board.read' },
    query: v.object({ list: v.optional(v.picklist(['0', '1']), '0') }),
    answer: 'a file',
    refusals: ['not-found', 'too-heavy', 'busy'],
  },
  'PUT /api/boards/[id]/shelf': {
    who: { on: 'board', right: 'board.change' },
    body: v.object({ archived: v.optional(v.boolean()), organizer: v.optional(v.boolean()) }),
    answer: DONE,
    refusals: ['not-found'],
  },
  'PUT /api/rubrics': {
    who: 'teacher',
    body: RubricSchema,
    answer: v.strictObject({ id: v.string() }),
    refusals: ['full'],
  },
} as const satisfies Record<RouteName, Route>
