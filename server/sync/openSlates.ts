import { sql, type Kysely } from 'kysely'
import type { Database } from '../database/tables'

/** A student, and a slate of theirs that they have before them. */
export interface OpenSlate {
  readonly slate: string
  readonly student: string
}

/** Said again so often for all who are there. */
export const SEEN_EVERY_MS = 30_000
/** Longer than the time between two looks, so that nobody blinks; after it, they have gone without a word. */
export const BELIEVED_FOR_MS = 2.5 * SEEN_EVERY_MS
/** A class that opens its slates is written down at once. */
const WRITE_AFTER_MS = 250

/**
 * Which students have which slates open, through whichever process: kept in the database, where whoever walks round
 * reads it.
 */
export class OpenSlates {
  private readonly changed = new Map<string, OpenSlate>()
  private waiting: ReturnType<typeof setTimeout> | undefined

  constructor(
    private readonly db: Kysely<Database>,
    /** Those of this process, as they are. */
    private readonly here: () => readonly OpenSlate[],
    private readonly failed: (error: unknown) => void,
  ) {}

  /** One of them has come or gone. */
  note(one: OpenSlate): void {
    this.changed.set(keyOf(one), one)
    this.waiting ??= setTimeout(() => void this.write().catch(this.failed), WRITE_AFTER_MS).unref()
  }

  stop(): void {
    clearTimeout(this.waiting)
  }

  /** What was noted is written as it is by now. */
  async write(): Promise<void> {
    clearTimeout(this.waiting)
    this.waiting = undefined
    const noted = [...this.changed.values()]
    this.changed.clear()
    const open = new Set(this.here().map(keyOf))
    await this.keep(noted.filter(one => open.has(keyOf(one))))
    const gone = noted.filter(one => !open.has(keyOf(one)))
    if (gone.length)
      await sql`delete from slates_open o using ${listOf(gone)}
        where o.slate_id = one.slate and o.student_id = one.student`.execute(this.db)
  }

  /** All who are here are said to be. */
  again(): Promise<void> {
    return this.keep(this.here())
  }

  private async keep(here: readonly OpenSlate[]): Promise<void> {
    // Two windows of one student are one: a statement that would write a row twice is refused as a whole.
    const those = [...new Map(here.map(one => [keyOf(one), one])).values()]
    if (those.length === 0) return
    // Only those who still have a hand on it: somebody may have been moved to another frame.
    await sql`insert into slates_open (slate_id, student_id)
      select m.slate_id, m.student_id from slate_members m
      join ${listOf(those)} on m.slate_id = one.slate and m.student_id = one.student
      where m.until_at is null
      on conflict (slate_id, student_id) do update set seen_at = excluded.seen_at`.execute(this.db)
  }
}

const keyOf = ({ slate, student }: OpenSlate) => `${slate} ${student}`
const listOf = (those: readonly OpenSlate[]) => sql`unnest(${those.map(one => one.slate)}::uuid[],
  ${those.map(one => one.student)}::uuid[]) as one (slate, student)`

/** The students of each slate of a handout who have it open now; slates that nobody has open are left out. */
export async function openSlatesOf(db: Kysely<Database>, handout: string): Promise<Record<string, string[]>> {
  const rows = await db
    .selectFrom('slates_open')
    .innerJoin('slates', 'slates.id', 'slates_open.slate_id')
    .select(['slates_open.slate_id as slate', 'slates_open.student_id as student'])
    .where('slates.handout_id', '=', handout)
    .where('slates_open.seen_at', '>', new Date(Date.now() - BELIEVED_FOR_MS))
    .orderBy('slates_open.student_id')
    .execute()
  const open: Record<string, string[]> = {}
  for (const { slate, student } of rows) (open[slate] ??= []).push(student)
  return open
}
