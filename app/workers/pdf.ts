import { expose } from 'comlink'
import type { PDFDocumentProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
// Reading takes place in this worker too, so that it needs none of its own.
import 'pdfjs-dist/legacy/build/pdf.worker.min.mjs'
import { drawPage, needsFilters, openDocument } from '../pdf/document'

/** Here are no filters; pages that need them are drawn elsewhere. */
class NoFilters {
  addFilter() {
    return 'none'
  }
  addHCMFilter() {
    return 'none'
  }
  addAlphaFilter() {
    return 'none'
  }
  addLuminosityFilter() {
    return 'none'
  }
  addHighlightHCMFilter() {
    return 'none'
  }
  destroy() {}
}
const makeCanvas = (width: number, height: number) => new OffscreenCanvas(width, height)
class WorkerCanvases {
  create(width: number, height: number) {
    const canvas = makeCanvas(width, height)
    return { canvas, context: canvas.getContext('2d', { willReadFrequently: true }) }
  }

  reset({ canvas }: { canvas: OffscreenCanvas }, width: number, height: number) {
    canvas.width = width
    canvas.height = height
  }

  destroy(made: { canvas: OffscreenCanvas | null; context: unknown }) {
    if (made.canvas) made.canvas.width = made.canvas.height = 0
    made.canvas = made.context = null
  }
}
/** All that the package wants of a document here is where fonts are kept. */
const fonts = (self as unknown as { fonts?: FontFaceSet }).fonts
const ownerDocument = { fonts, baseURI: self.location.href } as unknown as HTMLDocument

let pdf: PDFDocumentProxy | null = null
const api = {
  async open(data: ArrayBuffer) {
    const opened = await openDocument(data, {
      CanvasFactory: WorkerCanvases,
      FilterFactory: NoFilters,
      ownerDocument,
      disableFontFace: !fonts,
    })
    if ('trouble' in opened) return opened
    pdf = opened.pdf
    return { pages: pdf.numPages }
  },
  /** The page as a picture, or null for one that can't be drawn without filters. */
  async draw(number: number, longest: number, type: 'image/png' | 'image/jpeg') {
    const page = await pdf!.getPage(number)
    if (await needsFilters(page)) return null
    const { canvas, size } = await drawPage(page, longest, makeCanvas)
    return { size, picture: await canvas.convertToBlob({ type, quality: 0.8 }) }
  },
}
export type PdfWorker = typeof api
expose(api)
