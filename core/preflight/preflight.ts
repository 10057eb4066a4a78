import type { Board } from '../board/board'
import { SEVERITIES, type Finding, type Fix, type Rule } from './finding'
import { badShape } from './rules/badShape'
import { contradiction } from './rules/contradiction'
import { crowdedZone } from './rules/crowdedZone'
import { hardWords } from './rules/hardWords'
import { missingTool } from './rules/missingTool'
import { noAnswer } from './rules/noAnswer'
import { noHeading } from './rules/noHeading'
import { noInstructions } from './rules/noInstructions'
import { nothingToDo } from './rules/nothingToDo'
import { offPage } from './rules/offPage'
import { offScale } from './rules/offScale'
import { paleText } from './rules/paleText'
import { partAnswered } from './rules/partAnswered'
import { poorPicture } from './rules/poorPicture'
import { readingPage } from './rules/readingPage'
import { smallText } from './rules/smallText'
import { startsRight } from './rules/startsRight'
import { tellingLedge } from './rules/tellingLedge'
import { tellingLook } from './rules/tellingLook'
import { textScale } from './rules/textScale'
import { twins } from './rules/twins'
import { unfillableSlot } from './rules/unfillableSlot'
import { unreachableAnswer } from './rules/unreachableAnswer'
import { unreachableTotal } from './rules/unreachableTotal'
import { wideForSlot } from './rules/wideForSlot'
import { withoutWords } from './rules/withoutWords'

const RULES: readonly Rule[] = [
  nothingToDo,
  noAnswer,
  partAnswered,
  badShape,
  missingTool,
  readingPage,
  contradiction,
  unreachableTotal,
  unfillableSlot,
  wideForSlot,
  offScale,
  twins,
  unreachableAnswer,
  startsRight,
  crowdedZone,
  tellingLedge,
  tellingLook,
  offPage,
  noHeading,
  noInstructions,
  smallText,
  textScale,
  paleText,
  poorPicture,
  hardWords,
  withoutWords,
]

/** What will go wrong on this board, the most serious first; within that in the order of the rules and of the pages. */
export function preflight(board: Board): Finding[] {
  const findings = RULES.reduce<Finding[]>((found, rule) => [...found, ...rule.look(board, found)], [])
  return findings.toSorted((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity))
}

/** A finding as data: it can be sent from a worker, or over a wire. */
export type Found = Omit<Finding, 'fix'> & { readonly fix: string | null }
export const foundOn = (board: Board): Found[] =>
  preflight(board).map(({ fix, ...finding }) => ({ ...finding, fix: fix?.code ?? null }))

/** The mending of a finding, found again on the board as it is now; null when it is no longer there. */
export function fixFor(board: Board, found: Found): Fix | null {
  const same = preflight(board).find(
    ({ rule, page, subjects, fix }) =>
      rule === found.rule
      && page === found.page
      && fix?.code === found.fix
      && subjects.join() === found.subjects.join(),
  )
  return same?.fix ?? null
}
