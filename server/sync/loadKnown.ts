import type { Kysely } from 'kysely'
import type { EditionCache } from '../database/editions'
import { loadStates } from '../database/loadState'
import type { Database } from '../database/tables'
import type { Known } from './working'

/** What the database has of a slate's head, whoever it belongs to. */
export const HEAD = [
  'slates.id',
  'slates.handout_id',
  'slates.status',
  'slates.last_number',
  'slates.epoch',
  'slates.edition_hash',
  'slates.paused_at',
  'slates.closed_at',
  'slates.collected_at',
  'handouts.paused_at as all_paused_at',
  'handouts.closed_at as all_closed_at',
] as const

export const headsOf = (db: Kysely<Database>) =>
  db
    .selectFrom('slates')
    .innerJoin('handouts', 'handouts.id', 'slates.handout_id')
    .select([...HEAD])
export type Head = Awaited<ReturnType<ReturnType<typeof headsOf>['executeTakeFirstOrThrow']>>

/** Whether work may go on, from the slate's own times and its handout's. */
export function opennessOf(
  head: Pick<Head, 'status' | 'paused_at' | 'closed_at' | 'collected_at' | 'all_paused_at' | 'all_closed_at'>,
): Known['openness'] {
  return {
    status: head.status,
    paused: !!(head.paused_at ?? head.all_paused_at),
    closed: !!(head.closed_at ?? head.all_closed_at),
    ...(head.collected_at && { collected: true }),
  }
}

/**
 * Slates as they are now; *unreadable* for one of which something stored is damaged. Those that aren't there are left
 * out.
 */
export async function loadKnown(
  db: Kysely<Database>,
  editions: EditionCache,
  heads: readonly Head[],
): Promise<Map<string, Known | 'unreadable'>> {
  const states = await loadStates(
    db,
    editions,
    heads.map(head => ({ id: head.id, edition: head.edition_hash, last: head.last_number })),
  )
  return new Map(
    await Promise.all(
      heads.map(async (head): Promise<[string, Known | 'unreadable']> => {
        const loaded = states.get(head.id)
        if (!loaded) return [head.id, 'unreadable']
        return [
          head.id,
          {
            id: head.id,
            handout: head.handout_id,
            number: loaded.number,
            epoch: head.epoch,
            state: loaded.state,
            edition: await editions.get(db, head.edition_hash),
            editionHash: head.edition_hash,
            openness: opennessOf(head),
            recent: [],
          },
        ]
      }),
    ),
  )
}
