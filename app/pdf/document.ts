import { getDocument, OPS, type PDFDocumentProxy, type PDFPageProxy } from 'pdfjs-dist/legacy/build/pdf.mjs'
import type { Size } from '~~/core/geometry/shape'

export type PdfTrouble = 'locked' | 'broken'
type Parameters = Extract<Parameters_, { data?: unknown }>
type Parameters_ = NonNullable<globalThis.Parameters<typeof getDocument>[0]>

/** Opens a PDF in whichever thread this is asked; nothing of it is run. */
export async function openDocument(
  data: ArrayBuffer,
  own: Parameters = {},
): Promise<{ pdf: PDFDocumentProxy } | { trouble: PdfTrouble }> {
  const task = getDocument({
    data,
    enableXfa: false,
    isEvalSupported: false,
    useWasm: false,
    useSystemFonts: false,
    useWorkerFetch: true,
    standardFontDataUrl: '/pdf/standard_fonts/',
    cMapUrl: '/pdf/cmaps/',
    cMapPacked: true,
    wasmUrl: '/pdf/wasm/',
    ...own,
  })
  try {
    return { pdf: await task.promise }
  } catch (error) {
    await task.destroy()
    return { trouble: error instanceof Error && error.name === 'PasswordException' ? 'locked' : 'broken' }
  }
}

/**
 * A page on a canvas whose longer side has so many pixels, and its size in points, as it is meant to be read (turned
 * pages included).
 */
export async function drawPage<T extends HTMLCanvasElement | OffscreenCanvas>(
  page: PDFPageProxy,
  longest: number,
  makeCanvas: (width: number, height: number) => T,
): Promise<{ canvas: T; size: Size }> {
  const { width, height } = page.getViewport({ scale: 1 })
  const viewport = page.getViewport({ scale: longest / Math.max(width, height) })
  const canvas = makeCanvas(Math.round(viewport.width), Math.round(viewport.height))
  // A worker's canvas takes the same drawing; the package's types know the page's only.
  await page.render({ canvas: canvas as HTMLCanvasElement, viewport }).promise
  page.cleanup()
  return { canvas, size: { width, height } }
}

/**
 * Whether masks by brightness or transfer curves are drawn on it: browsers do these with filters that only a page's own
 * thread has.
 */
export async function needsFilters(page: PDFPageProxy): Promise<boolean> {
  const { fnArray, argsArray } = await page.getOperatorList()
  return fnArray.some(
    (fn, i) =>
      fn === OPS.setGState
      && (argsArray[i] as [[string, unknown][]])[0].some(
        ([name, value]) => (name === 'SMask' || name === 'TR') && value,
      ),
  )
}
