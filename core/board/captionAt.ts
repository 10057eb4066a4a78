import type { Cue } from './clip'

/** What is being said at a moment: all captions that stand then, in their order. Null when nothing is. */
export function captionAt(captions: readonly Cue[], second: number): string | null {
  const now = captions.filter(({ from, to }) => from <= second && second < to)
  return now.length ? now.map(({ text }) => text).join('\n') : null
}
