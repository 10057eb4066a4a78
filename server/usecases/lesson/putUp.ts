import { sql, type Kysely } from 'kysely'
import { inQueue, shownOf, type PutUp } from '../../../core/lesson/putUp'
import { isStudent, type Author } from '../../../core/slate/actor'
import type { Database } from '../../database/tables'
import { loadStates } from '../../database/loadState'
import type { Services } from '../../services'
import { waitingIn } from '../slatePictures'
import { questionsOf } from './jar'

type Db = Kysely<Database>

/** The newest; who looks at more has hidden none of it in time. */
const MOST_SHOWN = 300

/** All that students of a handout put where others see it: on slates of several and pages, in talk, in the jar. */
export async function putUpOn({ db, engine }: Pick<Services, 'db' | 'engine'>, handout: string): Promise<PutUp[]> {
  const slates = await db
    .selectFrom('slates')
    .select(['id', 'edition_hash as edition', 'last_number as last'])
    .where('handout_id', '=', handout)
    .where('kind', '<>', 'copy')
    .execute()
  const ids = slates.map(slate => slate.id)
  const name = await namesOf(db, ids)
  const all = [
    ...(await thingsOn({ db, engine }, handout, slates, name)),
    ...(await linesOn(db, ids, name)),
    ...(await questionsIn(db, handout)),
    ...(await headingsOn(db, handout, name)),
  ]
  return inQueue(all).slice(0, MOST_SHOWN)
}

type NameOf = (slate: string, author: Author) => string

/** By whoever was on the slate, also those who have gone to another. */
async function namesOf(db: Db, slates: readonly string[]): Promise<NameOf> {
  const rows = slates.length
    ? await db
        .selectFrom('slate_members')
        .innerJoin('students', 'students.id', 'slate_members.student_id')
        .select(['slate_members.slate_id', 'slate_members.hand', 'students.name'])
        .where('slate_members.slate_id', 'in', slates)
        .execute()
    : []
  const names = new Map(rows.map(row => [`${row.slate_id} student:${row.hand}`, row.name]))
  return (slate, author) => names.get(`${slate} ${author}`) ?? ''
}

async function thingsOn(
  { db, engine }: Pick<Services, 'db' | 'engine'>,
  handout: string,
  slates: readonly { readonly id: string; readonly edition: string; readonly last: number }[],
  name: NameOf,
): Promise<PutUp[]> {
  const touched = slates.filter(slate => slate.last > 0)
  if (touched.length === 0) return []
  const states = await loadStates(db, engine.editions, touched)
  const { rows } = await sql<{ slate_id: string; thing: string; at: Date }>`
    select slate_id, move->>'thing' as thing, min(at) as at from moves
    where slate_id = any(${touched.map(slate => slate.id)}::uuid[]) and move->>'kind' = 'own' group by 1, 2`.execute(db)
  const since = new Map(rows.map(row => [`${row.slate_id} ${row.thing}`, row.at.toISOString()]))
  const waiting = new Set((await waitingIn(db, handout)).map(one => `${one.slate} ${one.picture}`))
  return touched.flatMap(({ id: slate }) =>
    Object.entries(states.get(slate)?.state.own ?? {}).flatMap(([id, thing]): PutUp[] => {
      const shown = shownOf(thing)
      if (!shown || thing.gone || !isStudent(thing.by)) return []
      return [
        {
          ...shown,
          kind: 'thing',
          id,
          slate,
          by: name(slate, thing.by),
          at: since.get(`${slate} ${id}`) ?? '',
          hidden: !!thing.hidden,
          waits: !!shown.picture && !shown.picture.library && waiting.has(`${slate} ${shown.picture.id}`),
        },
      ]
    }),
  )
}

/** Of own pages: each is its one student's. */
async function headingsOn(db: Db, handout: string, name: NameOf): Promise<PutUp[]> {
  const rows = await db
    .selectFrom('slates')
    .select(['id', 'name', 'named_at', 'name_hidden_at'])
    .where('handout_id', '=', handout)
    .where('kind', '=', 'page')
    .where('name', 'is not', null)
    .execute()
  return rows.map(row => ({
    kind: 'heading',
    id: row.id,
    slate: row.id,
    words: row.name!,
    picture: null,
    by: name(row.id, 'student:1'),
    at: row.named_at?.toISOString() ?? '',
    hidden: row.name_hidden_at !== null,
    waits: false,
  }))
}

async function linesOn(db: Db, slates: readonly string[], name: NameOf): Promise<PutUp[]> {
  if (slates.length === 0) return []
  const rows = await db
    .selectFrom('talk')
    .select(['id', 'slate_id as slate', 'by', 'words', 'at', 'hidden_at'])
    .where('slate_id', 'in', slates)
    .where('by', 'like', sql<Author>`'student:%'`)
    // An answer to a note is the teacher's alone.
    .where('about', 'is', null)
    .orderBy('at', 'desc')
    .limit(MOST_SHOWN)
    .execute()
  return rows.map(({ id, slate, by, words, at, hidden_at }) => ({
    kind: 'line',
    id,
    slate,
    words,
    picture: null,
    by: name(slate, by),
    at: at.toISOString(),
    hidden: hidden_at !== null,
    waits: false,
  }))
}

async function questionsIn(db: Db, handout: string): Promise<PutUp[]> {
  const questions = await questionsOf(db, handout, { kind: 'staff' })
  const times = new Map(
    (await db.selectFrom('questions').select(['id', 'at']).where('handout_id', '=', handout).execute()).map(row => [
      row.id,
      row.at.toISOString(),
    ]),
  )
  return questions.map(question => ({
    kind: 'question',
    id: question.id,
    slate: null,
    words: question.words,
    picture: null,
    by: question.name ?? '',
    at: times.get(question.id) ?? '',
    hidden: question.hidden,
    waits: false,
  }))
}
