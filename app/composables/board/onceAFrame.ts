/**
 * Asked any number of times between two pictures, `then` is done once, before the next of them is drawn: what several
 * others do at the same moment is worked out together, and not in the middle of what this hand does. The first of it
 * shows at once; of more, that comes `apart` milliseconds after it or less, all together. Where nothing is drawn it is
 * done at once.
 */
export function onceAFrame(then: () => void, apart = 0): () => void {
  let waiting = false
  let last = -Infinity
  const due = () => void requestAnimationFrame(done)
  function done() {
    waiting = false
    last = performance.now()
    then()
  }
  return () => {
    if (document.hidden) return then()
    if (waiting) return
    waiting = true
    const rest = last + apart - performance.now()
    if (rest > 0) setTimeout(due, rest)
    else due()
  }
}
