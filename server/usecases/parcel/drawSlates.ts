import { join } from 'node:path'
import type { Kysely } from 'kysely'
import { inHalves } from '../../../core/handout/review'
import { withDecisions } from '../../../core/keys/mark'
import type { KeyMark } from '../../../core/keys/outcome'
import type { SlatesOrder } from '../../../core/paper/slatesOrder'
import { loadStates } from '../../database/loadState'
import type { Database } from '../../database/tables'
import { keepPart, PAPER_FILE } from '../../papers/parts'
import type { PaperInfo } from '../../papers/pdf'
import type { SlateOnPaper } from '../../papers/slatesPaper'
import type { Services } from '../../services'
import { picturesFor } from '../papers'
import { marginOf, reviewOf } from '../review'
import { byNames } from '../slates'

type Db = Kysely<Database>
export type Made = Pick<Services, 'db' | 'engine' | 'outcomes' | 'labour'>

export interface SlatesDrawn {
  readonly handout: string
  readonly order: SlatesOrder
  readonly info: PaperInfo
  /** Alone of all slates of the handout. */
  readonly slate?: string
  /** So many slates there are; and then, how many are drawn. */
  readonly begun?: (of: number) => Promise<unknown>
  readonly progress?: (done: number) => void
}

/** Slates of a handout as a PDF in a folder, in the order of their names; null where it was too much to draw. */
export async function drawSlates(
  folder: string,
  services: Made,
  { handout, order, info, slate, begun, progress }: SlatesDrawn,
): Promise<{ path: string; sheets: number } | null> {
  const rows = (await slatesOf(services.db, handout)).filter(row => slate === undefined || row.id === slate)
  await begun?.(rows.length)
  let count = 0
  for (const row of rows) {
    const part = await partOf(services, row, order)
    if (part) await keepPart(folder, count++, part)
  }
  const made = await services.labour.papers.do('slates-paper', { folder, count, order, info }, progress)
  return made.ok ? { path: join(folder, PAPER_FILE), sheets: made.value } : null
}

/** Slates on which something was done, in the order of their names. */
async function slatesOf(db: Db, handout: string) {
  const rows = await db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select([
      'slates.id',
      'slates.edition_hash as edition',
      'slates.last_number as last',
      'handouts.counts',
      'handouts.points as mostPoints',
      'handouts.rubric',
    ])
    .where('slates.handout_id', '=', handout)
    .where('slates.status', '!=', 'not-opened')
    .execute()
  return byNames(db, rows)
}
type SlateRow = Awaited<ReturnType<typeof slatesOf>>[number]

/** Null for a slate that can't be read. */
async function partOf(
  { db, engine, outcomes }: Pick<Made, 'db' | 'engine' | 'outcomes'>,
  row: SlateRow,
  order: SlatesOrder,
): Promise<SlateOnPaper | null> {
  const loaded = (await loadStates(db, engine.editions, [row])).get(row.id)
  if (!loaded) return null
  const { board } = await engine.editions.get(db, row.edition)
  const { state } = loaded
  const plain = {
    name: order.names ? row.name : '',
    board,
    state,
    pictures: await picturesFor(db, board, { id: row.id, state }),
  }
  if (!order.marked) return { ...plain, marks: [], margin: [], comment: '', counted: '' }
  const review = await reviewOf(db, row.id)
  const marked = await outcomes.ofOne(row.id)
  const keys = marked.ok ? withDecisions(marked.value.keys, review.decisions) : []
  const margin = await marginOf(db, row.id)
  return {
    ...plain,
    marks: keys.flatMap(({ items }) => items.map(({ item, is, verdict }) => ({ item, is, verdict }))),
    margin: margin.map(({ id, item, at }) => ({ id, item, at })),
    comment: review.comment,
    counted: countedAs(row, review, keys),
  }
}

/** What it counts for, in a line: the teacher's points, else those by the key; levels by their names. */
function countedAs(
  { counts, mostPoints, rubric }: Pick<SlateRow, 'counts' | 'mostPoints' | 'rubric'>,
  { points, levels }: Awaited<ReturnType<typeof reviewOf>>,
  keys: readonly KeyMark[],
): string {
  if (counts === 'points') {
    if (points !== null) return `${points} / ${mostPoints}`
    const [got, of] = [keys.reduce((sum, key) => sum + key.points, 0), keys.reduce((sum, key) => sum + key.of, 0)]
    return of && mostPoints !== null ? `${inHalves(got / of, mostPoints)} / ${mostPoints}` : ''
  }
  if (counts !== 'rubric' || !rubric) return ''
  return rubric.criteria
    .flatMap(({ name, levels: named }, i) => {
      const level = named[levels[String(i)] ?? -1]
      return level ? [`${name}: ${level.name}`] : []
    })
    .join('\n')
}
