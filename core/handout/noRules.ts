import type { Rules } from './rules'

/**
 * Nothing more than the work itself: as `RulesSchema` has it. Apart from it, so that whoever only shows rules loads no
 * schema.
 */
export const NO_RULES: Rules = { handInBy: 'anyone', talk: false, takeBack: false, approve: false, secondTry: false }
