import type { Scale } from '../board/place'
import { ratio, ratioText } from '../exact/ratio'
import { textWidth } from '../text/measure'

const MOST_MARKS = 400
const GAP = 8

/** `share` is from 0 at the least to 1 at the most. */
export interface ScaleMark {
  readonly share: number
  readonly text: string
  readonly anchor: 'start' | 'middle' | 'end'
}

/**
 * The marks of a number line at every step from its least, the most included if a step falls on it. Where numbers would
 * run into each other only every second, third ... carries one. A spectrum has its two ends, with their words.
 * More than 400 steps are not drawn.
 */
export function scaleMarks(scale: Scale, size: number): ScaleMark[] {
  const ends = scale.ends ?? (scale.step === null ? ['', ''] : undefined)
  if (scale.step === null || ends) {
    return [
      { share: 0, text: ends?.[0] ?? '', anchor: 'start' },
      { share: 1, text: ends?.[1] ?? '', anchor: 'end' },
    ]
  }
  const [least, most, step] = [ratio(scale.least), ratio(scale.most), ratio(scale.step)]
  const bottom = least.bottom * most.bottom * step.bottom
  const [from, to, by] = [least, most, step].map(({ top, bottom: own }) => (top * bottom) / own) as [
    bigint,
    bigint,
    bigint,
  ]
  const count = Number((to - from) / by)
  if (count > MOST_MARKS) return []
  const texts = Array.from({ length: count + 1 }, (_, i) => ratioText({ top: from + by * BigInt(i), bottom }))
  const share = Number(by) / Number(to - from)
  const length = Math.max(scale.shape.width, scale.shape.height) * share
  const widest = Math.max(...texts.map(text => textWidth(text, size))) + GAP
  const every = Math.max(1, Math.ceil(widest / length))
  return texts.map((text, i) => ({
    share: Number(by * BigInt(i)) / Number(to - from),
    text: i % every === 0 ? text : '',
    anchor: 'middle',
  }))
}
