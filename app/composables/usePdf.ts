import type { PDFDocumentProxy } from 'pdfjs-dist'
import type { Size } from '~~/core/geometry/shape'

export type PdfTrouble = 'locked' | 'broken' | 'too-big'
const LARGEST = 60 * 1024 * 1024
/** Pixels: sharp on a class screen, and as large as pictures are kept at all. */
const LONGEST_SIDE = 2400
const SMALL = 200

/** Opens a PDF; it is read in a worker of its own, and nothing of it is run. */
export async function openPdf(file: File): Promise<{ pdf: PDFDocumentProxy } | { trouble: PdfTrouble }> {
  if (file.size > LARGEST) return { trouble: 'too-big' }
  const [{ getDocument, GlobalWorkerOptions }, worker] = await Promise.all([import('pdfjs-dist/legacy/build/pdf.mjs'), import('pdfjs-dist/legacy/build/pdf.worker.min.mjs?url')])
  GlobalWorkerOptions.workerSrc = worker.default
  const task = getDocument({
    data: await file.arrayBuffer(), enableXfa: false, isEvalSupported: false, useWasm: false,
    standardFontDataUrl: '/pdf/standard_fonts/', cMapUrl: '/pdf/cmaps/', cMapPacked: true, wasmUrl: '/pdf/wasm/',
  })
  try {
    return { pdf: await task.promise }
  }
  catch (error) {
    await task.destroy()
    return { trouble: error instanceof Error && error.name === 'PasswordException' ? 'locked' : 'broken' }
  }
}

/** The size of a page in points, as it is meant to be read (turned pages included). */
async function pageOf(pdf: PDFDocumentProxy, number: number) {
  const page = await pdf.getPage(number)
  const { width, height } = page.getViewport({ scale: 1 })
  return { page, size: { width, height } }
}

async function drawn(pdf: PDFDocumentProxy, number: number, longest: number): Promise<{ canvas: HTMLCanvasElement, size: Size }> {
  const { page, size } = await pageOf(pdf, number)
  const viewport = page.getViewport({ scale: longest / Math.max(size.width, size.height) })
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(viewport.width)
  canvas.height = Math.round(viewport.height)
  await page.render({ canvas, viewport }).promise
  page.cleanup()
  return { canvas, size }
}

/** A small picture of a page to choose it by, as a data URL. */
export const smallPicture = async (pdf: PDFDocumentProxy, number: number) => (await drawn(pdf, number, SMALL)).canvas.toDataURL('image/jpeg', 0.8)

/** A page as a sharp picture, to be kept. */
export async function pagePicture(pdf: PDFDocumentProxy, number: number, name: string): Promise<{ file: File, size: Size }> {
  const { canvas, size } = await drawn(pdf, number, LONGEST_SIDE)
  const blob = await new Promise<Blob>((resolve, reject) => canvas.toBlob(b => b ? resolve(b) : reject(new Error('the page could not be drawn')), 'image/png'))
  canvas.width = 0
  return { file: new File([blob], `${name}.png`, { type: 'image/png' }), size }
}
