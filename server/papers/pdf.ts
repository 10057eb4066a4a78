import PDFDocument from 'pdfkit'
import type { PageDrawing, Thing, ThingKind } from '../../core/drawing/page'
import { onScreen, type Colour, type Theme } from '../../core/drawing/palette'
import { sentenceOf, withinBranch, type Branch, type Tree } from '../../core/drawing/tree'
import type { Box } from '../../core/geometry/shape'
import type { Language } from '../../core/text/spoken'
import type { PictureBytes } from './pictureBytes'
import { drawPrimitive, type Brush } from './pdfPrimitives'

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

interface Written {
  readonly x: number
  /** Of the base line. */
  readonly y: number
  readonly size: number
  readonly middle?: boolean
  readonly bold?: boolean
  readonly colour?: Colour
}

type Pdf = PDFKit.PDFDocument
type Element = ReturnType<Pdf['struct']>

/** Something that was drawn, until it is put where it belongs in the tree. */
interface DrawnThing {
  readonly thing: Thing
  readonly role: 'P' | 'Figure'
  readonly content: ReturnType<Pdf['markStructureContent']>
}

/**
 * A PDF of our boards (ISO 32000-1, 1.7): tagged, so that it is read aloud in order, with a title, a language and
 * bookmarks. It is given on in parts while it is made; nothing of a page is kept once the next has begun.
 */
export class Paper {
  readonly pdf: Pdf
  private readonly root: Element
  private brush: Brush
  /** How many there are so far. */
  sheets = 0

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
    this.sheets++
  }

  /** Pictures for what is drawn from now on; those that were opened before stay open. */
  show(pictures: PictureBytes): void {
    this.brush = { ...this.brush, pictures }
  }

  /** The sheet that was begun last is found by this from the list of contents, within another entry or not. */
  bookmark(title: string, within?: Bookmark): Bookmark {
    return (within ?? this.pdf.outline).addItem(title)
  }

  /** Draws a page on the sheet: what has a name is read aloud in the order of the page's tree, the rest is ornament. */
  draw(drawing: PageDrawing, spot: Spot, title: string): void {
    this.drawPart(drawing, spot, { x: 0, y: 0, width: drawing.width, height: drawing.height }, title)
  }

  /** Only a part of the page (in its own points), the part's upper left corner at the spot. */
  drawPart(drawing: PageDrawing, spot: Spot, part: Box, title: string): void {
    const section = this.pdf.struct('Sect', { title })
    this.root.add(section)
    this.pdf.save()
    this.pdf.translate(spot.x, spot.y).scale(spot.scale).translate(-part.x, -part.y)
    this.pdf.rect(part.x, part.y, part.width, part.height).clip()
    const drawn = new Map<string, DrawnThing[]>()
    for (const thing of drawing.things) {
      const role = roleOf(thing)
      if (!role) {
        this.ornament(() => this.drawThing(thing))
        continue
      }
      const content = this.pdf.markStructureContent(role)
      this.drawThing(thing)
      this.pdf.endMarkedContent()
      drawn.set(thing.id, [...(drawn.get(thing.id) ?? []), { thing, role, content }])
    }
    this.pdf.restore()
    this.addTree(section, drawing.tree, drawn)
    // What the tree doesn't know, as what a teacher left there.
    for (const rest of drawn.values()) for (const one of rest) section.add(this.elementOf(one))
    section.end()
  }

  /** Puts what was drawn below an element as it is read; what was put somewhere is drawn no more. */
  private addTree(element: Element, tree: Tree, drawn: Map<string, DrawnThing[]>): void {
    const taken = ({ is, id }: Branch): DrawnThing[] => {
      const kinds = THINGS[is]
      const there = drawn.get(id) ?? []
      drawn.set(
        id,
        there.filter(one => !kinds.includes(one.thing.kind)),
      )
      return there.filter(one => kinds.includes(one.thing.kind))
    }
    for (const branch of tree) {
      const own = taken(branch)
      if (branch.is === 'place' && branch.place.kind === 'gaps') {
        const inGaps = branch.within.flatMap(withinBranch)
        const pieces = inGaps.flatMap(taken)
        const names = new Map(pieces.map(({ thing }) => [thing.id, thing.name]))
        const sentence = sentenceOf(branch.within, id => names.get(id) ?? '')
        const contents = [...own, ...pieces, ...branch.within.flatMap(taken)].map(one => one.content)
        element.add(this.pdf.struct('P', { actual: sentence }, contents))
        continue
      }
      const within = withinBranch(branch)
      const below = within.length
        ? this.pdf.struct('Div', branch.is === 'place' ? { title: branch.place.heading } : {})
        : element
      for (const one of own) below.add(this.elementOf(one))
      this.addTree(below, within, drawn)
      if (below !== element) element.add(below)
    }
  }

  private elementOf({ thing, role, content }: DrawnThing): Element {
    return this.pdf.struct(role, role === 'Figure' ? { alt: thing.name } : {}, [content])
  }

  /** Things of no page, each read aloud by its words. */
  drawThings(things: readonly Pick<Thing, 'at' | 'marks'>[]): void {
    for (const thing of things) this.root.add(this.pdf.struct('P', {}, [() => this.drawThing(thing)]))
  }

  /** What is drawn in it is so much larger, about that point. */
  scaled(scale: number, { x, y }: { readonly x: number; readonly y: number }, draw: () => void): void {
    this.pdf.save()
    this.pdf.translate(x, y).scale(scale)
    draw()
    this.pdf.restore()
  }

  /** A line of small words beside what is drawn. */
  write(text: string, { x, y, size, middle = false, bold = false, colour = 'faint' }: Written): void {
    drawPrimitive(this.brush, {
      kind: 'text',
      text,
      x,
      y,
      size,
      fill: colour,
      ...(middle && { anchor: 'middle' as const }),
      ...(bold && { bold: true as const }),
    })
  }

  dashed(from: readonly [number, number], to: readonly [number, number]): void {
    this.pdf.save().lineWidth(0.6).dash(3, { space: 3 }).strokeColor(this.theme('faint'))
    this.pdf
      .moveTo(...from)
      .lineTo(...to)
      .stroke()
      .restore()
  }

  /** Where scissors go. */
  cutLines({ x, y, width, height }: Box): void {
    this.pdf.save().lineWidth(0.6).dash(4, { space: 3 }).strokeColor(this.theme('faint'))
    this.pdf.rect(x, y, width, height).stroke().restore()
  }

  /** What nobody has to hear: lines to cut along, numbers at the edge. */
  ornament(draw: () => void): void {
    this.pdf.markContent('Artifact', { type: 'Layout' } as never)
    draw()
    this.pdf.endMarkedContent()
  }

  private drawThing({ at, marks }: Pick<Thing, 'at' | 'marks'>): void {
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

/** As what each kind of branch is drawn. */
const THINGS: Readonly<Record<Branch['is'], readonly ThingKind[]>> = {
  printed: ['printed'],
  picture: ['printed'],
  pressed: ['clip'],
  step: ['step'],
  place: ['place'],
  both: [],
  cell: [],
  row: [],
  words: [],
  gap: ['written'],
  written: ['written'],
  ink: [],
  piece: ['piece'],
  loose: [],
  join: ['join'],
  own: ['colour', 'shape', 'own'],
}

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
