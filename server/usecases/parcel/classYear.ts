import { mkdir } from 'node:fs/promises'
import { join } from 'node:path'
import { writeBoardFile } from '../../../core/format/boardFile'
import { writeCsv } from '../../../core/format/csv'
import { numbered } from '../../../core/format/fileNames'
import { indexPage, type ArchivedHandout } from '../../../core/format/indexPage'
import type { SlatesOrder } from '../../../core/paper/slatesOrder'
import { USUAL_LANGUAGE } from '../../../core/text/spoken'
import type { ZipEntry } from '../../files/zipFile'
import { exportBoard } from '../boards'
import { allResultsOf, TABLES } from '../results'
import { drawSlates, type Made } from './drawSlates'

const ORDER: SlatesOrder = { arrange: 'one', sheet: 'own', names: true, marked: true, grey: false }

export interface Packing {
  /** Where what is drawn may lie meanwhile. */
  readonly folder: string
  readonly author: string
  readonly begun: (of: number) => Promise<unknown>
  readonly progress: (done: number) => void
}

/**
 * All that a class has made, to be opened without the application: of each handout its slates as a PDF with what was
 * said of them, its results as tables and its board; the list of the class; and a page that leads to all of it.
 */
export async function* classYear(services: Made, classId: string, packing: Packing): AsyncGenerator<ZipEntry> {
  const { db } = services
  const { folder, author, begun, progress } = packing
  const { name } = await db.selectFrom('classes').select('name').where('id', '=', classId).executeTakeFirstOrThrow()
  const students = await db
    .selectFrom('students')
    .select(['name', 'preferred', 'level', 'left_at'])
    .where('class_id', '=', classId)
    .orderBy('name_folded')
    .execute()
  const handouts = await db
    .selectFrom('handouts')
    .innerJoin('boards', 'boards.id', 'handouts.board_id')
    .select(['handouts.id', 'handouts.board_id', 'handouts.given_at', 'handouts.due_on', 'boards.title'])
    .select(({ selectFrom, fn }) => [
      selectFrom('slates')
        .select(fn.countAll<string>().as('count'))
        .whereRef('slates.handout_id', '=', 'handouts.id')
        .where('slates.status', '!=', 'not-opened')
        .as('slates'),
    ])
    .where('handouts.class_id', '=', classId)
    .where('handouts.given_at', 'is not', null)
    .orderBy('handouts.given_at')
    .execute()
  await begun(handouts.length)
  const made = new Date()
  const archived: ArchivedHandout[] = []
  for (const [i, handout] of handouts.entries()) {
    const at = `handouts/${numbered(i + 1, handout.title)}`
    const files: { name: string; href: string }[] = []
    const put = (name: string, href: string) => files.push({ name, href: `${at}/${href}` })
    const own = join(folder, String(i))
    await mkdir(own)
    const info = { title: `${handout.title} · ${name}`, author, language: USUAL_LANGUAGE, made }
    const drawn = await drawSlates(own, services, { handout: handout.id, order: ORDER, info })
    if (drawn) {
      yield { name: `${at}/slates.pdf`, content: { file: drawn.path }, packed: true }
      put('Slates (PDF)', 'slates.pdf')
    }
    const results = await allResultsOf(services, handout.id)
    for (const table of TABLES) {
      const text = writeCsv(results[table], { mark: true })
      yield { name: `${at}/${table}.csv`, content: text }
      put(`${TABLE_NAMES[table]} (CSV)`, `${table}.csv`)
    }
    yield { name: `${at}/board.json`, content: writeBoardFile(await exportBoard(db, handout.board_id)) }
    put('Board', 'board.json')
    archived.push({
      title: handout.title,
      given: handout.given_at?.toISOString().slice(0, 10) ?? null,
      due: handout.due_on,
      slates: Number(handout.slates ?? 0),
      files,
    })
    progress(i + 1)
  }
  const rows = students.map(one => [
    one.name,
    one.preferred ?? '',
    one.level ?? '',
    one.left_at?.toISOString().slice(0, 10) ?? '',
  ])
  yield { name: 'class.csv', content: writeCsv([['name', 'called', 'level', 'left'], ...rows], { mark: true }) }
  yield {
    name: 'index.html',
    content: indexPage({
      name,
      teacher: author,
      made: made.toISOString().slice(0, 10),
      students: students.map(student => student.name),
      handouts: archived,
      files: [{ name: 'Class list (CSV)', href: 'class.csv' }],
    }),
  }
}

const TABLE_NAMES = { students: 'Students', items: 'Items', moves: 'Moves' } as const
