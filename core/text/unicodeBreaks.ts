import LineBreaker from 'linebreak'
import type { BreakRules } from './lines'

/** The rules of UAX 14 for every script, by the package "linebreak". */
export const unicodeBreaks: BreakRules = text => {
  const breaker = new LineBreaker(text)
  const found: number[] = []
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) found.push(next.position)
  return found
}
