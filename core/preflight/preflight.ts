import type { Board } from '../board/board'
import { SEVERITIES, type Finding, type Rule } from './finding'
import { crowdedZone } from './rules/crowdedZone'
import { noAnswer } from './rules/noAnswer'
import { noHeading } from './rules/noHeading'
import { noInstructions } from './rules/noInstructions'
import { poorPicture } from './rules/poorPicture'
import { smallText } from './rules/smallText'
import { twins } from './rules/twins'

export const RULES: readonly Rule[] = [noAnswer, twins, crowdedZone, noHeading, noInstructions, smallText, poorPicture]

/** What will go wrong on this board, the most serious first; within that in the order of the rules and of the pages. */
export function preflight(board: Board): Finding[] {
  const findings = RULES.flatMap(rule => rule.look(board))
  return findings.toSorted((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
}
