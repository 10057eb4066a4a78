import { sql, type Kysely, type Transaction } from 'kysely'
import type { Edition } from '../../core/board/edition'
import { apply, invert } from '../../core/slate/move'
import { canMove } from '../../core/slate/status'
import type { Envelope, NumberedMove, RefusalCode } from '../../core/sync/messages'
import type { EditionCache } from '../database/editions'
import type { Database, NewRow } from '../database/tables'
import { announce } from './channel'
import { loadStates, type Numbered } from './loadState'

const SNAPSHOT_EVERY = 50
const STATES_KEPT = 2000

export interface Submission { readonly slate: string, readonly student: string, readonly envelope: Envelope }
export type Outcome
  = { readonly ok: true, readonly move: NumberedMove, readonly fresh: boolean }
    | { readonly ok: false, readonly code: RefusalCode }

interface Working { handout: string, edition: Edition, status: 'not-opened' | 'under-way' | 'handed-in' | 'handed-back', before: number, current: Numbered }

/**
 * Orders, checks and stores the moves of one batch in one transaction. Rows of slates are locked in the order of their ids,
 * so two processes never wait for each other in a circle. Outcomes come in the order of the submissions, and only after the commit.
 */
export class Committer {
  /** States as committed; a stale one is noticed by its number and read again. */
  private readonly known = new Map<string, Numbered>()

  constructor(private readonly db: Kysely<Database>, private readonly editions: EditionCache) {}

  async commit(batch: readonly Submission[]): Promise<Outcome[]> {
    const { outcomes, working } = await this.db.transaction().execute(trx => this.run(trx, batch))
    for (const [id, { current }] of working) this.remember(id, current)
    return outcomes
  }

  private async run(trx: Transaction<Database>, batch: readonly Submission[]) {
    const working = await this.lock(trx, [...new Set(batch.map(s => s.slate))].toSorted())
    const stored = await this.storedAlready(trx, batch)
    const rows: NewRow<'moves'>[] = []
    const at = new Date()
    const outcomes = batch.map(({ slate, student, envelope }): Outcome => {
      const work = working.get(slate)
      if (!work) return { ok: false, code: 'unknown-slate' }
      const before = stored.get(`${slate} ${envelope.id}`)
      if (before) return { ok: true, move: before, fresh: false }
      if (!canMove(work.status)) return { ok: false, code: 'handed-in' }
      const result = apply(work.current.state, envelope.move, work.edition)
      if (!result.ok) return { ok: false, code: result.reason.code }
      const move: NumberedMove = { ...envelope, number: work.current.number + 1, at: at.toISOString() }
      rows.push({
        slate_id: slate, number: move.number, id: move.id, undoes: envelope.undoes ?? null, student_id: student, at,
        move: JSON.stringify(envelope.move), inverse: JSON.stringify(invert(work.current.state, envelope.move)),
      })
      work.current = { number: move.number, state: result.value }
      stored.set(`${slate} ${envelope.id}`, move)
      return { ok: true, move, fresh: true }
    })
    if (rows.length) await this.store(trx, rows, working, at)
    return { outcomes, working }
  }

  private async lock(trx: Transaction<Database>, ids: readonly string[]): Promise<Map<string, Working>> {
    const rows = await trx.selectFrom('slates').innerJoin('handouts', 'handouts.id', 'slates.handout_id')
      .select(['slates.id', 'slates.handout_id', 'slates.status', 'slates.last_number', 'handouts.edition_hash'])
      .where('slates.id', 'in', ids).orderBy('slates.id').forUpdate('slates').execute()
    const slates = await Promise.all(rows.map(async row => ({ row, edition: await this.editions.get(trx, row.edition_hash) })))
    const stale = slates.filter(({ row }) => this.known.get(row.id)?.number !== row.last_number)
    const loaded = await loadStates(trx, stale.map(({ row, edition }) => ({ id: row.id, edition })))
    return new Map(slates.map(({ row, edition }) => {
      const current = loaded.get(row.id) ?? this.known.get(row.id)!
      return [row.id, { handout: row.handout_id, edition, status: row.status, before: row.last_number, current }]
    }))
  }

  private async storedAlready(trx: Transaction<Database>, batch: readonly Submission[]): Promise<Map<string, NumberedMove>> {
    const rows = await trx.selectFrom('moves').select(['slate_id', 'id', 'number', 'move', 'undoes', 'at'])
      .where(sql<boolean>`(slate_id, id) in (select * from unnest(${batch.map(s => s.slate)}::uuid[], ${batch.map(s => s.envelope.id)}::text[]))`)
      .execute()
    return new Map(rows.map(({ slate_id, at, undoes, ...row }) => [`${slate_id} ${row.id}`, { ...row, undoes: undoes ?? undefined, at: at.toISOString() }]))
  }

  private async store(trx: Transaction<Database>, rows: NewRow<'moves'>[], working: Map<string, Working>, at: Date): Promise<void> {
    await trx.insertInto('moves').values(rows).execute()
    const changed = [...working].filter(([, w]) => w.current.number > w.before)
    await sql`
      update slates set last_number = changed.number, moved_at = ${at}, opened_at = coalesce(opened_at, ${at}),
        status = case status when 'not-opened' then 'under-way' else status end
      from unnest(${changed.map(([id]) => id)}::uuid[], ${changed.map(([, w]) => w.current.number)}::int[]) as changed (id, number)
      where slates.id = changed.id`.execute(trx)
    const due = changed.filter(([, w]) => Math.floor(w.current.number / SNAPSHOT_EVERY) > Math.floor(w.before / SNAPSHOT_EVERY))
    if (due.length) {
      await trx.insertInto('snapshots')
        .values(due.map(([slate_id, { current }]) => ({ slate_id, number: current.number, state: JSON.stringify(current.state) }))).execute()
    }
    await announce(trx, changed.map(([slate, { handout, current }]) => ({ what: 'moves', slate, handout, number: current.number })))
  }

  private remember(id: string, state: Numbered): void {
    this.known.delete(id)
    this.known.set(id, state)
    if (this.known.size > STATES_KEPT) this.known.delete(this.known.keys().next().value!)
  }
}
