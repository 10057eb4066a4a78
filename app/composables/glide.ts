/**
 * Moves an element about with the hand. A paused animation, not a style: the browser then moves its layer alone, where a
 * changed style makes it go through all that is painted on the page, in every frame. Where there are no animations it is a style.
 */
export function glide(element: Element & ElementCSSInlineStyle): (transform: string) => void {
  if (!element.animate) return (transform) => { element.style.transform = transform }
  let held: Animation | null = null
  return (transform) => {
    const keyframes = [{ transform }, { transform }]
    if (held) return (held.effect as KeyframeEffect).setKeyframes(keyframes)
    held = element.animate(keyframes, { duration: 1000, fill: 'both' })
    held.pause()
  }
}
