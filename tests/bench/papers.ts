import { mkdtemp, rm } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import PDFDocument from 'pdfkit'
import sharp from 'sharp'
import { drawPage } from '../../core/drawing/page'
import { seeded } from '../../core/layout/random'
import { emptySlate } from '../../core/slate/state'
import { setWith } from '../../server/papers/fonts'
import { pngOf } from '../../server/papers/png'
import { slatesPaper, type SlateOnPaper } from '../../server/papers/slatesPaper'
import { largeSort, strewn } from './largeSort'
import { ms, time, type Line } from './measure'

const STUDENTS = 36
const PAGES = 6
const PIECES = 30
const ORDER = { arrange: 'one', sheet: 'own', names: true, marked: false, grey: false } as const
const INFO = { title: 'A class', author: 'A teacher', language: 'en-GB', made: new Date(0) } as const
const PNG_FLOOR = { channels: 3, background: '#ffffff' } as const

/** A class on paper against a PDF that has the same texts and boxes and nothing else, and a page as a PNG. */
export async function papers(): Promise<Line[]> {
  const random = seeded(7)
  const { plain, page, edition } = largeSort(PIECES, 6)
  const pages = Array.from({ length: PAGES }, (_, i) => ({ ...page, id: `p${i}` as typeof page.id }))
  // The pieces lie on the first page; the others have the places.
  const board = { ...plain, pages: [page, ...pages.slice(1).map(one => ({ ...one, pieces: [], ledge: [] }))] }
  const slates = Array.from({ length: STUDENTS }, (_, i): SlateOnPaper => ({
    name: `Student ${i}`,
    board,
    state: { ...emptySlate, pieces: strewn(page, random) },
    marks: [],
    margin: [],
    comment: '',
    counted: '',
    pictures: new Map(),
  }))
  const folder = await mkdtemp(join(tmpdir(), 'bench-paper-'))
  let most = 0
  async function make(count: number) {
    async function* some() {
      for (const slate of slates.slice(0, count)) {
        most = Math.max(most, process.memoryUsage().rss)
        yield await Promise.resolve(slate)
      }
    }
    await slatesPaper({ order: ORDER, info: INFO, slates: some(), path: join(folder, 'a.pdf'), progress: () => {} })
  }
  const texts = drawPage({ edition, page, state: slates[0]!.state }).things.flatMap(({ marks, at }) =>
    marks.flatMap(mark => (mark.kind === 'text' ? [{ ...mark, dx: at?.x ?? 0, dy: at?.y ?? 0 }] : [])),
  )
  const [{ face }] = setWith('a', 'regular') as [ReturnType<typeof setWith>[0]]
  async function bare() {
    const pdf = new PDFDocument({ autoFirstPage: false, margin: 0, font: null as never })
    const ended = new Promise(done => pdf.on('end', done))
    pdf.on('data', () => {})
    pdf.registerFont('a', face.sfnt)
    for (let i = 0; i < STUDENTS * PAGES; i++) {
      pdf.addPage({ size: [page.width, page.height] })
      if (i % PAGES > 0) continue
      for (const { text, x, y, dx, dy, size } of texts) {
        pdf.rect(x + dx - 50, y + dy - 20, 100, 40).stroke()
        pdf
          .font('a')
          .fontSize(size)
          .text(text, x + dx, y + dy, { lineBreak: false })
      }
    }
    pdf.end()
    await ended
  }
  try {
    const whole = await time(3, () => make(STUDENTS))
    const floor = await time(3, bare)
    await make(6)
    most = 0
    await make(6)
    const few = most
    most = 0
    await make(STUDENTS)
    const drawing = drawPage({ edition, page, state: slates[0]!.state })
    const png = await time(5, () => pngOf(drawing, new Map(), { title: '', scale: 2 }))
    const size = { width: Math.round(page.width * 2), height: Math.round(page.height * 2) }
    const blank = await time(5, () =>
      sharp({ create: { ...size, ...PNG_FLOOR } })
        .png()
        .toBuffer(),
    )
    const mb = (bytes: number) => `${Math.round(bytes / 2 ** 20)} MB`
    return [
      {
        what: `${STUDENTS} students × ${PAGES} pages as one PDF`,
        measured: ms(whole),
        floor: `their texts and boxes alone ${ms(floor)}`,
        ratio: whole / floor,
      },
      {
        what: 'memory while it is made, at most',
        measured: mb(most),
        floor: `of 6 students ${mb(few)}`,
        ratio: most / few,
      },
      {
        what: `a page of ${PIECES} pieces as a PNG, 144 dots to the inch`,
        measured: ms(png),
        floor: `an empty PNG of its size ${ms(blank)}`,
        ratio: png / blank,
      },
    ]
  } finally {
    await rm(folder, { recursive: true })
  }
}
