import PDFDocument from 'pdfkit'
import type { PageDrawing, Thing } from '../../core/drawing/page'
import { onScreen, type Theme } from '../../core/drawing/palette'
import type { Language } from '../../core/text/spoken'
import type { PictureBytes } from './pictureBytes'
import { drawPrimitive, type Brush } from './pdfPrimitives'

/** Points of a millimetre (72 to an inch of 25.4 mm). */
export const MM = 72 / 25.4

export interface PaperInfo {
  readonly title: string
  readonly author: string
  readonly language: Language
  readonly made: Date
}

/** Where a page's drawing goes on a sheet: its upper left corner, and how large it is there; 1 is true to size. */
export interface Spot {
  readonly x: number
  readonly y: number
  readonly scale: number
}

type Pdf = PDFKit.PDFDocument
type Element = PDFKit.Mixins.PDFStructureElement

/**
 * A PDF of our boards (ISO 32000-1, 1.7): tagged, so that it is read aloud in order, with a title, a language and
 * bookmarks. It is given on in parts while it is made; nothing of a page is kept once the next has begun.
 */
export class Paper {
  readonly pdf: Pdf
  private readonly root: Element
  private readonly brush: Brush

  constructor(
    { title, author, language, made }: PaperInfo,
    pictures: PictureBytes,
    readonly theme: Theme = onScreen,
  ) {
    this.pdf = new PDFDocument({
      autoFirstPage: false,
      margin: 0,
      font: null as never,
      pdfVersion: '1.7',
      tagged: true,
      displayTitle: true,
      lang: language,
      info: { Title: title, Author: author, Creator: 'Dappled Slate', CreationDate: made, ModDate: made },
    })
    this.root = this.pdf.struct('Document')
    this.pdf.addStructure(this.root)
    this.brush = { pdf: this.pdf, theme, pictures, opened: new Map(), shapes: new Map() }
  }

  /** A new sheet. */
  addSheet({ width, height }: { readonly width: number; readonly height: number }): void {
    this.pdf.addPage({ size: [width, height], margin: 0 })
  }

  /** The sheet that was begun last is found by this from the list of contents, within another entry or not. */
  bookmark(title: string, within?: Bookmark): Bookmark {
    return (within ?? this.pdf.outline).addItem(title)
  }

  /** Draws a page on the sheet: what has a name is read aloud, the rest is ornament. */
  draw(drawing: PageDrawing, spot: Spot, title: string): void {
    const section = this.pdf.struct('Sect', { title })
    this.root.add(section)
    this.pdf.save()
    this.pdf.translate(spot.x, spot.y).scale(spot.scale)
    this.pdf.rect(0, 0, drawing.width, drawing.height).clip()
    for (const thing of drawing.things) {
      const draw = () => this.drawThing(thing)
      const role = roleOf(thing)
      if (!role) this.ornament(draw)
      else section.add(this.pdf.struct(role, role === 'Figure' ? { alt: thing.name } : {}, [draw]))
    }
    this.pdf.restore()
    section.end()
  }

  /** What nobody has to hear: lines to cut along, numbers at the edge. */
  ornament(draw: () => void): void {
    this.pdf.markContent('Artifact', { type: 'Layout' } as never)
    draw()
    this.pdf.endMarkedContent()
  }

  private drawThing({ at, marks }: Thing): void {
    this.pdf.save()
    if (at) this.pdf.translate(at.x, at.y)
    if (at?.turn) this.pdf.rotate(at.turn)
    for (const mark of marks) drawPrimitive(this.brush, mark)
    this.pdf.restore()
  }

  end(): void {
    this.root.end()
    this.pdf.end()
  }
}

export type Bookmark = PDFKit.PDFOutline

/** Words are read as words; of a thing without any on it its name is said in place of its picture. */
function roleOf({ name, marks }: Thing): 'P' | 'Figure' | null {
  if (marks.some(mark => mark.kind === 'text')) return 'P'
  return name ? 'Figure' : null
}

/** All of a PDF in one piece of memory, for those that are small. */
export async function wholePaper(paper: Paper, write: (paper: Paper) => void): Promise<Buffer> {
  const parts: Buffer[] = []
  paper.pdf.on('data', (part: Buffer) => parts.push(part))
  const ended = new Promise((resolve, reject) => paper.pdf.on('end', resolve).on('error', reject))
  write(paper)
  paper.end()
  await ended
  return Buffer.concat(parts)
}
