import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import jsonld from 'jsonld'
import Papa from 'papaparse'
import sharp from 'sharp'
import { parse as parseCsv } from 'csv-parse/sync'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { writeCsv } from '../../../core/format/csv'
import type { SlatesOrder } from '../../../core/paper/slatesOrder'
import { ok } from '../../../core/result'
import { TASKS } from '../../../server/labour/tasks'
import { orderParcel, packParcel, parcelFile, parcelsOf } from '../../../server/usecases/parcels'
import { markOpened } from '../../../server/usecases/openness'
import { annotationsOf, resultsOf } from '../../../server/usecases/results'
import { addToMargin, saveReview } from '../../../server/usecases/review'
import type { Services } from '../../../server/services'
import { ANNOTATION_CONTEXT } from '../../annotationContext'
import { keyedShore, middleOf, pageId, pieceId } from '../../boards'
import { said, twoProcesses, type TwoProcesses } from '../../lesson'
import { markHere } from '../../markHere'
import { infoOf, textOf, withPoppler } from '../../poppler'

let two: TwoProcesses
const board = keyedShore()
const asked: string[] = []
/** Drawn here, as a process of its own would. */
const labour = {
  papers: {
    async do(
      _: 'slates-paper',
      input: Parameters<(typeof TASKS)['slates-paper']>[0],
      progress: (done: number) => void,
    ) {
      return ok(await TASKS['slates-paper'](input, progress))
    },
  },
}
const jobs = { at: (_: unknown, __: Date, job: { about: string }) => Promise.resolve(void asked.push(job.about)) }
const services = () => ({ ...two.services, marking: markHere(), labour, jobs }) as unknown as Services
const PLAIN: SlatesOrder = { arrange: 'one', sheet: 'own', names: true, marked: false, grey: false }
let made = 0
const lay = async (i: number, piece: string, place: string) => {
  const { id, student } = two.school.slates[i]!
  const move = { kind: 'put' as const, piece: pieceId(piece), ...middleOf(board, place) }
  expect(said(await two.submit(id, two.as(student), [{ id: `paper-${made++}-xxxx`, move }]))[0]).toEqual(
    expect.any(Number),
  )
}

async function paperFor(order: SlatesOrder): Promise<Buffer> {
  const { handout, teacher } = two.school
  const { db } = two.connection
  const ordered = await orderParcel(services(), teacher, { kind: 'slates', handout, order })
  if (!ordered.ok) throw new Error(ordered.reason)
  await packParcel(services(), ordered.value.id)
  const file = await parcelFile(db, teacher, { kind: 'slates', handout, id: ordered.value.id })
  const pieces: Buffer[] = []
  for await (const piece of file!.pieces) pieces.push(piece)
  return Buffer.concat(pieces)
}

/** Dots of a sheet in the margin's own colour, #4a34a0, as poppler draws its annotations. */
async function inMarginColour(pdf: Buffer, sheet: number): Promise<number> {
  const png = withPoppler(pdf, tool =>
    tool('pdftoppm', '-r', '72', '-f', String(sheet), '-l', String(sheet), '-png', '@'),
  )
  const { data, info } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true })
  let count = 0
  for (let i = 0; i < data.length; i += info.channels)
    if (Math.abs(data[i]! - 0x4a) + Math.abs(data[i + 1]! - 0x34) + Math.abs(data[i + 2]! - 0xa0) < 60) count++
  return count
}

const NOTE = 'Look at its foot in the tank tomorrow.'
beforeAll(async () => {
  two = await twoProcesses(board, 4)
  const { slates, teacher } = two.school
  for (const i of [0, 1, 2]) await markOpened(two.services, slates[i]!.id)
  await lay(0, 'c0', 'z1')
  await lay(0, 'c1', 'z1')
  await lay(1, 'c0', 'z0')
  const { id } = slates[0]!
  const page = pageId(board.pages[0]!.id)
  const add = (item: object) => addToMargin(two.services, id, teacher, { item: item as never, shown: false })
  await add({ kind: 'note', page, at: { to: 'piece', piece: pieceId('c0') }, text: NOTE })
  await add({
    kind: 'ink',
    page,
    points: [
      [100, 100, 0.5],
      [200, 140, 0.5],
      [260, 100, 0.5],
    ],
  })
  await add({
    kind: 'ink',
    page,
    tip: 'highlighter',
    points: [
      [300, 200, 0.5],
      [420, 205, 0.5],
    ],
  })
  await add({ kind: 'tick', page, at: { to: 'piece', piece: pieceId('c1') } })
  await saveReview(services(), id, teacher, { comment: 'Careful work.', decisions: { 'k/c0': 'right' } } as never)
})
afterAll(() => two.close())

describe('a class on paper', () => {
  it('is one PDF with a sheet for each slate that somebody opened, a bookmark for each name, and what was laid', async () => {
    const pdf = await paperFor(PLAIN)
    expect(infoOf(pdf)).toMatchObject({ Pages: '3', Tagged: 'yes' })
    const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
    const names = (await read.getOutline()).map(one => one.title)
    expect(names).toEqual(names.toSorted(new Intl.Collator('en', { numeric: true }).compare))
    expect(new Set(names).size).toBe(3)
    const text = textOf(pdf)
    for (const name of names) expect(text).toContain(name)
    expect(text).toContain('limpet')
    // Nothing that the teacher said.
    expect(text).not.toContain('Careful')
    expect((await (await read.getPage(1)).getAnnotations()).length).toBe(0)
  })

  it('leaves out names where they are not wanted', async () => {
    const named = await paperFor(PLAIN)
    const read = await getDocument({ data: new Uint8Array(named), verbosity: 0 }).promise
    const names = (await read.getOutline()).map(one => one.title)
    const nameless = await paperFor({ ...PLAIN, names: false })
    for (const name of names) expect(textOf(nameless)).not.toContain(name)
  })

  it('has the margin as annotations that another program lists, with author and date, and as words on paper', async () => {
    const pdf = await paperFor({ ...PLAIN, marked: true })
    const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
    const all = []
    for (let i = 1; i <= read.numPages; i++) all.push(...(await (await read.getPage(i)).getAnnotations()))
    // Text markup and ink by ISO 32000-1, table 169.
    expect(all.map(one => one.subtype).toSorted()).toEqual(['Highlight', 'Ink', 'Ink', 'Text'])
    const note = all.find(one => one.subtype === 'Text')
    expect(note.contentsObj.str).toBe(`1. ${NOTE}`)
    expect(note.titleObj.str.length).toBeGreaterThan(0)
    expect(note.modificationDate).toMatch(/^D:20\d\d/)
    const ink = all.find(one => one.subtype === 'Ink' && one.inkLists[0].length === 6)
    // As long on paper as on the page.
    const xs = [0, 2, 4].map(i => ink.inkLists[0][i])
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(160, 1)
    const text = textOf(pdf)
    expect(text).toContain('Careful work.')
    expect(text.replace(/\s+/g, ' ')).toContain(`1. ${'limpet'}: ${NOTE}`)
    // The margin is printed: something in its colour is on the sheet.
    let [marked, plain] = [0, 0]
    for (let i = 1; i <= read.numPages; i++) marked += await inMarginColour(pdf, i)
    const without = await paperFor(PLAIN)
    for (let i = 1; i <= 3; i++) plain += await inMarginColour(without, i)
    expect(plain).toBe(0)
    expect(marked).toBeGreaterThan(200)
  })

  it('has four pages on a sheet where that is wanted', async () => {
    const pdf = await paperFor({ ...PLAIN, arrange: 'four', sheet: 'a4', marked: true })
    expect(infoOf(pdf)['Pages']).toBe('1')
    expect(infoOf(pdf)['Page size']).toMatch(/^841\.89 x 595\.2[78]/)
  })

  it('is its own teacher’s, is kept a few times, and no more than a few are made at once', async () => {
    const { handout, teacher } = two.school
    const { db } = two.connection
    for (let i = 0; i < 8; i++) await paperFor(PLAIN)
    const list = await parcelsOf(db, teacher, { kind: 'slates', handout })
    expect(list).toHaveLength(6)
    expect(list.every(({ status, done, of }) => status === 'ready' && done === 3 && of === 3)).toBe(true)
    const stranger = '11111111-1111-4111-8111-111111111111'
    expect(await parcelsOf(db, stranger, { kind: 'slates', handout })).toEqual([])
    expect(await parcelFile(db, stranger, { kind: 'slates', handout, id: list[0]!.id })).toBeNull()
    const plain = { kind: 'slates', handout, order: PLAIN } as const
    for (let i = 0; i < 3; i++) expect((await orderParcel(services(), teacher, plain)).ok).toBe(true)
    expect(await orderParcel(services(), teacher, plain)).toEqual({ ok: false, reason: 'busy' })
    // Asked for twice it is made once; what is gone is nothing.
    for (const id of asked.slice(-3)) await packParcel(services(), id)
    await packParcel(services(), asked.at(-1)!)
    await packParcel(services(), stranger)
    expect((await parcelsOf(db, teacher, { kind: 'slates', handout })).every(one => one.status === 'ready')).toBe(true)
  })
})

describe('results as tables', () => {
  const rows = (csv: string) => parseCsv(csv, { columns: true, bom: true }) as Record<string, string>[]
  it('have a row for each slate, each answer and each move, as another reader finds them (RFC 4180)', async () => {
    const { handout } = two.school
    const students = rows(writeCsv(await resultsOf(services(), handout, 'students')))
    expect(students).toHaveLength(4)
    const first = students.find(row => row['comment'] === 'Careful work.')!
    const items = rows(writeCsv(await resultsOf(services(), handout, 'items')))
    const his = items.filter(row => row['name'] === first['name'])
    expect(his.filter(row => row['verdict'] === 'right')).toHaveLength(Number(first['right']))
    expect(his.find(row => row['id'] === 'c0')).toMatchObject({ item: 'limpet', verdict: 'right', by: 'teacher' })
    expect(his.find(row => row['id'] === 'c1')).toMatchObject({ by: 'key' })
    const moves = rows(writeCsv(await resultsOf(services(), handout, 'moves')))
    expect(moves.map(row => [row['move'], row['piece'], row['number']])).toEqual(
      expect.arrayContaining([
        ['put', 'c0', '1'],
        ['put', 'c1', '2'],
      ]),
    )
  })
  it('begin with a byte order mark or not, and run nothing in a spreadsheet', () => {
    const table = [['=1+1', '@cmd', '-12', '"a","b"', 'two\nlines']]
    expect(writeCsv(table).charCodeAt(0)).toBe(0xfeff)
    const plain = writeCsv(table, { mark: false })
    expect(plain.charCodeAt(0)).not.toBe(0xfeff)
    expect(Papa.parse(plain.trim()).data).toEqual([["'=1+1", "'@cmd", '-12', '"a","b"', 'two\nlines']])
  })
})

describe('a margin for other programs', () => {
  it('says of each thing what the model asks for (Web Annotation Data Model, 3.1 to 4.2), and where on the page it is', async () => {
    const { slates } = two.school
    const page = (await annotationsOf(services(), slates[0]!.id))!
    expect(page).toMatchObject({ '@context': 'http://www.w3.org/ns/anno.jsonld', type: 'AnnotationPage' })
    const items = page.items as {
      id: string
      type: string
      motivation: string
      created: string
      body?: { value: string; type: string }
      target: { source: string; selector: { type: string; value: string } }
    }[]
    expect(items).toHaveLength(4)
    expect(new Set(items.map(one => one.id)).size).toBe(4)
    for (const { id, type, created, target } of items) {
      // 3.1: an annotation has an IRI, is of this type, and has one target or more; 3.2.1: a date and time with a zone.
      expect(id).toMatch(/^urn:uuid:[0-9a-f-]{36}$/)
      expect(type).toBe('Annotation')
      expect(new Date(created).toISOString()).toBe(created)
      expect(['SvgSelector', 'FragmentSelector']).toContain(target.selector.type)
    }
    expect(items.map(one => one.motivation).toSorted()).toEqual([
      'assessing',
      'commenting',
      'commenting',
      'highlighting',
    ])
    const note = items.find(one => one.body)!
    expect(note.body).toMatchObject({ type: 'TextualBody', value: NOTE })
    // Media Fragments URI 1.0, 4.2.2: x, y, width and height in per cent.
    const [x, y, width, height] = /^xywh=percent:([\d.]+),([\d.]+),([\d.]+),([\d.]+)$/
      .exec(note.target.selector.value)!
      .slice(1)
      .map(Number)
    const { x: across, y: down } = middleOf(board, 'z1')
    const { width: w, height: h } = board.pages[0]!
    const near = (at: number, wanted: number, of: number) => expect(Math.abs((at / 100) * of - wanted)).toBeLessThan(80)
    near(x! + width! / 2, across, w)
    near(y! + height! / 2, down, h)
  })
})

describe('a margin as linked data', () => {
  const OA = 'http://www.w3.org/ns/oa#'
  const documentLoader = (url: string) => {
    expect(url).toBe('http://www.w3.org/ns/anno.jsonld')
    return Promise.resolve({ contextUrl: null, documentUrl: url, document: { '@context': ANNOTATION_CONTEXT } })
  }

  it('has no term that the vocabulary doesn’t know, and as triples what the model asks of an annotation', async () => {
    const { slates } = two.school
    const page = (await annotationsOf(services(), slates[0]!.id))!
    // In safe mode the processor refuses whatever it would drop (JSON-LD 1.1).
    const quads = await jsonld.toRDF(structuredClone(page) as object, { documentLoader, safe: true })
    const subjects = (predicate: string, object?: string) =>
      quads
        .filter(quad => quad.predicate.value === predicate && (object === undefined || quad.object.value === object))
        .map(quad => quad.subject.value)
    const annotations = subjects('http://www.w3.org/1999/02/22-rdf-syntax-ns#type', `${OA}Annotation`)
    expect(annotations).toHaveLength(4)
    for (const annotation of annotations) {
      expect(subjects(`${OA}hasTarget`)).toContain(annotation)
      expect(subjects(`${OA}motivatedBy`)).toContain(annotation)
    }
    expect(subjects(`${OA}hasSelector`)).toHaveLength(4)
    const sources = quads.filter(quad => quad.predicate.value === `${OA}hasSource`)
    expect(sources.every(quad => quad.object.termType === 'NamedNode')).toBe(true)
  })
})
