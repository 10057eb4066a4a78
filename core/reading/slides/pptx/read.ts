import { ok, refuse, type Result } from '../../../result'
import { Losses } from '../../lost'
import { allOf, childOf, childrenOf, elementsIn, numberOf, textOf, type XmlElement } from '../../xml'
import type { Archive } from '../../zip'
import { finishedSlide } from '../parts'
import { MOST_SLIDES, type Part, type Slide, type Slides } from '../slide'
import { colourIn, schemeOf, type Scheme } from './colours'
import { Package, targetOf, type PackagePart } from '../../opc'
import { EMU, fillOf, hasWords, partsOf, placeholderOf, type Reading } from './shapes'

const MAIN = 'ppt/presentation.xml'
const PAPER = '#ffffff'

/** Is it a presentation of Office Open XML (ECMA-376 part 1, PresentationML)? */
export const isPptx = (archive: Archive): boolean => archive.names.includes(MAIN)

/** Its pages with what is on them, as far as a board can have it. */
export function readPptx(archive: Archive): Result<Slides, 'no-slides'> {
  const files = new Package(archive)
  const main = files.part(MAIN)
  const size = childOf(main?.root, 'sldSz')
  if (!main) return refuse('no-slides')
  const page = { width: (numberOf(size, 'cx') ?? 9_144_000) / EMU, height: (numberOf(size, 'cy') ?? 6_858_000) / EMU }
  const losses = new Losses()
  const ids = childrenOf(childOf(main.root, 'sldIdLst'), 'sldId').map(entry => entry.attributes['r:id'])
  losses.note('pages-too-many', ids.length - MOST_SLIDES)
  const pages: Slide[] = []
  for (const id of ids.slice(0, MOST_SLIDES)) {
    const part = files.part(targetOf(main, id))
    losses.page = pages.length + 1
    if (part) pages.push(slideOf(part, { files, main, page, losses }))
  }
  losses.page = null
  if (archive.names.some(name => /vbaProject|\.bin$/i.test(name) && /vba/i.test(name))) losses.note('programs')
  if (pages.length === 0) return refuse('no-slides')
  const title = textOf(childOf(archive.xml('docProps/core.xml'), 'title')).trim()
  return ok({ title, pages, lost: losses.all })
}

interface Whole {
  readonly files: Package
  readonly main: PackagePart
  readonly page: { readonly width: number; readonly height: number }
  readonly losses: Losses
}

function slideOf(slide: PackagePart, { files, main, page, losses }: Whole): Slide {
  const layout = files.related(slide, 'slideLayout')
  const master = files.related(layout, 'slideMaster')
  const theme = files.related(master, 'theme')
  const map = childOf(slide.root, 'clrMapOvr', 'overrideClrMapping') ?? childOf(master?.root, 'clrMap')
  const scheme = schemeOf(theme?.root ?? null, map)
  const of = (part: PackagePart, below: boolean): Reading => ({
    part,
    scheme,
    losses,
    below,
    drawingOf: data => drawingOf(data, part, files),
    patterns: placeholder => [layout, master].flatMap(one => (one && one !== part ? patternIn(one, placeholder) : [])),
    styles: placeholder => [
      childOf(master?.root, 'txStyles', styleOf(placeholder)),
      childOf(main.root, 'defaultTextStyle'),
    ],
  })
  const shown = (part: PackagePart | null) => part?.root.attributes.showMasterSp !== '0'
  const beneath = [
    ...(shown(slide) && shown(layout) && master ? [master] : []),
    ...(shown(slide) && layout ? [layout] : []),
  ].flatMap(part => partsOf(withoutPlaceholders(childOf(part.root, 'cSld', 'spTree')), of(part, true)))
  const grounds = [slide, layout, master].filter(part => part !== null)
  const ground = groundOf(grounds, part => of(part, true), scheme)
  noteAbout(slide, files, losses)
  const parts: Part[] = [
    ...(ground.picture ? [{ ...ground.picture, box: { x: 0, y: 0, ...page }, turn: 0, below: true }] : []),
    ...beneath,
    ...partsOf(childOf(slide.root, 'cSld', 'spTree'), of(slide, false)),
  ]
  const heading = parts.find(part => part.kind === 'box' && part.heading && part.text)
  return finishedSlide(
    {
      name: heading?.kind === 'box' ? heading.text.replace(/\s+/g, ' ').slice(0, 80) : '',
      ...page,
      colour: ground.colour,
      hidden: slide.root.attributes.show === '0',
      parts,
    },
    losses,
  )
}

/**
 * A diagram's data say which of the page's parts is its drawing (Office's own extension of ECMA-376, from memory);
 * where they don't, it is the only one that the page has.
 */
function drawingOf(data: XmlElement | null, part: PackagePart, files: Package): PackagePart | null {
  const ids = childOf(data, 'relIds')
  if (!ids) return null
  const model = files.part(targetOf(part, ids.attributes['r:dm'] ?? ids.attributes.dm))
  const named = allOf(model?.root ?? null, 'dataModelExt')[0]?.attributes.relId
  const drawings = part.relations.filter(relation => relation.type === 'diagramDrawing')
  const found = drawings.find(({ id }) => id === named) ?? (drawings.length === 1 ? drawings[0] : null)
  return files.part(found?.target)
}

const withoutPlaceholders = (tree: XmlElement | null): XmlElement | null =>
  tree && { ...tree, children: elementsIn(tree).filter(shape => !placeholderOf(shape)) }

/** Kinds of placeholders that take after one of another kind on a master. */
const TAKES_AFTER: Readonly<Record<string, string>> = { ctrTitle: 'title', subTitle: 'body', obj: 'body', '': 'body' }

/** A page's placeholder takes after the layout's with the same number, else after one of the same kind. */
function patternIn(part: PackagePart, placeholder: XmlElement): XmlElement[] {
  const { idx, type = '' } = placeholder.attributes
  const shapes = elementsIn(childOf(part.root, 'cSld', 'spTree'))
  const kinds = [type, TAKES_AFTER[type] ?? type]
  const found =
    shapes.find(shape => idx !== undefined && placeholderOf(shape)?.attributes.idx === idx)
    ?? kinds
      .map(kind =>
        shapes.find(shape => (placeholderOf(shape)?.attributes.type ?? (placeholderOf(shape) ? '' : null)) === kind),
      )
      .find(Boolean)
  return found ? [found] : []
}

function styleOf(placeholder: XmlElement | null): string {
  const type = placeholder?.attributes.type ?? (placeholder ? 'body' : null)
  if (type === 'title' || type === 'ctrTitle') return 'titleStyle'
  return type === null || ['dt', 'ftr', 'sldNum'].includes(type) ? 'otherStyle' : 'bodyStyle'
}

/** The page's ground: its own, else its layout's, else its master's. */
function groundOf(parts: readonly PackagePart[], reading: (part: PackagePart) => Reading, scheme: Scheme) {
  for (const part of parts) {
    const ground = childOf(part.root, 'cSld', 'bg')
    if (!ground) continue
    const { fill, picture } = fillOf([childOf(ground, 'bgPr')], null, reading(part))
    return { colour: fill ?? colourIn(childOf(ground, 'bgRef'), scheme) ?? PAPER, picture }
  }
  return { colour: scheme.get('bg1') ?? PAPER, picture: null }
}

function noteAbout(slide: PackagePart, files: Package, losses: Losses): void {
  if (childOf(slide.root, 'timing') ?? childOf(slide.root, 'transition')) losses.note('animations')
  for (const { type } of slide.relations) if (type === 'comments') losses.note('comments')
  const notes = files.related(slide, 'notesSlide')
  const shapes = elementsIn(childOf(notes?.root, 'cSld', 'spTree'))
  const body = shapes.find(shape => placeholderOf(shape)?.attributes.type === 'body')
  if (hasWords(childOf(body, 'txBody'))) losses.note('speaker-notes')
}
