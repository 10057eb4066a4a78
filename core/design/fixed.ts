import type { Backdrop, BackdropPicture, Line } from '../board/backdrop'
import { withFixed, type FixedIn, type FixedList } from '../board/fixed'
import { boxOf, stretched } from '../geometry/outline'
import type { Box, Size } from '../geometry/shape'
import { turnedAround } from '../geometry/turned'
import { quartersIn, turnedShape } from './turnedShape'

/** What the workbench's hands do to what stands in one list of the backdrop. */
interface Handling<Thing> {
  readonly kind: FixedKind
  readonly boxOf: (thing: Thing) => Box
  readonly inBox: (thing: Thing, box: Box) => Thing
  /** Clockwise, round its own middle. Clips and links always stand upright. */
  readonly turned: (thing: Thing, degrees: number) => Thing
  readonly keepsShape: boolean
  /** Points. */
  readonly smallest: Size
}
export type FixedKind = 'picture' | 'figure' | 'line' | 'clip' | 'link'

const SMALL: Size = { width: 12, height: 12 }
/** Room for the sign to play, and for a word or two. */
const SMALLEST_CLIP: Size = { width: 96, height: 56 }
const SMALLEST_LINK: Size = { width: 96, height: 48 }

export const HANDLING: { readonly [L in FixedList]: Handling<FixedIn<L>> } = {
  pictures: {
    kind: 'picture',
    boxOf: onlyBox,
    inBox: (picture, box) => ({ ...picture, ...box }),
    turned: turnedPicture,
    keepsShape: true,
    smallest: SMALL,
  },
  figures: {
    kind: 'figure',
    boxOf,
    inBox: (figure, box) => ({ ...figure, shape: stretched(figure.shape, box) }),
    turned: (figure, degrees) => ({ ...figure, shape: turnedShape(figure.shape, degrees) }),
    keepsShape: false,
    smallest: SMALL,
  },
  clips: {
    kind: 'clip',
    boxOf: onlyBox,
    inBox: (clip, box) => ({ ...clip, ...box }),
    turned: clip => clip,
    keepsShape: false,
    smallest: SMALLEST_CLIP,
  },
  links: {
    kind: 'link',
    boxOf: onlyBox,
    inBox: (link, box) => ({ ...link, ...box }),
    turned: link => link,
    keepsShape: false,
    smallest: SMALLEST_LINK,
  },
  lines: {
    kind: 'line',
    boxOf: boxOfLine,
    inBox: lineIn,
    turned: turnedLine,
    keepsShape: false,
    smallest: { width: 0, height: 0 },
  },
}

/** The backdrop with those of its things changed that are among these, as their kind has it. */
export function handled(
  backdrop: Backdrop,
  ids: { readonly has: (id: string) => boolean },
  change: <T extends { id: string }>(handling: Handling<T>, thing: T) => T,
): Backdrop {
  return withFixed(backdrop, (things, list) => {
    const handling = HANDLING[list] as unknown as Handling<(typeof things)[number]>
    return things.map(thing => (ids.has(thing.id) ? change(handling, thing) : thing))
  })
}

function onlyBox({ x, y, width, height }: Box): Box {
  return { x, y, width, height }
}

function boxOfLine({ from, to }: Line): Box {
  return {
    x: Math.min(from.x, to.x),
    y: Math.min(from.y, to.y),
    width: Math.abs(to.x - from.x),
    height: Math.abs(to.y - from.y),
  }
}

/** Each end stays at the corner of the box where it was. */
function lineIn(line: Line, { x, y, width, height }: Box): Line {
  const end = (right: boolean, foot: boolean) => ({ x: right ? x + width : x, y: foot ? y + height : y })
  const [right, foot] = [line.to.x >= line.from.x, line.to.y >= line.from.y]
  return { ...line, from: end(!right, !foot), to: end(right, foot) }
}

function turnedLine(line: Line, degrees: number): Line {
  const middle = { x: (line.from.x + line.to.x) / 2, y: (line.from.y + line.to.y) / 2 }
  return { ...line, from: turnedAround(middle, line.from, degrees), to: turnedAround(middle, line.to, degrees) }
}

/** The picture with what is cut off of it. */
function turnedPicture(picture: BackdropPicture, degrees: number): BackdropPicture {
  const by = quartersIn(degrees)
  let next = picture
  for (let i = 0; i < by; i++) {
    const { x, y, width, height, crop, quarters, ...rest } = next
    const turned = (((quarters ?? 0) + 1) % 4) as 0 | 1 | 2 | 3
    next = {
      ...rest,
      x: x + (width - height) / 2,
      y: y + (height - width) / 2,
      width: height,
      height: width,
      ...(turned && { quarters: turned }),
      ...(crop && { crop: { left: crop.bottom, top: crop.left, right: crop.top, bottom: crop.right } }),
    }
  }
  return next
}
