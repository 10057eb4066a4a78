import type { Scale } from '../board/place'
import { quantity, quantityText } from '../exact/quantity'
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
  const [least, most] = [quantity(scale.least), quantity(scale.most)]
  const ends = scale.ends ?? (scale.step === null ? ['', ''] : undefined)
  if (scale.step === null || ends) {
    return [
      { share: 0, text: ends?.[0] ?? '', anchor: 'start' },
      { share: 1, text: ends?.[1] ?? '', anchor: 'end' },
    ]
  }
  const step = quantity(scale.step)
  const span = most.sub(least)
  const count = Math.floor(span.div(step).valueOf() + 1e-9)
  if (count > MOST_MARKS) return []
  const texts = Array.from({ length: count + 1 }, (_, i) => quantityText(least.add(step.mul(i))))
  const length = Math.max(scale.shape.width, scale.shape.height) * step.div(span).valueOf()
  const widest = Math.max(...texts.map(text => textWidth(text, size))) + GAP
  const every = Math.max(1, Math.ceil(widest / length))
  return texts.map((text, i) => ({
    share: step.mul(i).div(span).valueOf(),
    text: i % every === 0 ? text : '',
    anchor: 'middle',
  }))
}
