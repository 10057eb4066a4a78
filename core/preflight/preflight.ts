import type { Board } from '../board/board'
import { SEVERITIES, type Finding, type Rule } from './finding'
import { contradiction } from './rules/contradiction'
import { crowdedZone } from './rules/crowdedZone'
import { noAnswer } from './rules/noAnswer'
import { noHeading } from './rules/noHeading'
import { noInstructions } from './rules/noInstructions'
import { offPage } from './rules/offPage'
import { offScale } from './rules/offScale'
import { poorPicture } from './rules/poorPicture'
import { smallText } from './rules/smallText'
import { twins } from './rules/twins'
import { unfillableSlot } from './rules/unfillableSlot'
import { unreachableTotal } from './rules/unreachableTotal'

export const RULES: readonly Rule[] = [
  noAnswer, contradiction, unreachableTotal, unfillableSlot, offScale, twins, crowdedZone, offPage, noHeading, noInstructions, smallText, poorPicture,
]

/** What will go wrong on this board, the most serious first; within that in the order of the rules and of the pages. */
export function preflight(board: Board): Finding[] {
  const findings = RULES.flatMap(rule => rule.look(board))
  return findings.toSorted((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
}
