import type { VNode } from 'vue'
import { onScreen } from '~~/core/drawing/palette'
import {
  turnedPicture,
  type Paint,
  type PathPrimitive,
  type PicturePrimitive,
  type PictureSource,
  type Primitive,
  type TextPrimitive,
} from '~~/core/drawing/primitive'
import FillPattern from '~/components/board/FillPattern.vue'
import { libraryAddress } from '~/composables/board/pictures'

/**
 * What the core says of one thing, as elements of an SVG: paths, lines of text, pictures. By hand, not by a template: a
 * page has hundreds of things, and each is so one component and no more. `uid` tells its patterns from those of others.
 */
export function drawnMarks(marks: readonly Primitive[], uid: string): VNode[] {
  const fills = new Set(
    marks.flatMap(mark => (mark.kind === 'path' && typeof mark.fill === 'object' ? [mark.fill.pattern] : [])),
  )
  const drawn = marks.map(mark => drawnMark(mark, uid))
  if (fills.size === 0) return drawn
  return [
    h(
      'defs',
      [...fills].map(fill => h(FillPattern, { id: `${uid}-${fill}`, fill })),
    ),
    ...drawn,
  ]
}

function drawnMark(mark: Primitive, uid: string): VNode {
  switch (mark.kind) {
    case 'path':
      return path(mark, uid)
    case 'text':
      return text(mark)
    case 'picture':
      return picture(mark)
  }
}

const paint = (fill: Paint | undefined, uid: string) =>
  fill === undefined ? 'none' : typeof fill === 'object' ? `url(#${uid}-${fill.pattern})` : onScreen(fill)

function path({ d, fill, opacity, stroke, multiply }: PathPrimitive, uid: string): VNode {
  return h('path', {
    d,
    fill: paint(fill, uid),
    'fill-opacity': opacity,
    ...(stroke && {
      stroke: onScreen(stroke.colour),
      'stroke-width': stroke.width,
      'stroke-dasharray': stroke.dash?.join(' '),
      'stroke-linecap': stroke.ends,
      'stroke-linejoin': stroke.corners,
    }),
    style: multiply ? 'mix-blend-mode: multiply' : undefined,
  })
}

const text = ({ text: words, x, y, size, bold, anchor, fromRight, fill }: TextPrimitive): VNode =>
  h(
    'text',
    {
      class: 'board-text',
      x,
      y,
      'font-size': size,
      'font-weight': bold ? 700 : undefined,
      'text-anchor': anchor,
      direction: fromRight ? 'rtl' : undefined,
      fill: onScreen(fill),
    },
    words,
  )

/** Students' own pictures are drawn elsewhere. */
function addressOf(source: PictureSource): string | undefined {
  switch (source.from) {
    case 'file':
      return `/api/files/${source.file}`
    case 'library':
      return libraryAddress(source.name)
    case 'slate':
      return undefined
  }
}

function picture(mark: PicturePrimitive): VNode {
  const href = addressOf(mark.source)
  const turned = turnedPicture(mark)
  if (!turned) return h('image', { href, ...mark.box, preserveAspectRatio: mark.fit === 'within' ? undefined : 'none' })
  const { part, whole, transform } = turned
  const viewBox = `${part.x} ${part.y} ${part.width} ${part.height}`
  return h('svg', { ...mark.box, viewBox, preserveAspectRatio: 'none' }, [
    h('image', { href, ...whole, preserveAspectRatio: 'none', transform }),
  ])
}
