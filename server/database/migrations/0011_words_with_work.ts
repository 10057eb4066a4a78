import { sql, type Kysely } from 'kysely'

/** A student's word to the teacher that goes with what is handed in. */
export async function up(db: Kysely<unknown>): Promise<void> {
  await sql.raw('alter table slates add column said text check (length(said) between 1 and 500)').execute(db)
}
