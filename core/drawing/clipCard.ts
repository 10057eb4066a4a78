import type { Clip, Link } from '../board/clip'
import { hostOf } from '../board/webAddress'
import { CARD_TEXT, linesIn, playingTime, signOf, SMALL_TEXT, someLines, wordsBox } from '../layout/clipCard'
import { LINE_HEIGHT } from '../text/measure'
import { lettering } from './lettering'
import { boxPath, circlePath, to3, type Primitive } from './primitive'

const isClip = (thing: Clip | Link): thing is Clip => 'kind' in thing

/** How long a clip is, or where a link leads: always said, however little room there is for its name. */
const smallWords = (thing: Clip | Link) => (isClip(thing) ? playingTime(thing.seconds) : hostOf(thing.address))

/** A clip that isn't played, or where a link leads: printed, with a sign on it. What is played stands over it. */
export function drawClipCard(thing: Clip | Link): Primitive[] {
  const { middle, radius } = signOf(thing)
  return [
    ...(isClip(thing) && thing.kind === 'film' ? drawFilm(thing) : drawCard(thing)),
    { kind: 'path', d: circlePath(middle, radius), fill: 'printedLink', stroke: { colour: 'ground', width: 2 } },
    {
      kind: 'path',
      d: isClip(thing) ? triangle(middle, radius * 0.48) : arrowAway(middle, radius * 0.48),
      ...(isClip(thing) && { fill: 'ground' as const }),
      stroke: { colour: 'ground', width: 3, ends: 'round', corners: 'round' },
    },
  ]
}

type At = { readonly x: number; readonly y: number }
const triangle = ({ x, y }: At, r: number) =>
  `M${to3(x - r * 0.75)} ${to3(y - r)}L${to3(x + r)} ${to3(y)}L${to3(x - r * 0.75)} ${to3(y + r)}Z`
const arrowAway = ({ x, y }: At, r: number) =>
  `M${to3(x - r)} ${to3(y + r)}L${to3(x + r)} ${to3(y - r)}`
  + `M${to3(x - r * 0.5)} ${to3(y - r)}H${to3(x + r)}V${to3(y + r * 0.5)}`

function drawFilm(clip: Clip): Primitive[] {
  const words = wordsBox(clip)
  const { x, y, width, height } = clip
  const line = { y: words.y + 2 + (SMALL_TEXT * LINE_HEIGHT) / 2, size: SMALL_TEXT, fill: 'ground' as const }
  return [
    { kind: 'path', d: boxPath({ x, y, width, height }), fill: 'ink' },
    ...(clip.poster
      ? [
          {
            kind: 'picture' as const,
            source: { from: 'file' as const, file: clip.poster },
            box: { x, y, width, height },
            fit: 'within' as const,
          },
        ]
      : []),
    { kind: 'path', d: boxPath(words), fill: 'ink', opacity: 0.82 },
    ...lettering({ ...line, lines: someLines(clip.name, words.width - 70, SMALL_TEXT, 1), x: words.x + 10 }),
    ...lettering({ ...line, lines: [smallWords(clip)], x: words.x + words.width - 10, anchor: 'end' }),
  ]
}

function drawCard(thing: Clip | Link): Primitive[] {
  const words = wordsBox(thing)
  const step = CARD_TEXT * LINE_HEIGHT
  const smallStep = SMALL_TEXT * LINE_HEIGHT
  const lines = thing.name
    ? someLines(thing.name, words.width, CARD_TEXT, linesIn(words.height - 16 - smallStep, CARD_TEXT))
    : []
  const top = words.y + (words.height - (lines.length * step + smallStep)) / 2
  const { x, y, width, height } = thing
  return [
    {
      kind: 'path',
      d: boxPath({ x: x + 1, y: y + 1, width: width - 2, height: height - 2 }, 10),
      fill: 'ground',
      stroke: { colour: 'printedLink', width: 2, ...(!isClip(thing) && { dash: [7, 4] as const }) },
    },
    ...lettering({ lines, x: words.x, y: top + step / 2, size: CARD_TEXT, fill: 'ink' }),
    ...lettering({
      lines: someLines(smallWords(thing), words.width, SMALL_TEXT, 1),
      x: words.x,
      y: top + lines.length * step + smallStep / 2,
      size: SMALL_TEXT,
      fill: 'small',
    }),
  ]
}
