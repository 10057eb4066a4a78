import { sql, type Kysely } from 'kysely'

/** Students ask for help by a hand that they put up, and take down. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table slates add column hand_at timestamptz').execute(db)
}
