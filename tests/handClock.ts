/**
 * A clock that is turned by hand: what waits on it happens when it is told that so much time has passed, in its order.
 */
export function handClock() {
  const timers: { at: number; then: () => void }[] = []
  let now = 0
  /** The next that is due until then; it is taken off, and the clock stands at its time. */
  function next(until: number): (() => void) | null {
    const [first] = timers.filter(timer => timer.at <= until).toSorted((a, b) => a.at - b.at)
    if (!first) return null
    timers.splice(timers.indexOf(first), 1)
    now = first.at
    return first.then
  }
  return {
    now: () => now,
    after(milliseconds: number, then: () => void) {
      const timer = { at: now + milliseconds, then }
      timers.push(timer)
      return () => void (timers.includes(timer) && timers.splice(timers.indexOf(timer), 1))
    },
    wait(milliseconds: number) {
      const until = now + milliseconds
      for (let then = next(until); then; then = next(until)) then()
      now = until
    },
    /** The same where what happens goes on by itself for a moment. */
    async waitFor(milliseconds: number, settled: () => Promise<void>) {
      const until = now + milliseconds
      for (let then = next(until); then; then = next(until)) {
        then()
        await settled()
      }
      now = until
    },
  }
}
