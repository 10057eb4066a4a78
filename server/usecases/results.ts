import type { Kysely } from 'kysely'
import { itemsTable, movesTable, studentsTable, type SlateResult, type Table } from '../../core/format/results'
import { webAnnotations, type AnnotationPage } from '../../core/format/webAnnotation'
import { withDecisions } from '../../core/keys/mark'
import { loadStates } from '../database/loadState'
import type { Database } from '../database/tables'
import type { Services } from '../services'
import { marginOf, reviewOf } from './review'
import { byNames } from './slates'

type Db = Kysely<Database>
type Read = Pick<Services, 'db' | 'engine' | 'outcomes'>
/** Moves of a whole handout in one table; a spreadsheet shows no more rows than about so many. */
const MOST_MOVES = 1_000_000

export const TABLES = ['students', 'items', 'moves'] as const
export type TableName = (typeof TABLES)[number]

/** A handout's results as a table. What can't be read is left out. */
export async function resultsOf(services: Read, handout: string, table: TableName): Promise<Table> {
  const rows = await slatesIn(services.db, handout)
  return table === 'moves' ? movesTable(await movesOf(services.db, rows)) : MADE[table](await allOf(services, rows))
}

/** All tables of a handout; what they rest on is worked out once. */
export async function allResultsOf(services: Read, handout: string): Promise<Readonly<Record<TableName, Table>>> {
  const rows = await slatesIn(services.db, handout)
  const results = await allOf(services, rows)
  return {
    students: MADE.students(results),
    items: MADE.items(results),
    moves: movesTable(await movesOf(services.db, rows)),
  }
}

const MADE: { readonly [Name in Exclude<TableName, 'moves'>]: (results: readonly SlateResult[]) => Table } = {
  students: studentsTable,
  items: itemsTable,
}

async function allOf(services: Read, rows: readonly SlateRow[]): Promise<SlateResult[]> {
  const results: SlateResult[] = []
  for (const row of rows) {
    const result = await resultOf(services, row)
    if (result) results.push(result)
  }
  return results
}

async function slatesIn(db: Db, handout: string) {
  const rows = await db
    .selectFrom('slates')
    .select(['id', 'status', 'handed_in_at', 'edition_hash as edition', 'last_number as last'])
    .where('handout_id', '=', handout)
    .execute()
  return (await byNames(db, rows)).filter(row => row.name || row.last > 0)
}
type SlateRow = Awaited<ReturnType<typeof slatesIn>>[number]

async function resultOf({ db, engine, outcomes }: Read, row: SlateRow): Promise<SlateResult | null> {
  const loaded = (await loadStates(db, engine.editions, [row])).get(row.id)
  if (!loaded) return null
  const review = await reviewOf(db, row.id)
  const marked = await outcomes.ofOne(row.id)
  return {
    name: row.name,
    status: row.status,
    handedInAt: row.handed_in_at?.toISOString() ?? null,
    edition: await engine.editions.get(db, row.edition),
    keys: marked.ok ? withDecisions(marked.value.keys, review.decisions) : [],
    decided: new Set(Object.keys(review.decisions)),
    given: review.points,
    comment: review.comment,
    hints: Object.values(loaded.state.hints).reduce((sum, looked) => sum + looked, 0),
  }
}

async function movesOf(db: Db, rows: readonly SlateRow[]) {
  const names = new Map(rows.map(row => [row.id, row.name]))
  const place = new Map(rows.map((row, i) => [row.id, i]))
  if (rows.length === 0) return []
  const moves = await db
    .selectFrom('moves')
    .select(['slate_id', 'number', 'at', 'by', 'move'])
    .where('slate_id', 'in', [...names.keys()])
    .orderBy('slate_id')
    .orderBy('number')
    .limit(MOST_MOVES)
    .execute()
  return moves
    .toSorted((a, b) => place.get(a.slate_id)! - place.get(b.slate_id)! || a.number - b.number)
    .map(({ slate_id, at, move, ...rest }) => ({
      ...rest,
      at: at.toISOString(),
      move: move as { kind: string },
      name: names.get(slate_id)!,
    }))
}

/** A slate's margin for other programs; null where the slate can't be read. */
export async function annotationsOf({ db, engine }: Read, slate: string): Promise<AnnotationPage | null> {
  const row = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .innerJoin('classes', 'classes.id', 'handouts.class_id')
    .innerJoin('teachers', 'teachers.id', 'classes.teacher_id')
    .select(['slates.id', 'slates.edition_hash as edition', 'slates.last_number as last', 'teachers.name'])
    .where('slates.id', '=', slate)
    .executeTakeFirstOrThrow()
  const loaded = (await loadStates(db, engine.editions, [row])).get(slate)
  if (!loaded) return null
  const margin = await marginOf(db, slate)
  return webAnnotations({
    slate,
    edition: await engine.editions.get(db, row.edition),
    state: loaded.state,
    margin: margin.map(({ id, item, at }) => ({ id, item, at: at.toISOString() })),
    author: row.name,
  })
}
