import { wrap } from 'comlink'
import type { Size } from '~~/core/geometry/shape'
import type { PdfTrouble } from '~/pdf/document'
import type { PdfWorker } from '~/workers/pdf'

export type { PdfTrouble }
const LARGEST = 60 * 1024 * 1024
/** Pixels: sharp on a class screen, and as large as pictures are kept at all. */
const LONGEST_SIDE = 2400
const SMALL = 200

export interface Pdf {
  readonly pages: number
  /** A small picture of a page to choose it by. */
  readonly small: (number: number) => Promise<Blob>
  /** A page as a sharp picture to be kept, with the size of the page in points. */
  readonly picture: (number: number, name: string) => Promise<{ file: File; size: Size }>
  readonly close: () => void
}

/** Opens a PDF: it is read and drawn in a worker, and nothing of it is run. */
export async function openPdf(file: File): Promise<{ pdf: Pdf } | { trouble: PdfTrouble | 'too-big' }> {
  if (file.size > LARGEST) return { trouble: 'too-big' }
  const worker = new Worker(new URL('../../workers/pdf.ts', import.meta.url), { type: 'module' })
  const { open, draw } = wrap<PdfWorker>(worker)
  const opened = await open(await file.arrayBuffer())
  if ('trouble' in opened) {
    worker.terminate()
    return opened
  }
  /** A worker that was stopped never answers; who waits for it is told. */
  let stop: (reason: Error) => void = () => {}
  const stopped = new Promise<never>((_, reject) => (stop = reject))
  stopped.catch(() => {})
  let here: Promise<DrawHere> | null = null
  async function drawn(number: number, longest: number, type: 'image/png' | 'image/jpeg') {
    return (
      (await Promise.race([draw(number, longest, type), stopped]))
      ?? (await (here ??= drawHere(file))).draw(number, longest, type)
    )
  }
  return {
    pdf: {
      pages: opened.pages,
      small: async number => (await drawn(number, SMALL, 'image/jpeg')).picture,
      async picture(number, name) {
        const { picture, size } = await drawn(number, LONGEST_SIDE, 'image/png')
        return { file: new File([picture], `${name}.png`, { type: 'image/png' }), size }
      },
      close() {
        worker.terminate()
        void here?.then(
          opened => opened.close(),
          () => {},
        )
        stop(new Error('the PDF was closed'))
      },
    },
  }
}

interface DrawHere {
  readonly draw: (number: number, longest: number, type: string) => Promise<{ picture: Blob; size: Size }>
  readonly close: () => void
}
/** On the page's own thread, for what can only be drawn there. */
async function drawHere(file: File): Promise<DrawHere> {
  const [{ openDocument, drawPage }, { GlobalWorkerOptions }, source] = await Promise.all([
    import('~/pdf/document'),
    import('pdfjs-dist/legacy/build/pdf.mjs'),
    import('pdfjs-dist/legacy/build/pdf.worker.min.mjs?url'),
  ])
  GlobalWorkerOptions.workerSrc = source.default
  const opened = await openDocument(await file.arrayBuffer())
  if ('trouble' in opened) throw new Error(`a PDF that was open can't be opened again: ${opened.trouble}`)
  return {
    async draw(number, longest, type) {
      const { canvas, size } = await drawPage(await opened.pdf.getPage(number), longest, (width, height) =>
        Object.assign(document.createElement('canvas'), { width, height }),
      )
      const picture = await new Promise<Blob>((resolve, reject) =>
        canvas.toBlob(blob => (blob ? resolve(blob) : reject(new Error('the page could not be drawn'))), type, 0.8),
      )
      canvas.width = canvas.height = 0
      return { picture, size }
    },
    close: () => void opened.pdf.loadingTask.destroy(),
  }
}
