import PDFDocument from 'pdfkit'

/** A PDF with a line of text on pages of these sizes, in points; with a password it can't be opened without it. */
export function makePdf(sizes: readonly (readonly [number, number])[], userPassword?: string): Promise<Buffer> {
  return new Promise(resolve => {
    const pdf = new PDFDocument({ autoFirstPage: false, ...(userPassword && { userPassword }) })
    const parts: Buffer[] = []
    pdf.on('data', (part: Buffer) => parts.push(part))
    pdf.on('end', () => resolve(Buffer.concat(parts)))
    for (const [width, height] of sizes)
      pdf
        .addPage({ size: [width, height] })
        .fontSize(30)
        .text('Tide tables', 60, 200)
    pdf.end()
  })
}

/**
 * A page of 200 × 100 points that is painted black through a mask by brightness, of which the left half is black and
 * the right half white (ISO 32000-1, 11.5.3): only the right half shows.
 */
export function makeMaskedPdf(): Buffer {
  const stream = (entries: string, content: string) =>
    `<<${entries}/Length ${content.length}>>stream\n${content}\nendstream`
  const objects = [
    '<</Type/Catalog/Pages 2 0 R>>',
    '<</Type/Pages/Kids[3 0 R]/Count 1>>',
    '<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 100]/Contents 4 0 R/Resources<</ExtGState<</Masked 5 0 R>>>>>>',
    stream('', '/Masked gs 0 g 0 0 200 100 re f'),
    '<</Type/ExtGState/SMask<</Type/Mask/S/Luminosity/G 6 0 R>>>>',
    stream(
      '/Type/XObject/Subtype/Form/BBox[0 0 200 100]/Group<</S/Transparency/CS/DeviceGray>>',
      '0 g 0 0 100 100 re f 1 g 100 0 100 100 re f',
    ),
  ]
  return pdfOf(objects)
}

/** Two pages, of which the second is named and not there. */
export function makeTornPdf(): Buffer {
  return pdfOf([
    '<</Type/Catalog/Pages 2 0 R>>',
    '<</Type/Pages/Kids[3 0 R 9 0 R]/Count 2>>',
    '<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 100]>>',
  ])
}

/**
 * The objects of a file from 1 on, the first of them its catalogue, with the table that says where each stands (ISO
 * 32000-1, 7.5).
 */
function pdfOf(objects: readonly string[]): Buffer {
  const parts = objects.map((object, i) => `${i + 1} 0 obj${object}endobj\n`)
  let at = '%PDF-1.7\n'.length
  const entries = parts.map(part => {
    const entry = `${String(at).padStart(10, '0')} 00000 n \n`
    at += part.length
    return entry
  })
  return Buffer.from(
    `%PDF-1.7\n${parts.join('')}xref\n0 ${parts.length + 1}\n0000000000 65535 f \n${entries.join('')}trailer<</Size ${parts.length + 1}/Root 1 0 R>>\nstartxref\n${at}\n%%EOF\n`,
    'latin1',
  )
}
