import type { Kysely } from 'kysely'
import type { HandoutFile } from '../../../core/along/handout'
import type { Database } from '../../database/tables'

type Db = Kysely<Database>

/** What was asked in the lessons of a handout, by whom, and who was for it or against. */
export async function jarWithQuestions(
  db: Db,
  handout: string,
  students: ReadonlyMap<string, number>,
): Promise<Pick<HandoutFile, 'jar' | 'questions'>> {
  const jar = await db
    .selectFrom('jars')
    .select(['is_open as open', 'named'])
    .where('handout_id', '=', handout)
    .executeTakeFirst()
  const rows = await db
    .selectFrom('questions')
    .selectAll()
    .where('handout_id', '=', handout)
    .orderBy('number')
    .execute()
  const votes = await db
    .selectFrom('question_votes')
    .innerJoin('questions', 'questions.id', 'question_votes.question_id')
    .select(['question_id', 'question_votes.student_id', 'vote'])
    .where('handout_id', '=', handout)
    .orderBy('question_votes.student_id')
    .execute()
  return {
    jar: jar ?? null,
    questions: rows.flatMap(({ id, student_id, words, named, at, answered_at, hidden_at }) => {
      const student = students.get(student_id)
      if (student === undefined) return []
      const mine = votes.filter(one => one.question_id === id)
      return [
        {
          student,
          words,
          named,
          at: at.toISOString(),
          answered: answered_at?.toISOString() ?? null,
          hidden: hidden_at?.toISOString() ?? null,
          votes: mine
            .flatMap(({ student_id: voter, vote }) => {
              const number = students.get(voter)
              return number === undefined ? [] : [{ student: number, up: vote > 0 }]
            })
            .toSorted((a, b) => a.student - b.student),
        },
      ]
    }),
  }
}

/** Targets that were called out, and how the slates stood to them; a slate is named by its file. */
export async function callOutsOf(
  db: Db,
  handout: string,
  fileOf: ReadonlyMap<string, string>,
): Promise<HandoutFile['callOuts']> {
  const calls = await db
    .selectFrom('callouts')
    .selectAll()
    .where('handout_id', '=', handout)
    .orderBy('number')
    .execute()
  const builds = await db
    .selectFrom('builds')
    .innerJoin('callouts', 'callouts.id', 'builds.callout_id')
    .selectAll('builds')
    .where('callouts.handout_id', '=', handout)
    .execute()
  return calls.map(({ id, page, target, called_at, ended_at }) => ({
    page,
    target,
    called: called_at.toISOString(),
    ended: ended_at?.toISOString() ?? null,
    builds: builds
      .flatMap(({ callout_id, slate_id, number, is_there, way, after_s }) => {
        const slate = callout_id === id ? fileOf.get(slate_id) : undefined
        return slate === undefined ? [] : [{ slate, number, is: is_there, way, after: after_s }]
      })
      .toSorted((a, b) => (a.slate < b.slate ? -1 : 1)),
  }))
}
