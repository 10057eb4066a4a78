import { sql, type Kysely } from 'kysely'
import type { Database } from '../database/tables'
import { log } from '../log'
import type { Known } from './working'

const EVERY_MS = 200
const MOST_AT_ONCE = 100

/**
 * Writes states behind the acknowledgement of the moves that made them, many in one statement, and of a slate only the
 * latest: they make opening quicker, and where one is missing the next makes good for it.
 */
export class Snapshots {
  private readonly due = new Map<string, Known>()
  private timer: ReturnType<typeof setTimeout> | undefined
  private writing: Promise<void> = Promise.resolve()

  constructor(private readonly db: Kysely<Database>) {}

  add(known: Known): void {
    this.due.set(known.id, known)
    this.timer ??= setTimeout(() => void this.flush(), EVERY_MS)
  }

  flush(): Promise<void> {
    clearTimeout(this.timer)
    this.timer = undefined
    this.writing = this.writing.then(() => this.write())
    return this.writing
  }

  private async write(): Promise<void> {
    while (this.due.size) {
      const some = [...this.due.values()].slice(0, MOST_AT_ONCE)
      for (const { id } of some) this.due.delete(id)
      const rows = some.map(({ id, number, state, editionHash }) => ({
        slate_id: id,
        number,
        state,
        edition_hash: editionHash,
      }))
      await sql`insert into snapshots (slate_id, number, state, edition_hash)
        select slate_id, number, state, edition_hash from json_to_recordset(${JSON.stringify(rows)}::json) as s (slate_id uuid, number int, state jsonb, edition_hash text)
        where exists (select from slates where id = slate_id)
        on conflict do nothing`
        .execute(this.db)
        .catch((error: unknown) =>
          log.warn({ error: error instanceof Error ? error.message.split('\n')[0] : '' }, 'snapshots were not kept'),
        )
    }
  }
}
