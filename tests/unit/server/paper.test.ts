import sharp, { type Sharp } from 'sharp'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { describe, expect, it } from 'vitest'
import { emptyBoard, emptyPage, type Board, type Page } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { drawPage, type PageDrawing } from '../../../core/drawing/page'
import { inGrey } from '../../../core/drawing/palette'
import { startOf } from '../../../core/slate/state'
import { MM } from '../../../core/paper/sheets'
import { Paper, wholePaper } from '../../../server/papers/pdf'
import { pngOf } from '../../../server/papers/png'
import { setLine } from '../../../server/papers/setting'
import { pageId, pieceId } from '../../boards'
import { exampleBoards } from '../../examples'
import { infoOf, rasterOf, textOf, withPoppler, type Raster } from '../../poppler'

const INFO = { title: 'How do they hold on?', author: 'Mara Quill', language: 'en-GB', made: new Date(0) } as const

function drawingsOf(board: Board): PageDrawing[] {
  const edition = makeEdition(board)
  return board.pages.map(page => drawPage({ edition, page, state: startOf(edition) }))
}
const paperOf = (drawings: readonly PageDrawing[], theme?: ConstructorParameters<typeof Paper>[2]) =>
  wholePaper(new Paper(INFO, new Map(), theme), paper =>
    drawings.forEach((drawing, i) => {
      paper.addSheet(drawing)
      paper.bookmark(`Page ${i + 1}`)
      paper.draw(drawing, { x: 0, y: 0, scale: 1 }, `Page ${i + 1}`)
    }),
  )

type Backdrop = Page['backdrop']
/** Ids are as good as any here. */
const printed = (given: object): Board => {
  const page = emptyPage(pageId('p'))
  const change = given as Partial<Backdrop>
  return {
    ...emptyBoard('Printed', pageId('p'), 1),
    pages: [
      { ...page, width: 210 * MM, height: 297 * MM, backdrop: { ...page.backdrop, colour: '#ffffff', ...change } },
    ],
  }
}
const figure = (text: string, y: number) => ({
  id: `f${y}`,
  shape: { kind: 'rectangle' as const, x: 50, y, width: 400, height: 40 },
  line: null,
  fill: null,
  text,
  textSize: 20,
})

/** Millimetres from the first dark dot to the last of the darkest row or column. */
function darkLength({ width, height, data }: Raster, along: 'across' | 'down', dpi: number): number {
  const [length, others] = along === 'across' ? [width, height] : [height, width]
  const dark = (other: number, at: number) => data[along === 'across' ? other * width + at : at * width + other]! < 128
  let longest = 0
  for (let other = 0; other < others; other++) {
    let [first, last] = [-1, -1]
    for (let at = 0; at < length; at++) {
      if (!dark(other, at)) continue
      if (first < 0) first = at
      last = at
    }
    if (first >= 0) longest = Math.max(longest, last - first + 1)
  }
  return (longest / dpi) * 25.4
}

describe('a board on paper', () => {
  it('is true to size: a line of 100 mm is 100 mm within 0.2 mm at 300 dots to the inch, both ways', async () => {
    const line = (id: string, to: { x: number; y: number }) => ({
      id,
      from: { x: 50 * MM, y: 60 * MM },
      to,
      colour: '#000000',
      thickness: 1,
      dashed: false,
      points: 'none' as const,
    })
    for (const [along, to] of [
      ['across', { x: 150 * MM, y: 60 * MM }],
      ['down', { x: 50 * MM, y: 160 * MM }],
    ] as const) {
      const lines = [line('l', to)]
      const pdf = await paperOf(drawingsOf(printed({ lines })))
      expect(Math.abs(darkLength(await rasterOf(pdf, 1, 300), along, 300) - 100)).toBeLessThanOrEqual(0.2)
      // ISO 216: A4 is 210 × 297 mm.
      const size = infoOf(pdf)['Page size'] ?? ''
      const [width, height] = (size.match(/[\d.]+/g) ?? []).map(points => Number(points) / MM)
      expect([Math.round(width!), Math.round(height!)]).toEqual([210, 297])
    }
  })

  it('has its words as text, in all directions of writing, as two other readers find them', async () => {
    const words = ['Clings to rock', 'Größe Ж Ω', 'صخرة البحر', 'סלע הים', '海岸 石']
    const pdf = await paperOf(drawingsOf(printed({ figures: words.map((text, i) => figure(text, 40 + 60 * i)) })))
    const plain = (text: string) => text.normalize('NFKC').replace(/[\u200e\u200f\u202a-\u202e\s]+/g, ' ')
    for (const word of words) expect(plain(textOf(pdf))).toContain(word)
    const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
    const items = (await (await read.getPage(1)).getTextContent()).items
    const all = items
      .map(item => ('str' in item ? item.str : ''))
      .join('')
      .replace(/\s/g, '')
    for (const word of words.filter(one => !/[\u0590-\u06ff]/.test(one))) expect(all).toContain(word.replace(/\s/g, ''))
  })

  it('has a title, a language, bookmarks, and tags in the order in which it is read (ISO 32000-1, 14.8)', async () => {
    const board = exampleBoards.find(one => one.title === 'Ropes and tides')!
    const pdf = await paperOf(drawingsOf(board))
    expect(infoOf(pdf)).toMatchObject({
      Title: INFO.title,
      Author: INFO.author,
      Tagged: 'yes',
      Pages: String(board.pages.length),
      'PDF version': '1.7',
    })
    const read = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise
    const { info } = (await read.getMetadata()) as unknown as { info: Record<string, unknown> }
    expect(info['Language']).toBe('en-GB')
    expect((await read.getOutline()).map(one => one.title)).toEqual(board.pages.map((_, i) => `Page ${i + 1}`))
    const tags = withPoppler(pdf, tool => tool('pdfinfo', '-struct-text', '@').toString('utf8'))
    expect(tags).toContain('Sect')
    const spoken = board.pages.flatMap(page => page.backdrop.figures ?? []).flatMap(one => (one.text ? [one.text] : []))
    const inTags = tags.replace(/\s+/g, ' ').replace(/" "/g, '')
    for (const text of spoken) expect(inTags.replace(/[^\p{L}\d]/gu, '')).toContain(text.replace(/[^\p{L}\d]/gu, ''))
  })

  it('reads a text with gaps as one sentence with what is in them, and what lies in places below them', async () => {
    const board = exampleBoards.find(one => one.pages[0]!.places[0]?.kind === 'gaps')!
    const [edition, page] = [makeEdition(board), board.pages[0]!]
    const lies = (x: number, y: number, z: number) => ({ x, y, z })
    const state = {
      ...startOf(edition),
      pieces: { [pieceId('tide')]: lies(303, 116, 1), [pieceId('limpet')]: lies(636, 116, 0) },
    }
    const pdf = await paperOf([drawPage({ edition, page, state })])
    // ISO 32000-1, 14.9.4: what is to be read in place of what stands there.
    expect(pdf.toString('latin1')).toContain(
      '/ActualText (When the tide goes out, the limpet stays where it is. It holds on to the ___ with its strong ___.)',
    )
  })

  it('is grey all over where grey is wanted', async () => {
    const [drawing] = drawingsOf(exampleBoards[0]!)
    const pdf = await paperOf([drawing!], inGrey)
    const png = withPoppler(pdf, tool => tool('pdftoppm', '-r', '72', '-png', '@'))
    const { data } = await sharp(png).removeAlpha().raw().toBuffer({ resolveWithObject: true })
    let most = 0
    for (let i = 0; i < data.length; i += 3)
      most = Math.max(
        most,
        Math.max(data[i]!, data[i + 1]!, data[i + 2]!) - Math.min(data[i]!, data[i + 1]!, data[i + 2]!),
      )
    expect(most).toBeLessThanOrEqual(2)
  })

  it('looks as the PNG of the same page does', async () => {
    const blurred = (image: Sharp) => image.greyscale().blur(2).raw().toBuffer({ resolveWithObject: true })
    for (const board of exampleBoards.slice(0, 12)) {
      const [drawing] = drawingsOf(board)
      const { width, height, data } = await rasterOf(await paperOf([drawing!]), 1, 144)
      const png = await pngOf(drawing!, new Map(), { title: board.title, scale: 2 })
      const [a, b] = await Promise.all([
        blurred(sharp(data, { raw: { width, height, channels: 1 } })),
        blurred(sharp(png).flatten({ background: '#fff' }).resize(width, height, { fit: 'fill' })),
      ])
      const [stepA, stepB] = [a, b].map(one => one.info.channels)
      let differing = 0
      for (let i = 0; i < width * height; i++) if (Math.abs(a.data[i * stepA!]! - b.data[i * stepB!]!) > 32) differing++
      expect(differing / (width * height), board.title).toBeLessThan(0.006)
    }
  })
})

describe('a line of text', () => {
  const set = (text: string, fromRight = false) =>
    setLine(text, { size: 20, weight: 'regular', fromRight })
      .runs.map(run => run.text.trim())
      .filter(Boolean)
  it('stands in the order in which it is seen (UAX 9, L2), and its brackets are turned round (L4)', () => {
    expect(set('abc')).toEqual(['abc'])
    expect(set('abc סלע def')).toEqual(['abc', 'סלע', 'def'])
    expect(set('סלע 12', true)).toEqual(['12', 'סלע'])
    expect(set('סלע (ים)', true).join('')).toContain('ים')
    expect(set('')).toEqual([])
  })
})
