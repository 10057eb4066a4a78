import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { XMLParser, XMLValidator } from 'fast-xml-parser'
import { unzipSync, zipSync } from 'fflate'
import { parse as parseCsv } from 'csv-parse/sync'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { readBoardFile } from '../../../core/format/boardFile'
import type { HandoutFile } from '../../../core/along/handout'
import type { SlateFile } from '../../../core/along/slate'
import { MANIFEST_FILE, type ClassFile, type Manifest } from '../../../core/along/everything'
import { ok } from '../../../core/result'
import { loadStates } from '../../../server/database/loadState'
import { writeZip } from '../../../server/files/zipFile'
import { keepSet, keepWishes } from '../../../server/usecases/groups'
import { markOpened } from '../../../server/usecases/openness'
import { orderParcel, packParcel, parcelFile, type ParcelOf } from '../../../server/usecases/parcels'
import { keepRubric } from '../../../server/usecases/rubrics'
import { noteSentence } from '../../../server/usecases/sentences'
import { addToMargin, saveReview } from '../../../server/usecases/review'
import { keyedShore, middleOf, pieceId } from '../../boards'
import { twoProcesses, type TwoProcesses } from '../../lesson'
import { anotherTeacher, broughtIn, namesIn, packed as packedOf, parcelServices, textIn } from '../../parcels'
import { infoOf, textOf } from '../../poppler'

let two: TwoProcesses
let folder: string
const board = keyedShore()
const services = () => parcelServices(two)
const packed = (of: ParcelOf) => packedOf(two, folder, of)
const bringIn = (teacher: string, path: string) => broughtIn(two, teacher, path)

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'parcels-'))
  two = await twoProcesses(board, 4)
  const { db } = two.connection
  const { slates, teacher, classId } = two.school
  const { id, student } = slates[0]!
  await markOpened(two.services, id)
  const move = { kind: 'put' as const, piece: pieceId('c0'), ...middleOf(board, 'z1') }
  await two.submit(id, two.as(student), [{ id: 'parcel-1-xxxx', move }])
  const item = { kind: 'note', page: board.pages[0]!.id, at: { to: 'piece', piece: pieceId('c0') }, text: 'Well seen' }
  await addToMargin(two.services, id, teacher, { item: item as never, shown: false })
  await saveReview(services(), id, teacher, { comment: 'Tidy work', decisions: {} } as never)
  await keepRubric(db, teacher, {
    name: 'Reasons',
    criteria: [
      {
        name: 'Says why',
        levels: [
          { name: 'no', means: '' },
          { name: 'yes', means: '' },
        ],
      },
    ],
  })
  await noteSentence(db, teacher, 'Look at its foot.')
  const students = slates.map(slate => slate.student)
  await db
    .transaction()
    .execute(trx =>
      keepSet(trx, classId, {
        name: 'Benches',
        groups: [{ name: 'Oak', mark: 'oak', students: students.slice(0, 2) }],
      }),
    )
  await keepWishes(db, classId, [{ kind: 'apart', students: students.slice(1, 3) }])
  await db.updateTable('students').set({ left_at: new Date() }).where('id', '=', students[3]!).execute()
})
afterAll(async () => {
  await two.close()
  await rm(folder, { recursive: true })
})

describe('the year of a class', () => {
  it('is a zip that opens without the application: PDFs, tables, boards, and a page that leads to all of it', async () => {
    const files = await packed({ kind: 'class', classId: two.school.classId })
    const [pdf] = namesIn(files, /^handouts\/001-[^/]+\/slates\.pdf$/)
    const slates = Buffer.from(files[pdf!]!)
    expect(infoOf(slates)['Tagged']).toBe('yes')
    expect(textOf(slates)).toContain('Tidy work')
    const [table] = namesIn(files, /students\.csv$/)
    const rows = parseCsv(textIn(files, table!), { bom: true }) as string[][]
    expect(rows.flat()).toContain('Tidy work')
    const [board] = namesIn(files, /board\.json$/)
    expect(readBoardFile(JSON.parse(textIn(files, board!))).ok).toBe(true)
    const index = textIn(files, 'index.html')
    // Read by another reader: as XML it is well-formed but for what HTML leaves open.
    const body = index.slice(index.indexOf('<body>'), index.indexOf('</html>')).replaceAll('<br>', '<br/>')
    expect(XMLValidator.validate(body)).toBe(true)
    const anchors: string[] = []
    const walk = (node: unknown): void => {
      if (Array.isArray(node)) return node.forEach(walk)
      if (typeof node !== 'object' || node === null) return
      for (const [name, value] of Object.entries(node)) {
        if (name === '@_href') anchors.push(decodeURIComponent(String(value)))
        walk(value)
      }
    }
    walk(new XMLParser({ ignoreAttributes: false }).parse(body))
    expect(anchors.toSorted()).toEqual(
      Object.keys(files)
        .filter(name => name !== 'index.html')
        .toSorted(),
    )
  })

  it('is nobody else’s', async () => {
    const asked = await orderParcel(services(), two.school.teacher, { kind: 'class', classId: two.school.classId })
    const id = asked.ok ? asked.value.id : ''
    await packParcel(services(), id)
    const of = { kind: 'class', classId: two.school.classId, id } as const
    expect(await parcelFile(two.connection.db, two.school.teacher, of)).not.toBeNull()
    expect(await parcelFile(two.connection.db, '00000000-0000-4000-8000-000000000000', of)).toBeNull()
    expect(await parcelFile(two.connection.db, two.school.teacher, { kind: 'everything', id })).toBeNull()
  })
})

describe('all that a teacher has', () => {
  const other = () => anotherTeacher(two)

  it('has every move and every word of every slate', async () => {
    const files = await packed({ kind: 'everything' })
    const slates = namesIn(files, /slates\/\d{3}-[^/]+\.json$/).map(
      name => JSON.parse(textIn(files, name)) as { moves: unknown[] },
    )
    expect(slates).toHaveLength(4)
    expect(slates.find(one => one.moves.length)).toMatchObject({
      format: 'dappled-slate/slate',
      moves: [{ move: { kind: 'put', piece: 'c0' } }],
      margin: [{ item: { text: 'Well seen' } }],
      review: { comment: 'Tidy work' },
    })
    const handout = JSON.parse(textIn(files, namesIn(files, /handout\.json$/)[0]!)) as HandoutFile
    expect(Object.keys(files)).toContain(handout.board)
    expect(namesIn(files, /editions/)).toEqual([expect.stringContaining(handout.edition)])
  })

  it('comes in again beside what is there: boards, classes with who left, groups and wishes, rubrics, sentences', async () => {
    const files = await packed({ kind: 'everything' })
    const path = join(folder, 'again.zip')
    await writeFile(path, zipSync(files))
    const teacher = await other()
    const brought = await bringIn(teacher, path)
    expect(brought).toEqual(ok({ boards: 1, classes: 1, slates: 4, rubrics: 1, unread: 0 }))
    const again = await bringIn(teacher, path)
    expect(again.ok && again.value.classes).toBe(1)
    const { db } = two.connection
    const boards = await db.selectFrom('boards').select('document').where('teacher_id', '=', teacher).execute()
    const { seed: _, ...mine } = board
    expect(boards[0]!.document).toEqual(mine)
    const classes = await db.selectFrom('classes').select('name').where('teacher_id', '=', teacher).execute()
    expect(classes.map(one => one.name).toSorted()).toEqual([expect.any(String), expect.stringMatching(/ \(2\)$/)])
    // Taken along from there it is the same.
    const manifest = JSON.parse(textIn(files, MANIFEST_FILE)) as Manifest
    expect(manifest.sentences.map(one => one.words)).toContain('Look at its foot.')
    const file = JSON.parse(textIn(files, manifest.classes[0]!.file)) as ClassFile
    const second = await packedOf(two, folder, { kind: 'everything' }, teacher)
    const moved = JSON.parse(textIn(second, manifest.classes[0]!.file)) as ClassFile
    expect({ ...moved, name: file.name }).toEqual(file)
    expect(file.students.filter(one => one.left)).toHaveLength(1)
    expect(file.sets[0]!.groups[0]!.students).toHaveLength(2)
    // What was made goes along, move by move and word by word; only what the editions are called is another name.
    const slatesOf = (all: Record<string, Uint8Array>) =>
      namesIn(all, /slates\/\d{3}-/)
        .map(name => JSON.parse(textIn(all, name)) as SlateFile)
        .map(({ edition: _, ...slate }) => slate)
    const [mineNow, before] = [slatesOf(second), slatesOf(files)]
    expect(mineNow.length).toBe(2 * before.length)
    expect(mineNow.filter(slate => slate.moves.length)).toEqual(
      Array.from({ length: 2 }, () => before.find(slate => slate.moves.length)),
    )
    // And can be worked on and marked as before.
    const [moved1] = await db
      .selectFrom('slates')
      .innerJoin('classes', 'classes.id', 'slates.class_id')
      .select(['slates.id', 'slates.edition_hash as edition', 'slates.last_number as last'])
      .where('classes.teacher_id', '=', teacher)
      .where('slates.last_number', '>', 0)
      .execute()
    const state = (await loadStates(db, two.services.engine.editions, [moved1!])).get(moved1!.id)!.state
    expect(state.pieces[pieceId('c0')]).toMatchObject(middleOf(board, 'z1'))
  })

  it('is refused where it is none, and read as far as it can be where parts of it are broken', async () => {
    const teacher = await other()
    const put = async (files: Record<string, Uint8Array>) => {
      const path = join(folder, `broken-${Math.random()}.zip`)
      await writeFile(path, zipSync(files))
      return bringIn(teacher, path)
    }
    expect(await put({ a: new Uint8Array(3) })).toEqual({ ok: false, reason: 'bad-file' })
    const files = await packed({ kind: 'everything' })
    const broken = Object.fromEntries(
      Object.entries(files).map(([name, bytes]) => [name, /^boards/.test(name) ? bytes.subarray(0, 40) : bytes]),
    )
    // As many files as years of slates are.
    const years = Array.from({ length: 6000 }, (_, i) => [`other/${i}.json`, new Uint8Array()] as const)
    expect(await put({ ...files, ...Object.fromEntries(years) })).toMatchObject({ ok: true, value: { slates: 4 } })
    // A slate that tells of what can't have been, and one of somebody who isn't on the list.
    const changed = (files_: Record<string, Uint8Array>, to: (slate: SlateFile) => SlateFile) =>
      Object.fromEntries(
        Object.entries(files_).map(([name, bytes]) =>
          /slates\/\d{3}-/.test(name)
            ? [
                name,
                new TextEncoder().encode(JSON.stringify(to(JSON.parse(new TextDecoder().decode(bytes)) as SlateFile))),
              ]
            : [name, bytes],
        ),
      )
    const impossible = changed(files, slate => ({
      ...slate,
      moves: slate.moves.map(one => ({ ...one, move: { kind: 'put', piece: pieceId('c0'), x: 5000, y: 1 } as never })),
    }))
    expect(await put(impossible)).toEqual(ok({ boards: 1, classes: 1, slates: 3, rubrics: 1, unread: 1 }))
    const doubled = changed(files, slate => ({
      ...slate,
      members: slate.members.map(member => ({ ...member, student: 0 })),
    }))
    expect(await put(doubled)).toMatchObject({ ok: true, value: { slates: 1, unread: 3 } })
    expect(await put(broken)).toEqual(ok({ boards: 0, classes: 1, slates: 4, rubrics: 1, unread: 1 }))
  })
})

describe('a zip that is written piece by piece', () => {
  it('is read by another reader, whatever its entries are', async () => {
    const file = join(folder, 'one.bin')
    const bytes = new Uint8Array(700_000).map((_, i) => (i * 7919) % 251)
    await writeFile(file, bytes)
    const path = join(folder, 'pieces.zip')
    await writeZip(
      path,
      (async function* () {
        yield { name: 'empty.txt', content: '' }
        yield { name: 'Küste.txt', content: 'Ebbe und Flut' }
        yield { name: 'whole.bin', content: { file }, packed: true }
        yield { name: 'packed.bin', content: bytes }
      })(),
    )
    const read = unzipSync(await readFile(path))
    expect(Object.keys(read)).toEqual(['empty.txt', 'Küste.txt', 'whole.bin', 'packed.bin'])
    expect(Buffer.from(read['whole.bin']!).equals(Buffer.from(bytes))).toBe(true)
    expect(Buffer.from(read['packed.bin']!).equals(Buffer.from(bytes))).toBe(true)
    expect(new TextDecoder().decode(read['Küste.txt'])).toBe('Ebbe und Flut')
  })
})
