import type { Clip, Link } from '../board/clip'
import type { Box, Point } from '../geometry/shape'
import { breakLines } from '../text/lines'
import { LINE_HEIGHT } from '../text/measure'

/** Where the sign stands with which a clip is played or a link is followed. Points. */
export interface Sign {
  readonly middle: Point
  readonly radius: number
}

const within = (size: number, least: number, most: number) => Math.min(Math.max(size, least), most)

/** In the middle of a film, at the left of a sound or a link. */
export function signOf(thing: Clip | Link): Sign {
  const { x, y, width, height } = thing
  if ('kind' in thing && thing.kind === 'film')
    return { middle: { x: x + width / 2, y: y + height / 2 }, radius: within(Math.min(width, height) * 0.2, 20, 44) }
  const radius = within(height * 0.36, 16, 28)
  return { middle: { x: x + radius + 12, y: y + height / 2 }, radius }
}

export const CARD_TEXT = 18
export const SMALL_TEXT = 14

/** Where the words of a sound or a link stand: beside its sign; of a film along its foot. */
export function wordsBox(thing: Clip | Link): Box {
  const { x, y, width, height } = thing
  if ('kind' in thing && thing.kind === 'film') return { x, y: y + height - FOOT, width, height: FOOT }
  const { middle, radius } = signOf(thing)
  const left = middle.x + radius + 12
  return { x: left, y, width: Math.max(1, x + width - 10 - left), height }
}
const FOOT = 26

/** A text in so many lines at most; what is more ends in an ellipsis. */
export function someLines(text: string, width: number, size: number, most: number): string[] {
  const lines = breakLines(text, width, size)
  if (lines.length <= most) return lines
  return [...lines.slice(0, most - 1), `${lines[most - 1]!.slice(0, -1).trimEnd()}…`]
}

/** As many lines of a size as a height has room for; one at least. */
export const linesIn = (height: number, size: number): number => Math.max(1, Math.floor(height / (LINE_HEIGHT * size)))

/** Minutes and seconds, as on any player: "1:05". */
export function playingTime(seconds: number): string {
  const whole = Math.round(seconds)
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`
}

/**
 * Where a player stands that is no smaller than it has to be: about its clip, held in the room there is. Everything in
 * pixels.
 */
export function playerBox(clip: Box, least: { readonly width: number; readonly height: number }, room: Box): Box {
  const width = Math.min(room.width, Math.max(clip.width, least.width))
  const height = Math.min(room.height, Math.max(clip.height, least.height))
  const held = (middle: number, size: number, from: number, most: number) =>
    within(middle - size / 2, from, from + most - size)
  return {
    x: held(clip.x + clip.width / 2, width, room.x, room.width),
    y: held(clip.y + clip.height / 2, height, room.y, room.height),
    width,
    height,
  }
}
