import PDFDocument from 'pdfkit'
import { create } from 'qrcode'
import { setWith } from './fonts'

/** What stands on a card with which a student comes in: a name, how, and a code that leads there without typing. */
export interface Card {
  readonly name: string
  readonly below: string
  readonly pictures: readonly string[]
  readonly link: string
}

/** Points of a millimetre (72 to an inch). */
const MM = 72 / 25.4
const CARDS_A_PAGE = 8
const PAGE = { width: 210 * MM, height: 297 * MM }
const CARD = { width: 90 * MM, height: 64 * MM }
const ACROSS = 2
const QR = 38 * MM

/** Cards on A4, eight to a page at their true size (90 × 64 mm), with lines to cut along. */
export async function cardsPdf(title: string, cards: readonly Card[]): Promise<Buffer> {
  const pdf = new PDFDocument({
    size: [PAGE.width, PAGE.height],
    margin: 0,
    autoFirstPage: false,
    font: null as never,
    info: { Title: title, Creator: 'Dappled Slate' },
    lang: 'en-GB',
  })
  const chunks: Buffer[] = []
  pdf.on('data', (chunk: Buffer) => chunks.push(chunk))
  const ended = new Promise((resolve, reject) => pdf.on('end', resolve).on('error', reject))
  const [left, top] = [
    (PAGE.width - ACROSS * CARD.width) / 2,
    (PAGE.height - (CARDS_A_PAGE / ACROSS) * CARD.height) / 2,
  ]
  cards.forEach((card, i) => {
    const at = i % CARDS_A_PAGE
    if (at === 0) pdf.addPage()
    draw(pdf, card, left + (at % ACROSS) * CARD.width, top + Math.floor(at / ACROSS) * CARD.height)
  })
  pdf.end()
  await ended
  return Buffer.concat(chunks)
}

function draw(pdf: PDFKit.PDFDocument, card: Card, x: number, y: number): void {
  pdf
    .save()
    .rect(x, y, CARD.width, CARD.height)
    .dash(4, { space: 3 })
    .lineWidth(0.6)
    .strokeColor('#6b7a7a')
    .stroke()
    .restore()
  const pad = 5 * MM
  write(pdf, card.name, { x: x + pad, y: y + pad, size: 17, width: CARD.width - 2 * pad })
  drawCode(pdf, card.link, x + pad, y + CARD.height - pad - QR)
  const beside = { x: x + 2 * pad + QR, width: CARD.width - 3 * pad - QR }
  write(pdf, card.below, { ...beside, y: y + 19 * MM, size: 10.5 })
  card.pictures.forEach((picture, i) =>
    write(pdf, `${i + 1}. ${picture}`, { ...beside, y: y + (31 + 7 * i) * MM, size: 12 }),
  )
}

/** One line, smaller where it wouldn't fit. */
function write(
  pdf: PDFKit.PDFDocument,
  text: string,
  { x, y, size, width }: { x: number; y: number; size: number; width: number },
): void {
  const runs = setWith(text)
  for (const { face } of runs) pdf.registerFont(face.name, face.sfnt)
  const measured = runs.map(({ face, text: part }) => pdf.font(face.name).fontSize(size).widthOfString(part))
  const scale = Math.min(
    1,
    width
      / Math.max(
        1,
        measured.reduce((sum, one) => sum + one, 0),
      ),
  )
  let at = x
  runs.forEach(({ face, text: part }, i) => {
    pdf
      .font(face.name)
      .fontSize(size * scale)
      .fillColor('#14191a')
      .text(part, at, y, { lineBreak: false })
    at += measured[i]! * scale
  })
}

/**
 * As squares, so that it is sharp at any size; the quiet zone of four modules is the card's own white (ISO/IEC 18004).
 */
function drawCode(pdf: PDFKit.PDFDocument, link: string, x: number, y: number): void {
  const { modules } = create(link, { errorCorrectionLevel: 'M' })
  const module = QR / modules.size
  for (let row = 0; row < modules.size; row++) {
    for (let column = 0; column < modules.size; column++) {
      if (modules.get(row, column)) pdf.rect(x + column * module, y + row * module, module + 0.05, module + 0.05)
    }
  }
  pdf.fillColor('#000000').fill()
}
