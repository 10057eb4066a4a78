import PDFDocument from 'pdfkit'

/** A PDF with a line of text on pages of these sizes, in points; with a password it can't be opened without it. */
export function makePdf(sizes: readonly (readonly [number, number])[], userPassword?: string): Promise<Buffer> {
  return new Promise((resolve) => {
    const pdf = new PDFDocument({ autoFirstPage: false, ...(userPassword && { userPassword }) })
    const parts: Buffer[] = []
    pdf.on('data', (part: Buffer) => parts.push(part))
    pdf.on('end', () => resolve(Buffer.concat(parts)))
    for (const [width, height] of sizes) pdf.addPage({ size: [width, height] }).fontSize(30).text('Tide tables', 60, 200)
    pdf.end()
  })
}
