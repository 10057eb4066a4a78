import type { Kysely } from 'kysely'
import type { Edition } from '../../core/board/edition'
import { apply } from '../../core/slate/move'
import { startOf, wholeState, type SlateState } from '../../core/slate/state'
import type { Database } from '../database/tables'

export interface Numbered { readonly number: number, readonly state: SlateState }

/**
 * The states of slates as the database has them: the latest snapshot, and the moves after it.
 * Throws if a stored move no longer applies, since that can only mean damage.
 */
export async function loadStates(db: Kysely<Database>, slates: readonly { id: string, edition: Edition }[]): Promise<Map<string, Numbered>> {
  if (slates.length === 0) return new Map()
  const ids = slates.map(s => s.id)
  const snapshots = await db.selectFrom('snapshots').distinctOn('slate_id').selectAll()
    .where('slate_id', 'in', ids).orderBy('slate_id').orderBy('number', 'desc').execute()
  const states = new Map<string, Numbered>(slates.map(({ id, edition }) => [id, { number: 0, state: startOf(edition) }]))
  for (const { slate_id, number, state } of snapshots) states.set(slate_id, { number, state: wholeState(state) })
  const moves = await db.selectFrom('moves').select(['moves.slate_id', 'moves.number', 'moves.move'])
    .where('moves.slate_id', 'in', ids)
    .where(eb => eb('moves.number', '>', eb.fn.coalesce(
      eb.selectFrom('snapshots').select(e => e.fn.max('snapshots.number').as('n')).whereRef('snapshots.slate_id', '=', 'moves.slate_id'),
      eb.val(0),
    )))
    .orderBy('moves.slate_id').orderBy('moves.number').execute()
  const editions = new Map(slates.map(s => [s.id, s.edition]))
  for (const { slate_id, number, move } of moves) {
    const before = states.get(slate_id)!
    if (number <= before.number) continue
    const result = apply(before.state, move, editions.get(slate_id)!)
    if (!result.ok) throw new Error(`move ${number} of slate ${slate_id} does not apply: ${result.reason.code}`)
    states.set(slate_id, { number, state: result.value })
  }
  return states
}
