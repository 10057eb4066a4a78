import { ok, refuse, type Result } from '../../../result'
import { readColour } from '../../colours'
import { Losses } from '../../lost'
import { allOf, childOf, childrenOf, elementsIn, textOf, type XmlElement } from '../../xml'
import { resolved, type Archive } from '../../zip'
import { finishedSlide } from '../parts'
import { MOST_SLIDES, type PicturePart, type Slide, type Slides } from '../slide'
import { partsOf, type Reading } from './shapes'
import { lengthOf, StyleBook } from './styles'

const PAPER = '#ffffff'
const USUAL = { width: 28 * (72 / 2.54), height: 21 * (72 / 2.54) }
const MOVES = ['set', 'animate', 'animateMotion', 'animateColor', 'animateTransform', 'transitionFilter']

/** Is it an OpenDocument presentation, or a drawing, which is built alike? */
export function isOdp(archive: Archive): boolean {
  const body = childOf(archive.xml('content.xml'), 'body')
  return Boolean(childOf(body, 'presentation') ?? childOf(body, 'drawing'))
}

/** Its pages with what is on them, as far as a board can have it. */
export function readOdp(archive: Archive): Result<Slides, 'no-slides'> {
  const [content, common] = [archive.xml('content.xml'), archive.xml('styles.xml')]
  const body = childOf(content, 'body')
  const pages = childrenOf(childOf(body, 'presentation') ?? childOf(body, 'drawing'), 'page')
  const losses = new Losses()
  losses.note('pages-too-many', pages.length - MOST_SLIDES)
  const shared = childOf(common, 'styles')
  const document: Document = {
    common,
    ofPages: new StyleBook([childOf(content, 'automatic-styles'), shared]),
    ofMasters: new StyleBook([childOf(common, 'automatic-styles'), shared]),
    losses,
  }
  const slides = pages.slice(0, MOST_SLIDES).map((page, i) => {
    losses.page = i + 1
    return slideOf(page, document)
  })
  losses.page = null
  if (
    archive.names.some(name => name.startsWith('Basic/') && name.endsWith('.xml') && !/script-l[bc]\.xml$/.test(name))
  )
    losses.note('programs')
  if (slides.length === 0) return refuse('no-slides')
  return ok({
    title: textOf(childOf(archive.xml('meta.xml'), 'meta', 'title')).trim(),
    pages: slides,
    lost: losses.all,
  })
}

interface Document {
  readonly common: XmlElement | null
  readonly ofPages: StyleBook
  readonly ofMasters: StyleBook
  readonly losses: Losses
}

function slideOf(page: XmlElement, { common, ofPages, ofMasters, losses }: Document): Slide {
  const master = childrenOf(childOf(common, 'master-styles'), 'master-page').find(
    one => one.attributes.name === page.attributes['master-page-name'],
  )
  const layout = [...childrenOf(childOf(common, 'automatic-styles'), 'page-layout')].find(
    one => one.attributes.name === master?.attributes['page-layout-name'],
  )
  const size = childOf(layout, 'page-layout-properties')?.attributes
  const width = lengthOf(size?.['page-width']) ?? USUAL.width
  const height = lengthOf(size?.['page-height']) ?? USUAL.height
  const own: Reading = { styles: ofPages, losses, below: false }
  const said = (property: string) =>
    ofPages.said('drawing-page', page.attributes['style-name'], 'drawing-page-properties', property)
  const furnished = said('background-objects-visible') !== 'false'
  const beneath = furnished
    ? partsOf(
        elementsIn(master).filter(shape => shape.attributes.class === undefined),
        { styles: ofMasters, losses, below: true },
      )
    : []
  const ground = groundOf([
    { styles: ofPages, name: page.attributes['style-name'] },
    { styles: ofMasters, name: master?.attributes['style-name'] },
  ])
  noteAbout(page, said, losses)
  const parts = partsOf(elementsIn(page), own)
  const heading = parts.find(part => part.kind === 'box' && part.heading && part.text)
  const picture: PicturePart[] = ground.source
    ? [
        {
          kind: 'picture',
          source: ground.source,
          box: { x: 0, y: 0, width, height },
          turn: 0,
          alt: '',
          crop: null,
          below: true,
        },
      ]
    : []
  return finishedSlide(
    {
      name: heading?.kind === 'box' ? heading.text.replace(/\s+/g, ' ').slice(0, 80) : '',
      width,
      height,
      colour: ground.colour,
      hidden: said('visibility') === 'hidden',
      parts: [...picture, ...beneath, ...parts],
    },
    losses,
  )
}

function groundOf(from: readonly { readonly styles: StyleBook; readonly name: string | undefined }[]) {
  for (const { styles, name } of from) {
    const said = (property: string) => styles.said('drawing-page', name, 'drawing-page-properties', property)
    const fill = said('fill')
    if (fill === 'bitmap') {
      const image = styles.definition('fill-image', said('fill-image-name'))
      return { colour: PAPER, source: resolved('styles.xml', image?.attributes.href ?? '') }
    }
    const colour = readColour(said('fill-color'))
    if (fill && fill !== 'none' && colour) return { colour, source: null }
  }
  return { colour: PAPER, source: null }
}

function noteAbout(page: XmlElement, said: (property: string) => string | undefined, losses: Losses): void {
  const moving = allOf(childOf(page, 'par'), ...MOVES).length > 0 || said('transition-style') || said('transition-type')
  if (moving) losses.note('animations')
  losses.note('comments', childrenOf(page, 'annotation').length)
  const notes = allOf(childOf(page, 'notes'), 'frame').filter(
    frame => frame.attributes.class === 'notes' && frame.attributes.placeholder !== 'true',
  )
  if (notes.some(frame => textOf(childOf(frame, 'text-box')).trim())) losses.note('speaker-notes')
}
