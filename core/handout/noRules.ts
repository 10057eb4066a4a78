import { isOfSeveral, type SlateKind } from '../slate/kind'
import type { Rules } from './rules'

/**
 * Nothing more than the work itself: as `RulesSchema` has it. Apart from it, so that whoever only shows rules loads no
 * schema.
 */
export const NO_RULES: Rules = {
  handInBy: 'anyone',
  talk: false,
  takeBack: false,
  approve: false,
  secondTry: false,
  changeOthers: 'as-usual',
  keepParts: false,
}

/** Whether what others wrote is spared on a slate of this kind. */
export const sparesOthers = (rule: Rules['changeOthers'], kind: SlateKind): boolean =>
  isOfSeveral(kind) && (rule === 'nobody' || (rule === 'as-usual' && kind === 'class'))
