import { sql, type Kysely } from 'kysely'

/**
 * Handouts that are drafts, or go out later: `given_at` is null until they are given out; `gives_at` is when that is to
 * be, null for a draft. `plan` is to whom; `hindered` why it couldn't be given out when its time came.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table handouts add column given_at timestamptz, add column gives_at timestamptz, add column plan jsonb, add column hindered text`,
    'update handouts set given_at = created_at',
    'create index handouts_waiting on handouts (gives_at) where given_at is null',
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
