import { sql, type Kysely } from 'kysely'
import type { Database } from '../database/tables'

/** A move of a slate, by its id. */
export interface Asked {
  readonly slate: string
  readonly wanted: string
}

/**
 * The moves of these ids, and those that take them back. Two lookups by two indexes, put together: asked as one thing
 * *or* the other, all moves that were ever made would be gone through. One that is both comes twice.
 */
export function earlierMoves(db: Kysely<Database>, asked: readonly Asked[]) {
  const these = sql<Asked>`unnest(${asked.map(a => a.slate)}::uuid[], ${asked.map(a => a.wanted)}::text[])`.as<'asked'>(
    sql`asked(slate, wanted)`,
  )
  const columns = ['m.slate_id', 'm.id', 'm.number', 'm.move', 'm.inverse', 'm.undoes', 'm.by', 'm.at'] as const
  const ofIds = db
    .selectFrom(these)
    .innerJoin('moves as m', join => join.onRef('m.slate_id', '=', 'asked.slate').onRef('m.id', '=', 'asked.wanted'))
    .select(columns)
  const thatUndo = db
    .selectFrom(these)
    .innerJoin('moves as m', join =>
      join
        .onRef('m.slate_id', '=', 'asked.slate')
        .onRef('m.undoes', '=', 'asked.wanted')
        .on('m.undoes', 'is not', null),
    )
    .select(columns)
  return ofIds.unionAll(thatUndo)
}
