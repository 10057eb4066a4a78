/**
 * Asked any number of times between two pictures, `then` is done once, before the next of them is drawn: what several
 * others do at the same moment is worked out together, and not in the middle of what this hand does. Where nothing is
 * drawn it is done at once.
 */
export function onceAFrame(then: () => void): () => void {
  let waiting = false
  return () => {
    if (document.hidden) return then()
    if (waiting) return
    waiting = true
    requestAnimationFrame(() => {
      waiting = false
      then()
    })
  }
}
