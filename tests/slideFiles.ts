import PptxGen from 'pptxgenjs'
import sharp from 'sharp'

interface Deck {
  readonly title?: string
}

// The package's types name a namespace where its module gives a class.
const Writer = PptxGen as unknown as new () => PptxGen

/** A blue picture, twice as wide as high. */
export const bluePng = () =>
  sharp({ create: { width: 200, height: 100, channels: 3, background: '#2a7f9e' } })
    .png()
    .toBuffer()

/**
 * Slides as a general-purpose writer makes them: one of words, shapes, a line and a picture, and a hidden one with a
 * list and a table. The same deck went through LibreOffice for the files in `tests/files`.
 */
export async function rockPoolSlides({ title = 'Rock pools' }: Deck = {}): Promise<Buffer> {
  const deck = new Writer()
  deck.layout = 'LAYOUT_16x9'
  deck.title = title
  const first = deck.addSlide()
  first.background = { color: 'E6F1EA' }
  first.addText('Who clings, who swims?', { x: 0.5, y: 0.3, w: 9, h: 0.8, fontSize: 32, bold: true, align: 'center' })
  first.addText('limpet', { x: 1, y: 4, w: 1.5, h: 0.5, fontSize: 18, fill: { color: 'FDF3DC' } })
  first.addText('shanny', { x: 3, y: 4, w: 1.5, h: 0.5, fontSize: 18, rotate: 30 })
  first.addShape('ellipse', {
    x: 1,
    y: 1.5,
    w: 3,
    h: 2,
    fill: { color: 'FFFFFF' },
    line: { color: '334455', width: 2 },
  })
  first.addShape('rightArrow', { x: 5, y: 1.5, w: 2, h: 1, fill: { color: '112233' } })
  first.addShape('line', { x: 5, y: 3, w: 2, h: 1, line: { color: 'FF0000', width: 3, endArrowType: 'triangle' } })
  const data = `image/png;base64,${(await bluePng()).toString('base64')}`
  first.addImage({ data, x: 7, y: 2.5, w: 2, h: 1, altText: 'A blue pool' })
  first.addNotes('Ask about the limpet first.')
  const second = deck.addSlide()
  const items = ['First', 'Second'].map((text, i) => ({ text, options: { bullet: true, breakLine: i === 0 } }))
  second.addText(items, { x: 1, y: 1, w: 4, h: 2, fontSize: 20 })
  const rows = [
    ['tide', 'height'],
    ['high', '4.2 m'],
  ]
  second.addTable(
    rows.map(row => row.map(text => ({ text }))),
    { x: 1, y: 3.2, w: 4, h: 1.5 },
  )
  second.hidden = true
  return (await deck.write({ outputType: 'nodebuffer' })) as Buffer
}
