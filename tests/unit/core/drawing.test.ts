import { XMLValidator } from 'fast-xml-parser'
import fc from 'fast-check'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import type { Board } from '../../../core/board/board'
import { makeEdition } from '../../../core/board/edition'
import { inGrey, onScreen, type Colour } from '../../../core/drawing/palette'
import { drawPage, type PageDrawing } from '../../../core/drawing/page'
import { boxPath, ellipsePath, polygon } from '../../../core/drawing/primitive'
import { escaped, svgOf } from '../../../core/drawing/svg'
import { ORGANIZERS } from '../../../core/organizers/organizers'
import { boardOf } from '../../../core/organizers/plan'
import { startOf } from '../../../core/slate/state'
import { exampleBoards } from '../../examples'

const BOARDS: readonly Board[] = [...exampleBoards, ...ORGANIZERS.map(one => boardOf(one))]
const drawings = (board: Board): PageDrawing[] => {
  const edition = makeEdition(board)
  return board.pages.map(page => drawPage({ edition, page, state: startOf(edition) }))
}
const svg = (drawing: PageDrawing, title = 'A page') => svgOf(drawing, { title, hrefOf: () => null })

describe('a page as a drawing', () => {
  it('has all that is on it: each place, each piece that lies, each printed thing, under its own id', () => {
    for (const board of BOARDS) {
      const edition = makeEdition(board)
      const state = startOf(edition)
      for (const page of board.pages) {
        const things = drawPage({ edition, page, state }).things
        const ids = (kind: string) => things.filter(thing => thing.kind === kind).map(thing => thing.id)
        for (const place of page.places) expect(ids('place')).toContain(place.id)
        const lying = page.pieces.filter(piece => state.pieces[piece.id]).map(piece => piece.id)
        expect(ids('piece').toSorted()).toEqual(lying.toSorted())
        for (const figure of page.backdrop.figures ?? []) expect(ids('printed')).toContain(figure.id)
      }
    }
  })

  it('is an SVG that is well formed (XML 1.0), true to size, with every id once, and that another renderer draws', async () => {
    for (const board of BOARDS) {
      for (const drawing of drawings(board)) {
        const text = svg(drawing, board.title)
        expect(XMLValidator.validate(text), board.title).toBe(true)
        const ids = [...text.matchAll(/ id="([^"]*)"/g)].map(match => match[1])
        expect(new Set(ids).size).toBe(ids.length)
        // CSS Values 4, 6.2: a point is a seventy-second of an inch.
        expect(text).toContain(`width="${drawing.width}pt" height="${drawing.height}pt"`)
        const { width } = await sharp(Buffer.from(text), { density: 72 }).metadata()
        expect(Math.abs(width! - drawing.width)).toBeLessThanOrEqual(1)
      }
    }
  })

  it('stays well formed whatever its words are', () => {
    const [board] = exampleBoards
    fc.assert(
      fc.property(fc.string({ unit: 'binary', maxLength: 40 }), words => {
        const edition = makeEdition({
          ...board!,
          pages: board!.pages.map(page => ({
            ...page,
            pieces: page.pieces.map(piece => ({ ...piece, text: words })),
            places: page.places.map(place => ({ ...place, heading: words })),
          })),
        })
        const text = svg(drawPage({ edition, page: edition.board.pages[0]!, state: startOf(edition) }), words)
        expect(XMLValidator.validate(text)).toBe(true)
      }),
      { numRuns: 60 },
    )
    expect(escaped('<a b="c">&\u0000\uD800</a>')).toBe('&lt;a b=&quot;c&quot;&gt;&amp;&lt;/a&gt;')
  })
})

describe('colours', () => {
  it('are in grey what their luma is (ITU-R BT.709, 3.2): white stays white, black black, green is lighter than blue', () => {
    const grey = (colour: Colour) => Number.parseInt(inGrey(colour).slice(1, 3), 16)
    expect([grey('#ffffff'), grey('#000000'), grey('#fff')]).toEqual([255, 0, 255])
    // 0.2126, 0.7152 and 0.0722 of 255.
    expect([grey('#ff0000'), grey('#00ff00'), grey('#0000ff')]).toEqual([54, 182, 18])
    expect(onScreen('#123456')).toBe('#123456')
    expect(onScreen('ground')).toBe('#ffffff')
  })
})

describe('outlines', () => {
  const area = async (d: string) => {
    const drawn = `<svg xmlns="http://www.w3.org/2000/svg" width="200" height="200"><path d="${d}"/></svg>`
    const { channels } = await sharp(Buffer.from(drawn)).stats()
    return (channels[3]!.mean / 255) * 200 * 200
  }
  it('have the areas of their shapes, as another renderer fills them', async () => {
    const box = { x: 20, y: 30, width: 120, height: 80 }
    expect(await area(boxPath(box))).toBeCloseTo(9600, -1)
    // Each rounded corner leaves out r² (1 − π/4).
    expect(await area(boxPath(box, 20))).toBeCloseTo(9600 - 4 * 400 * (1 - Math.PI / 4), -1.5)
    expect(await area(boxPath(box, 500))).toBeCloseTo(40 * 80 + Math.PI * 1600, -1.5)
    expect(await area(ellipsePath(box))).toBeCloseTo(Math.PI * 60 * 40, -1.5)
    const triangle = polygon([
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 0, y: 100 },
    ])
    expect(await area(triangle)).toBeCloseTo(5000, -2)
    expect(polygon([])).toBe('')
  })
})
