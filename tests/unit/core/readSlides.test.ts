import { readFileSync } from 'node:fs'
import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { readBoard } from '../../../core/board/board'
import type { FigureId, FileHash, MasterId, PageId, PieceId } from '../../../core/board/ids'
import { boardFromSlides, PAGE_USES, type PageUse } from '../../../core/reading/slides/compose'
import { isOdp, readOdp } from '../../../core/reading/slides/odp/read'
import { isPptx, readPptx } from '../../../core/reading/slides/pptx/read'
import type { BoxPart, Slide, Slides } from '../../../core/reading/slides/slide'
import { openZip, type Archive } from '../../../core/reading/zip'
import { counting } from '../../boards'
import { rockPoolSlides } from '../../slideFiles'

/** 914,400 English metric units are an inch, and an inch is 72 points: ECMA-376 part 1, 20.1.2.1. */
const INCH = 72

function archiveOf(bytes: Uint8Array): Archive {
  const opened = openZip(bytes)
  if (!opened.ok) throw new Error(opened.reason)
  return opened.value
}
function slidesOf(bytes: Uint8Array): Slides {
  const archive = archiveOf(bytes)
  expect(isPptx(archive)).not.toBe(isOdp(archive))
  const read = isPptx(archive) ? readPptx(archive) : readOdp(archive)
  if (!read.ok) throw new Error(read.reason)
  return read.value
}
const box = (slide: Slide, text: string) =>
  slide.parts.find((part): part is BoxPart => part.kind === 'box' && part.text === text)!
const codes = ({ lost }: Slides) => lost.map(({ code, page }) => `${code} ${page}`)

const ids = () => {
  const next = counting('i')
  return {
    page: () => next() as unknown as PageId,
    piece: () => next() as unknown as PieceId,
    master: () => next() as unknown as MasterId,
    figure: () => next() as unknown as FigureId,
  }
}
const pictures = (slides: Slides) =>
  new Map(
    slides.pages
      .flatMap(page => page.parts)
      .flatMap(part =>
        part.kind === 'picture'
          ? [[part.source, { file: 'a'.repeat(64) as FileHash, pixelWidth: 200, pixelHeight: 100 }] as const]
          : [],
      ),
  )
const composed = (slides: Slides, ...uses: PageUse[]) => {
  const made = boardFromSlides({ title: 'Pools', slides: slides.pages, uses, pictures: pictures(slides) }, ids())
  const read = readBoard(structuredClone(made.board))
  expect(read.ok ? null : read.reason).toBeNull()
  return made
}

describe.each([
  ['a general-purpose writer, PPTX', () => rockPoolSlides()],
  ['LibreOffice 7.4, PPTX', () => Promise.resolve(readFileSync('tests/files/libreoffice.pptx'))],
  ['LibreOffice 7.4, ODP', () => Promise.resolve(readFileSync('tests/files/libreoffice.odp'))],
])('the slides that were written by %s', (_, written) => {
  it('have everything where it lay, to a tenth of a point', async () => {
    const slides = slidesOf(await written())
    expect(slides.title).toBe('Rock pools')
    expect(slides.pages.map(page => page.hidden)).toEqual([false, true])
    const [first, second] = slides.pages as [Slide, Slide]
    expect(first).toMatchObject({ colour: '#e6f1ea', name: 'Who clings, who swims?' })
    expect(first.width).toBeCloseTo(10 * INCH, 0)
    expect(first.height).toBeCloseTo(5.625 * INCH, 0)
    const limpet = box(first, 'limpet')
    for (const [side, inches] of [
      ['x', 1],
      ['y', 4],
      ['width', 1.5],
      ['height', 0.5],
    ] as const)
      expect(Math.abs(limpet.box[side] - inches * INCH), side).toBeLessThan(0.1)
    expect(limpet).toMatchObject({ fill: '#fdf3dc', textSize: 18, heading: false, turn: 0 })
    expect(box(first, 'Who clings, who swims?')).toMatchObject({ bold: true, fromLeft: false, heading: true })
    expect(second.parts.filter(part => part.kind === 'box').map(part => part.text)).toEqual(
      expect.arrayContaining(['• First\n• Second', 'tide', '4.2 m']),
    )
  })

  it('keep what is turned turned, arrows arrows and lines pointed', async () => {
    const [first] = slidesOf(await written()).pages as [Slide]
    const shanny = box(first, 'shanny')
    expect(shanny.turn).toBe(30)
    expect(shanny.box.x).toBeCloseTo(3 * INCH, 0)
    const shapes = first.parts.filter((part): part is BoxPart => part.kind === 'box' && part.text === '')
    expect(shapes.map(part => part.shape.kind)).toEqual(['ellipse', 'polygon'])
    expect(shapes[1]!.shape).toMatchObject({ points: expect.objectContaining({ length: 7 }) as unknown })
    const line = first.parts.find(part => part.kind === 'line')!
    expect(line).toMatchObject({ colour: '#ff0000', points: 'one' })
    expect(line.from.x).toBeCloseTo(5 * INCH, 0)
    expect(line.to.y).toBeCloseTo(4 * INCH, 0)
    expect(first.parts.find(part => part.kind === 'picture')).toMatchObject({ alt: 'A blue pool' })
  })

  it('say what a board can’t keep', async () => {
    const slides = slidesOf(await written())
    expect(codes(slides)).toContain('speaker-notes 1')
    const aslant = { code: 'words-turned-upright', page: 1, count: 1 }
    expect(composed(slides, 'printed').lost).toContainEqual(aslant)
    expect(composed(slides, 'lying').lost).not.toContainEqual(aslant)
  })

  it('become printed pages, pieces where they lie, or pieces on the ledge', async () => {
    const slides = slidesOf(await written())
    const printed = composed(slides, 'printed', 'left-out').board
    expect(printed.pages).toHaveLength(1)
    expect(printed.pages[0]!.pieces).toEqual([])
    expect(printed.pages[0]!.backdrop.figures!.map(figure => figure.text).filter(Boolean)).toHaveLength(3)
    expect(printed.pages[0]!.backdrop.pictures).toHaveLength(1)
    const lying = composed(slides, 'lying', 'ledge').board
    const [one, two] = lying.pages
    expect(one!.pieces.map(piece => piece.text).toSorted()).toEqual(['', 'limpet', 'shanny'])
    const shanny = one!.pieces.find(piece => piece.text === 'shanny')!
    const { x, y, turn } = one!.staged![shanny.id]!
    expect(turn).toBe(30)
    expect([x, y].map(Math.round)).toEqual([3.75 * INCH, 4.25 * INCH].map(Math.round))
    // The heading stays printed; of a list each item is a card.
    expect(one!.backdrop.figures!.map(figure => figure.text)).toContain('Who clings, who swims?')
    expect(two!.staged).toBeUndefined()
    expect(two!.pieces.map(piece => piece.text)).toEqual(expect.arrayContaining(['First', 'Second', '4.2 m']))
    expect(two!.ledge).toHaveLength(two!.pieces.length)
  })
})

describe('what is read of slides', () => {
  const A = 'xmlns:a="http://schemas.openxmlformats.org/drawingml/2006/main"'
  const P = 'xmlns:p="http://schemas.openxmlformats.org/presentationml/2006/main"'
  const R = 'xmlns:r="http://schemas.openxmlformats.org/officeDocument/2006/relationships"'
  /** A presentation of one slide with this tree of shapes. */
  const presentation = (tree: string, files: Record<string, string> = {}) =>
    zipSync(
      Object.fromEntries(
        Object.entries({
          'ppt/presentation.xml': `<p:presentation ${P} ${R}><p:sldIdLst><p:sldId r:id="a"/></p:sldIdLst><p:sldSz cx="9144000" cy="6858000"/></p:presentation>`,
          'ppt/_rels/presentation.xml.rels':
            '<Relationships><Relationship Id="a" Type="x/slide" Target="slides/slide1.xml"/></Relationships>',
          'ppt/slides/slide1.xml': `<p:sld ${P} ${A} ${R}><p:cSld><p:spTree>${tree}</p:spTree></p:cSld></p:sld>`,
          ...files,
        }).map(([name, text]) => [name, strToU8(text)]),
      ),
    )
  const shape = (text: string, frame: string) =>
    `<p:sp><p:nvSpPr><p:cNvPr id="1" name=""/><p:nvPr/></p:nvSpPr><p:spPr><a:xfrm ${frame}</a:xfrm></p:spPr><p:txBody><a:bodyPr/><a:p><a:r><a:rPr sz="2400"/><a:t>${text}</a:t></a:r></a:p></p:txBody></p:sp>`
  const spot = (x: number, y: number, cx: number, cy: number) =>
    `<a:off x="${x}" y="${y}"/><a:ext cx="${cx}" cy="${cy}"/>`

  it('lies in groups within groups as their frames say', () => {
    const inner = `<p:grpSp><p:grpSpPr><a:xfrm>${spot(0, 0, 2000, 2000)}<a:chOff x="0" y="0"/><a:chExt cx="1000" cy="1000"/></a:xfrm></p:grpSpPr>${shape('tern', `>${spot(500, 500, 500, 500)}`)}</p:grpSp>`
    const outer = `<p:grpSp><p:grpSpPr><a:xfrm>${spot(127000, 127000, 1270000, 1270000)}<a:chOff x="0" y="0"/><a:chExt cx="2000" cy="2000"/></a:xfrm></p:grpSpPr>${inner}</p:grpSp>`
    const [slide] = slidesOf(presentation(outer)).pages as [Slide]
    // 10 + 100 × (1000 / 2000) points, by the two scales one after the other.
    const { x, y, width, height } = box(slide, 'tern').box
    for (const n of [x, y]) expect(n).toBeCloseTo(60, 6)
    for (const n of [width, height]) expect(n).toBeCloseTo(50, 6)
  })

  it('has diagrams as they were last drawn, each in its frame', () => {
    const frame = (dm: string, x: number) =>
      `<p:graphicFrame><p:nvGraphicFramePr><p:cNvPr id="4" name=""/><p:nvPr/></p:nvGraphicFramePr><p:xfrm>${spot(x, 127000, 2540000, 1270000)}</p:xfrm><a:graphic><a:graphicData uri="x/diagram"><dgm:relIds xmlns:dgm="d" r:dm="${dm}"/></a:graphicData></a:graphic></p:graphicFrame>`
    const drawing = (text: string) =>
      `<dsp:drawing xmlns:dsp="s" ${A}><dsp:spTree>${shape(text, `>${spot(254000, 0, 635000, 317500)}`).replaceAll('p:', 'dsp:')}</dsp:spTree></dsp:drawing>`
    const model = (id: string) =>
      `<dgm:dataModel xmlns:dgm="d" ${A}><a:extLst><a:ext uri="x"><dsp:dataModelExt xmlns:dsp="s" relId="${id}"/></a:ext></a:extLst></dgm:dataModel>`
    const relation = (id: string, type: string, target: string) =>
      `<Relationship Id="${id}" Type="x/${type}" Target="../diagrams/${target}.xml"/>`
    const files = {
      'ppt/slides/_rels/slide1.xml.rels': `<Relationships>${relation('d1', 'diagramData', 'data1')}${relation('w1', 'diagramDrawing', 'drawing1')}${relation('d2', 'diagramData', 'data2')}${relation('w2', 'diagramDrawing', 'drawing2')}${relation('d3', 'diagramData', 'data3')}</Relationships>`,
      'ppt/diagrams/data1.xml': model('w2'),
      'ppt/diagrams/data2.xml': model('w1'),
      'ppt/diagrams/data3.xml': model('gone'),
      'ppt/diagrams/drawing1.xml': drawing('ebb'),
      'ppt/diagrams/drawing2.xml': drawing('flow'),
    }
    const slides = slidesOf(presentation(frame('d1', 127000) + frame('d2', 5080000) + frame('d3', 0), files))
    const [slide] = slides.pages as [Slide]
    // 12,700 units to a point: the frame's corner, and 20 points further to the right.
    expect(box(slide, 'flow').box).toMatchObject({ x: 30, y: 10, width: 50, height: 25 })
    expect(box(slide, 'ebb').box).toMatchObject({ x: 420, y: 10 })
    // The third has no drawing with it.
    expect(codes(slides)).toEqual(['embedded 1'])
    const only = slidesOf(
      presentation(frame('d1', 0), {
        'ppt/slides/_rels/slide1.xml.rels': `<Relationships>${relation('w1', 'diagramDrawing', 'drawing1')}</Relationships>`,
        'ppt/diagrams/drawing1.xml': drawing('ebb'),
      }),
    )
    expect(box(only.pages[0]!, 'ebb').box).toMatchObject({ x: 20, y: 10 })
    // One that is drawn in itself comes to an end.
    const endless = drawing('ebb').replace('</dsp:spTree>', `${frame('d1', 0).repeat(3)}</dsp:spTree>`)
    const within = slidesOf(presentation(frame('d1', 0), { ...files, 'ppt/diagrams/drawing2.xml': endless }))
    expect(within.pages[0]!.parts.length).toBeLessThan(2000)
  })

  it('never comes from outside of the file', () => {
    const picture = `<p:pic><p:nvPicPr><p:cNvPr id="2" name=""/><p:nvPr/></p:nvPicPr><p:blipFill><a:blip r:embed="out"/></p:blipFill><p:spPr><a:xfrm>${spot(0, 0, 1270000, 1270000)}</a:xfrm></p:spPr></p:pic>`
    const rels = (target: string, mode = '') =>
      `<Relationships><Relationship Id="out" Type="x/image" Target="${target}" ${mode}/></Relationships>`
    for (const [target, mode] of [
      ['https://shore.example/a.png', 'TargetMode="External"'],
      ['../../../../etc/passwd', ''],
      ['file:///etc/passwd', ''],
    ] as const) {
      const file = presentation(picture + shape('gull', `>${spot(0, 0, 127000, 127000)}`), {
        'ppt/slides/_rels/slide1.xml.rels': rels(target, mode),
      })
      const slides = slidesOf(file)
      expect(slides.pages[0]!.parts.filter(part => part.kind === 'picture')).toEqual([])
      expect(codes(slides).join()).toMatch(/pictures-(?:elsewhere|unread) 1/)
    }
  })

  it('takes the size of its letters from where a placeholder gets it', () => {
    const master = `<p:sldMaster ${P} ${A}><p:cSld><p:spTree><p:sp><p:nvSpPr><p:cNvPr id="1" name=""/><p:nvPr><p:ph type="title"/></p:nvPr></p:nvSpPr><p:spPr><a:xfrm>${spot(0, 0, 9144000, 1270000)}</a:xfrm></p:spPr></p:sp></p:spTree></p:cSld><p:txStyles><p:titleStyle><a:lvl1pPr algn="ctr"><a:defRPr sz="4000" b="1"/></a:lvl1pPr></p:titleStyle></p:txStyles></p:sldMaster>`
    const relation = (id: string, type: string, target: string) =>
      `<Relationships><Relationship Id="${id}" Type="x/${type}" Target="${target}"/></Relationships>`
    const title = `<p:sp><p:nvSpPr><p:cNvPr id="1" name=""/><p:nvPr><p:ph type="title"/></p:nvPr></p:nvSpPr><p:spPr/><p:txBody><a:bodyPr/><a:p><a:r><a:t>Tides</a:t></a:r></a:p></p:txBody></p:sp>`
    const [slide] = slidesOf(
      presentation(title, {
        'ppt/slides/_rels/slide1.xml.rels': relation('l', 'slideLayout', '../slideLayouts/l.xml'),
        'ppt/slideLayouts/l.xml': `<p:sldLayout ${P}><p:cSld><p:spTree/></p:cSld></p:sldLayout>`,
        'ppt/slideLayouts/_rels/l.xml.rels': relation('m', 'slideMaster', '../slideMasters/m.xml'),
        'ppt/slideMasters/m.xml': master,
      }),
    ).pages as [Slide]
    expect(box(slide, 'Tides')).toMatchObject({ textSize: 40, bold: true, fromLeft: false, heading: true })
    expect(box(slide, 'Tides').box.height).toBeCloseTo(100, 6)
  })

  it('is no more than a board has room for, and the rest is said', () => {
    const many = Array.from({ length: 130 }, (_, i) =>
      shape(`word ${i}`, `>${spot(0, i * 12700, 127000 * (i + 1), 127000)}`),
    )
    const slides = slidesOf(presentation(many.join('')))
    for (const use of PAGE_USES.filter(one => one !== 'left-out')) {
      const { board, lost } = composed(slides, use)
      if (use === 'printed') expect(lost).toEqual([{ code: 'figures-too-many', page: 1, count: 30 }])
      else expect(board.pages[0]!.pieces).toHaveLength(130)
      expect(board.masters.length).toBeLessThanOrEqual(40)
    }
  })

  it('loses no item of a list: what is too long for a card is printed', () => {
    const long = 'a very long sentence '.repeat(12)
    const paragraphs = ['limpet', long, 'goby']
      .map(text => `<a:p><a:pPr><a:buChar char="•"/></a:pPr><a:r><a:t>${text}</a:t></a:r></a:p>`)
      .join('')
    const list = `<p:sp><p:nvSpPr><p:cNvPr id="1" name=""/><p:nvPr/></p:nvSpPr><p:spPr><a:xfrm rot="5400000">${spot(2540000, 2540000, 2540000, 1270000)}</a:xfrm></p:spPr><p:txBody><a:bodyPr/>${paragraphs}</p:txBody></p:sp>`
    const { board } = composed(slidesOf(presentation(list)), 'lying')
    const [page] = board.pages
    expect(page!.pieces.map(piece => piece.text)).toEqual(['limpet', 'goby'])
    expect(page!.backdrop.figures!.map(figure => figure.text)).toEqual([long.trim()])
    // Turned by a quarter, what stood at the top of 300 by 200 points around (300, 250) is at the right.
    const first = page!.staged![page!.pieces[0]!.id]!
    expect([first.x, first.y, first.turn].map(n => Math.round(n!))).toEqual([333, 250, 90])
  })

  it('has grounds on which our dark words can be read', () => {
    const dark = `<p:sp><p:nvSpPr><p:cNvPr id="1" name=""/><p:nvPr/></p:nvSpPr><p:spPr><a:xfrm>${spot(0, 0, 1270000, 635000)}</a:xfrm><a:solidFill><a:srgbClr val="102040"/></a:solidFill></p:spPr><p:txBody><a:bodyPr/><a:p><a:r><a:t>seal</a:t></a:r></a:p></p:txBody></p:sp>`
    const slides = slidesOf(presentation(dark))
    expect(box(slides.pages[0]!, 'seal').fill).not.toBe('#102040')
    expect(codes(slides)).toContain('grounds-lightened 1')
  })
})
