import type { Kysely } from 'kysely'
import {
  inOrder,
  MOST_QUESTIONS,
  MOST_QUESTIONS_EACH,
  type JarSetting,
  type Question,
  type QuestionChange,
  type Vote,
} from '../../../core/lesson/jar'
import type { Asked } from '../../../core/lesson/jarSchema'
import { ok, refuse, type Result } from '../../../core/result'
import type { Database } from '../../database/tables'
import { withNews } from '../../news/wire'
import type { Services } from '../../services'

type Db = Kysely<Database>
type Told = Pick<Services, 'db' | 'wire'>

/** Closed and nameless where none was ever opened. */
export async function jarOf(db: Db, handout: string): Promise<JarSetting> {
  const row = await db
    .selectFrom('jars')
    .select(['is_open', 'named'])
    .where('handout_id', '=', handout)
    .executeTakeFirst()
  return { open: row?.is_open ?? false, named: row?.named ?? false }
}

export const setJar = (services: Told, handout: string, { open, named }: JarSetting): Promise<void> =>
  withNews(services, async (trx, news) => {
    await trx
      .insertInto('jars')
      .values({ handout_id: handout, is_open: open, named })
      .onConflict(conflict => conflict.column('handout_id').doUpdateSet({ is_open: open, named }))
      .execute()
    news.push({ scope: 'handout', handout, changed: 'lesson' })
  })

/**
 * Who reads: staff see all; a student, and the class before the class screen, no hidden question, and names only where
 * it was asked by name.
 */
export type Reader = { readonly kind: 'student'; readonly id: string } | { readonly kind: 'class' | 'staff' }

export async function questionsOf(db: Db, handout: string, reader: Reader): Promise<Question[]> {
  const me = reader.kind === 'student' ? reader.id : null
  const rows = await db
    .selectFrom('questions')
    .innerJoin('students', 'students.id', 'questions.student_id')
    .leftJoin('question_votes as votes', 'votes.question_id', 'questions.id')
    .select(eb => [
      'questions.id',
      'questions.words',
      'questions.named',
      'questions.student_id as by',
      'questions.answered_at',
      'questions.hidden_at',
      'students.name',
      eb.fn.count<string>('votes.vote').filterWhere('votes.vote', '=', 1).as('up'),
      eb.fn.count<string>('votes.vote').filterWhere('votes.vote', '=', -1).as('down'),
      eb.fn.sum<string | null>('votes.vote').filterWhere('votes.student_id', 'is not distinct from', me).as('vote'),
    ])
    .where('questions.handout_id', '=', handout)
    .$if(reader.kind !== 'staff', query => query.where('questions.hidden_at', 'is', null))
    .groupBy(['questions.id', 'students.name'])
    .orderBy('questions.number')
    .limit(MOST_QUESTIONS)
    .execute()
  return inOrder(
    rows.map(row => ({
      id: row.id,
      words: row.words,
      name: reader.kind === 'staff' || row.named || row.by === me ? row.name : null,
      mine: row.by === me,
      up: Number(row.up),
      down: Number(row.down),
      vote: Number(row.vote ?? 0) as Vote,
      answered: row.answered_at !== null,
      hidden: row.hidden_at !== null,
    })),
  )
}

/** *not-now*: the jar is closed. *full*: one has asked as much as one may, or the jar holds no more. */
export type AskRefusal = 'not-now' | 'full'

/** Asked twice with one id it is asked once; an id that is somebody else's question changes nothing. */
export function askQuestion(
  services: Told,
  handout: string,
  student: string,
  { id, words }: Asked,
): Promise<Result<null, AskRefusal>> {
  return withNews(services, async (trx, news) => {
    // One after the other, so that a burst doesn't pass the count.
    const jar = await trx
      .selectFrom('jars')
      .select(['is_open', 'named'])
      .where('handout_id', '=', handout)
      .forUpdate()
      .executeTakeFirst()
    if (!jar?.is_open) return refuse('not-now')
    const { own, all, same } = await trx
      .selectFrom('questions')
      .select(eb => [
        eb.fn.countAll<string>().filterWhere('student_id', '=', student).as('own'),
        eb.fn.countAll<string>().as('all'),
        eb.fn.countAll<string>().filterWhere('id', '=', id).as('same'),
      ])
      .where('handout_id', '=', handout)
      .executeTakeFirstOrThrow()
    if (Number(same) > 0) return ok(null)
    if (Number(own) >= MOST_QUESTIONS_EACH || Number(all) >= MOST_QUESTIONS) return refuse('full')
    await trx
      .insertInto('questions')
      .values({ id, handout_id: handout, student_id: student, words, named: jar.named })
      .onConflict(conflict => conflict.doNothing())
      .execute()
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return ok(null)
  })
}

/** For, against, or neither any more; one vote each. Nobody votes on what they have asked themselves. */
export function vote(
  services: Told,
  { handout, question, student }: { readonly handout: string; readonly question: string; readonly student: string },
  how: Vote,
): Promise<Result<null, 'not-now' | 'not-found'>> {
  return withNews(services, async (trx, news) => {
    if (!(await jarOf(trx, handout)).open) return refuse('not-now')
    const asked = await trx
      .selectFrom('questions')
      .select(['student_id', 'hidden_at'])
      .where('id', '=', question)
      .where('handout_id', '=', handout)
      .executeTakeFirst()
    if (!asked || asked.hidden_at || asked.student_id === student) return refuse('not-found')
    if (how === 0)
      await trx
        .deleteFrom('question_votes')
        .where('question_id', '=', question)
        .where('student_id', '=', student)
        .execute()
    else
      await trx
        .insertInto('question_votes')
        .values({ question_id: question, student_id: student, vote: how })
        .onConflict(conflict => conflict.columns(['question_id', 'student_id']).doUpdateSet({ vote: how }))
        .execute()
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return ok(null)
  })
}

/** A teacher hides a question, or says that it is answered; it is known who hid it. False when there is none. */
export function changeQuestion(
  services: Told,
  { handout, question, teacher }: { readonly handout: string; readonly question: string; readonly teacher: string },
  { hidden, answered }: QuestionChange,
): Promise<boolean> {
  return withNews(services, async (trx, news) => {
    const now = new Date()
    const { numUpdatedRows } = await trx
      .updateTable('questions')
      .set({
        ...(hidden !== undefined && { hidden_at: hidden ? now : null, hidden_by: hidden ? teacher : null }),
        ...(answered !== undefined && { answered_at: answered ? now : null }),
      })
      .where('id', '=', question)
      .where('handout_id', '=', handout)
      .executeTakeFirst()
    if (numUpdatedRows === 0n) return false
    news.push({ scope: 'handout', handout, changed: 'lesson' })
    return true
  })
}
