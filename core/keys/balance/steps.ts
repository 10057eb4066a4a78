import type { Edition } from '../../board/edition'
import type { PieceId } from '../../board/ids'
import type { BalanceKey } from './key'
import { contentsOf } from '../../placement/contents'
import { HOLDER } from '../../slate/actor'
import { perform, type Move } from '../../slate/move'
import { startOf } from '../../slate/state'
import { knowTexts } from '../../slate/withTexts'
import { stepOf, type BalanceStep } from './kind'
import { contextOf, termOf } from '../context'

/**
 * The steps of a balancing: every equation that a student reached, in order, and that was true. What was on the pans in
 * between (three taken from the left, not yet from the right) is tilted, and no step. Moves that no longer apply are
 * passed over. The same equation twice running is one step.
 */
export function balanceSteps(key: BalanceKey, moves: readonly Move[], edition: Edition): BalanceStep[] {
  knowTexts()
  const steps: BalanceStep[] = []
  let state = startOf(edition)
  const look = () => {
    const context = contextOf(key, state, edition)
    if (!context) return
    const [left, right] = [key.left, key.right].map(place =>
      contentsOf(place, context.placements, 'in')
        .map(h => h.piece)
        .filter(id => termOf(context, id)),
    ) as [PieceId[], PieceId[]]
    const step = stepOf(left, right, key, context)
    if (step.level && steps.at(-1)?.equation !== step.equation) steps.push(step)
  }
  look()
  for (const move of moves) {
    state = perform(state, move, { edition, author: HOLDER.author, number: Infinity })
    look()
  }
  return steps
}
