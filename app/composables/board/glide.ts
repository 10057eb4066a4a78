/**
 * Moves an element about with the hand. A paused animation, not a style: the browser then moves its layer alone, where
 * a changed style makes it go through all that is painted on the page, in every frame.
 */
export function glide(element: Element): (transform: string) => void {
  const held = element.animate([], { duration: 1000, fill: 'both' })
  held.pause()
  return transform => (held.effect as KeyframeEffect).setKeyframes([{ transform }, { transform }])
}
