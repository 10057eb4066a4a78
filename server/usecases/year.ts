import type { Kysely } from 'kysely'
import type { Rubric } from '../../core/handout/counting'
import { NO_REVIEW } from '../../core/handout/review'
import { mean } from '../../core/findings/statistics'
import type { StudentWork, Work } from '../../core/findings/year'
import { withDecisions } from '../../core/keys/mark'
import { marginShows } from '../../core/slate/status'
import type { Database } from '../database/tables'
import type { Services } from '../services'

type Db = Kysely<Database>

/** Handouts of a class that are looked at, the latest: more than a school year has weeks. */
const MOST_HANDOUTS = 60

async function handoutsOfClass(db: Db, classId: string) {
  const rows = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .select([
      'handouts.id',
      'handouts.given_at',
      'handouts.points',
      'handouts.rubric',
      'handouts.hand_in as handIn',
      'boards.title',
      'boards.document',
    ])
    .where('handouts.class_id', '=', classId)
    .where('handouts.given_at', 'is not', null)
    .orderBy('handouts.given_at', 'desc')
    .limit(MOST_HANDOUTS)
    .execute()
  return rows
    .toReversed()
    .map(({ document, given_at, ...row }) => ({
      ...row,
      day: given_at!.toISOString().slice(0, 10),
      tags: [...(document.subject ? [document.subject] : []), ...(document.tags ?? [])],
    }))
}

/** The share of points of every slate of these handouts on which something was done. */
async function sharesOf({ db, outcomes }: Pick<Services, 'db' | 'outcomes'>, handouts: readonly string[]) {
  if (handouts.length === 0) return new Map<string, { handout: string; share: number | null }>()
  const rows = await db
    .selectFrom('slates')
    .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
    .select(['slates.id', 'slates.handout_id', 'reviews.decisions'])
    .where('slates.handout_id', 'in', [...handouts])
    .where('slates.last_number', '>', 0)
    .execute()
  const marked = await outcomes.of(rows.map(row => row.id))
  return new Map(
    rows.map(({ id, handout_id, decisions }) => {
      const one = marked.get(id)
      const keys = one?.ok ? withDecisions(one.value.keys, decisions ?? {}) : []
      const of = keys.reduce((sum, key) => sum + key.of, 0)
      const points = keys.reduce((sum, key) => sum + key.points, 0)
      return [id, { handout: handout_id, share: of ? points / of : null }] as const
    }),
  )
}

const classMeans = (shares: ReadonlyMap<string, { handout: string; share: number | null }>, handout: string) =>
  mean([...shares.values()].flatMap(one => (one.handout === handout && one.share !== null ? [one.share] : [])))

/** How a class did in each subject and tag, handout by handout. */
export async function classYear(services: Pick<Services, 'db' | 'outcomes'>, classId: string): Promise<Work[]> {
  const handouts = await handoutsOfClass(services.db, classId)
  const shares = await sharesOf(
    services,
    handouts.map(one => one.id),
  )
  return handouts.map(({ id, day, tags }) => ({ day, tags, share: classMeans(shares, id) }))
}

/**
 * One student over all that the class was given, the earliest first: no other name is in it. Null where no such student
 * is in the class. What isn't handed back has no comment and no points yet.
 */
export async function studentYear(
  services: Pick<Services, 'db' | 'outcomes'>,
  { classId, student }: { readonly classId: string; readonly student: string },
): Promise<{ name: string; className: string; works: StudentWork[] } | null> {
  const { db } = services
  const who = await db
    .selectFrom('students')
    .innerJoin('classes', 'classes.id', 'students.class_id')
    .select(['students.name', 'classes.name as className'])
    .where('students.id', '=', student)
    .where('students.class_id', '=', classId)
    .executeTakeFirst()
  if (!who) return null
  const handouts = await handoutsOfClass(db, classId)
  const ids = handouts.map(one => one.id)
  const shares = await sharesOf(services, ids)
  const slates = ids.length
    ? await db
        .selectFrom('slate_members')
        .innerJoin('slates', 'slates.id', 'slate_members.slate_id')
        .leftJoin('reviews', 'reviews.slate_id', 'slates.id')
        .select([
          'slates.id',
          'slates.handout_id',
          'slates.kind',
          'slates.name',
          'slates.status',
          'slate_members.hand',
          'reviews.comment',
          'reviews.points',
          'reviews.levels',
          'reviews.alone',
        ])
        .where('slate_members.student_id', '=', student)
        .where('slate_members.until_at', 'is', null)
        .where('slates.handout_id', 'in', ids)
        .execute()
    : []
  const works = handouts.flatMap(({ id, day, tags, title, points: mostPoints, rubric, handIn }): StudentWork[] => {
    const own = slates.find(one => one.handout_id === id)
    if (!own) return []
    const review = marginShows(own.status) ? own : NO_REVIEW
    const alone = review.alone?.[`student:${own.hand}`]
    const points = alone?.points ?? review.points ?? null
    return [
      {
        handout: id,
        slate: own.id,
        title,
        day,
        tags,
        status: own.status,
        handIn,
        group: own.kind === 'frame' ? own.name : null,
        share: shares.get(own.id)?.share ?? null,
        points: points === null ? null : Number(points),
        mostPoints,
        levels: levelWords(review.levels ?? {}, rubric),
        comment: [review.comment, alone?.comment].filter(Boolean).join('\n'),
        classMean: classMeans(shares, id),
      },
    ]
  })
  return { ...who, works }
}

const levelWords = (levels: Readonly<Record<string, number>>, rubric: Rubric | null) =>
  (rubric?.criteria ?? []).flatMap((criterion, i) => {
    const level = criterion.levels[levels[String(i)] ?? -1]
    return level ? [{ criterion: criterion.name, level: level.name }] : []
  })
