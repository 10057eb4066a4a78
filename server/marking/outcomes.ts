import { sql, type Kysely } from 'kysely'
import { MARKER_VERSION, readOutcomes, type Outcomes } from '../../core/keys/outcomes'
import { ok, refuse, type Result } from '../../core/result'
import type { EditionCache } from '../database/editions'
import { loadStates, type Numbered } from '../database/loadState'
import { wholeState } from '../../core/slate/state'
import type { Database } from '../database/tables'
import { log } from '../log'
import type { Marking, MarkingRefusal } from './markingPool'

type Db = Kysely<Database>

/** What the keys say of a slate, and how often another edition was laid under it before. */
export interface SlateOutcomes extends Outcomes {
  readonly turn: number
}
export type OutcomesOf = ReadonlyMap<string, Result<SlateOutcomes, MarkingRefusal>>

interface Head {
  readonly id: string
  readonly number: number
  readonly edition: string
  readonly turn: number
}
type Marked = Result<SlateOutcomes, MarkingRefusal>

/** The outcomes of slates: marked once for each change, by whichever process is asked first, and read by all. */
export class OutcomeStore {
  /** Being marked now, by slate, number and turn. */
  private readonly underWay = new Map<string, Promise<Marked>>()

  constructor(
    private readonly db: Db,
    private readonly editions: EditionCache,
    private readonly marking: Marking,
  ) {}

  /** Of these slates as they are now. Slates that are gone are left out. */
  async of(slates: readonly string[]): Promise<OutcomesOf> {
    const heads = slates.length ? await headsOf(this.db, slates) : []
    if (heads.length === 0) return new Map()
    const known = await storedOf(this.db, heads)
    const missing = heads.filter(head => !known.has(head.id))
    const waited = missing.flatMap(head => {
      const marked = this.underWay.get(keyOf(head))
      return marked ? [[head.id, marked] as const] : []
    })
    const asked = new Set(waited.map(([id]) => id))
    const fresh = this.begin(missing.filter(head => !asked.has(head.id)))
    const all = new Map<string, Marked>(known)
    // Together, so that where marking fails every one of them has somebody who hears it.
    await Promise.all([...waited, ...fresh].map(async ([id, marked]) => all.set(id, await marked)))
    return all
  }

  async ofOne(slate: string): Promise<Marked> {
    return (await this.of([slate])).get(slate) ?? refuse('unreadable')
  }

  /**
   * Of the first tries of slates that have further ones. What was said of them then is kept; only what the marker would
   * say otherwise by now, or was never asked, is marked.
   */
  async ofFirstTries(slates: readonly string[]): Promise<ReadonlyMap<string, Outcomes>> {
    const tries = slates.length ? await firstTriesOf(this.db, slates) : []
    const all = new Map<string, Outcomes>()
    for (const one of tries) {
      const { id, number, edition, keys, lies } = one
      const read = readOutcomes({ number, edition, marker: MARKER_VERSION, keys, lies }, one)
      if (read) all.set(id, read)
    }
    const missing = tries.filter(one => !all.has(one.id))
    for (const hash of new Set(missing.map(one => one.edition))) {
      const { board } = await this.editions.get(this.db, hash)
      const those = missing.filter(one => one.edition === hash)
      const marked = await this.marking.mark({
        edition: hash,
        board,
        slates: those.map(({ id, number, state }) => ({ id, number, state: wholeState(state) })),
      })
      for (const [id, one] of marked) if (one.ok) all.set(id, one.value)
    }
    return all
  }

  /** Marks so that whoever asks later doesn't wait; what goes wrong is found again then. */
  async ahead(slate: string): Promise<void> {
    await this.of([slate]).catch((error: unknown) =>
      log.warn({ slate, error: String(error) }, 'a slate could not be marked ahead'),
    )
  }

  private begin(heads: readonly Head[]): [string, Promise<Marked>][] {
    if (heads.length === 0) return []
    const all = this.markAll(heads.map(head => head.id))
    return heads.map(head => {
      const marked = all
        .then(done => done.get(head.id) ?? refuse('unreadable' as const))
        .finally(() => this.underWay.delete(keyOf(head)))
      this.underWay.set(keyOf(head), marked)
      return [head.id, marked]
    })
  }

  private async markAll(ids: readonly string[]): Promise<ReadonlyMap<string, Marked>> {
    const { heads, states } = await this.read(ids)
    const all = new Map<string, Marked>()
    const readable = heads.flatMap(head => {
      const state = states.get(head.id)
      if (!state) all.set(head.id, refuse('unreadable'))
      return state ? [{ ...head, ...state }] : []
    })
    const fresh: [string, SlateOutcomes][] = []
    for (const hash of new Set(readable.map(one => one.edition))) {
      const { board } = await this.editions.get(this.db, hash)
      const those = readable.filter(one => one.edition === hash)
      const slates = those.map(({ id, number, state }) => ({ id, number, state }))
      const marked = await this.marking.mark({ edition: hash, board, slates })
      for (const { id, turn } of those) {
        const result = marked.get(id)!
        all.set(id, result.ok ? ok({ ...result.value, turn }) : result)
        if (result.ok) fresh.push([id, { ...result.value, turn }])
      }
    }
    await store(this.db, fresh)
    return all
  }

  /** Heads and states of one moment, so that number, edition and state belong together. */
  private read(ids: readonly string[]): Promise<{ heads: Head[]; states: ReadonlyMap<string, Numbered | null> }> {
    return this.db
      .transaction()
      .setIsolationLevel('repeatable read')
      .execute(async trx => {
        const heads = await headsOf(trx, ids)
        const asked = heads.map(({ id, edition, number }) => ({ id, edition, last: number }))
        return { heads, states: await loadStates(trx, this.editions, asked) }
      })
  }
}

const keyOf = ({ id, number, turn }: Head) => `${id} ${number} ${turn}`

const headsOf = (db: Db, slates: readonly string[]): Promise<Head[]> =>
  db
    .selectFrom('slates')
    .select(eb => [
      'id',
      'last_number as number',
      'edition_hash as edition',
      eb
        .selectFrom('edition_changes')
        .whereRef('edition_changes.slate_id', '=', 'slates.id')
        .select(e => e.fn.coalesce(e.fn.max('turn'), e.lit(0)).as('turn'))
        .$asScalar()
        .$notNull()
        .as('turn'),
    ])
    .where('id', 'in', [...slates])
    .execute()

const firstTriesOf = (db: Db, slates: readonly string[]) =>
  db
    .selectFrom('tries')
    .leftJoin('outcomes', join =>
      join
        .onRef('outcomes.slate_id', '=', 'tries.slate_id')
        .onRef('outcomes.number', '=', 'tries.number')
        .onRef('outcomes.edition_hash', '=', 'tries.edition_hash')
        .on('outcomes.marker', '=', MARKER_VERSION),
    )
    .select([
      'tries.slate_id as id',
      'tries.number',
      'tries.edition_hash as edition',
      'tries.state',
      'outcomes.keys',
      'outcomes.lies',
    ])
    .where('tries.slate_id', 'in', [...slates])
    .where('tries.turn', '=', 1)
    .orderBy('tries.slate_id')
    .execute()

async function storedOf(db: Db, heads: readonly Head[]): Promise<Map<string, Marked>> {
  const rows = await db
    .selectFrom('outcomes')
    .selectAll()
    .where(
      'slate_id',
      'in',
      heads.map(head => head.id),
    )
    .where('marker', '=', MARKER_VERSION)
    .execute()
  const byId = new Map(heads.map(head => [head.id, head]))
  return new Map(
    rows.flatMap((row): [string, Marked][] => {
      const head = byId.get(row.slate_id)!
      if (row.turn !== head.turn) return []
      const { number, marker, keys, lies } = row
      const read = readOutcomes({ number, marker, keys, lies, edition: row.edition_hash }, head)
      return read ? [[head.id, ok({ ...read, turn: head.turn })]] : []
    }),
  )
}

/** What was said of a slate before is let go, unless a review or an earlier try rests on it. */
async function store(db: Db, fresh: readonly (readonly [string, SlateOutcomes])[]): Promise<void> {
  if (fresh.length === 0) return
  const column = <T>(value: (one: SlateOutcomes) => T) => fresh.map(([, one]) => value(one))
  const rows = sql`unnest(${fresh.map(([id]) => id)}::uuid[], ${column(one => one.number)}::int[],
    ${column(one => one.edition)}::text[], ${column(one => one.turn)}::int[], ${column(one => one.marker)}::int[],
    ${column(one => JSON.stringify(one.keys))}::jsonb[], ${column(one => JSON.stringify(one.lies))}::jsonb[])
    as fresh (slate_id, number, edition_hash, turn, marker, keys, lies)`
  await sql`insert into outcomes (slate_id, number, edition_hash, turn, marker, keys, lies)
    select fresh.* from ${rows} join slates on slates.id = fresh.slate_id on conflict do nothing`.execute(db)
  await sql`delete from outcomes o using ${rows} where o.slate_id = fresh.slate_id
    and (o.number, o.turn, o.marker) <> (fresh.number, fresh.turn, fresh.marker)
    and (o.number, o.turn) <= (fresh.number, fresh.turn)
    and not exists (select from reviews r where r.slate_id = o.slate_id
      and (r.number, r.turn, r.marker) = (o.number, o.turn, o.marker))
    and not exists (select from tries t where t.slate_id = o.slate_id
      and t.number = o.number and t.edition_hash = o.edition_hash)`.execute(db)
}
