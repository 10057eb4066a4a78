import { sql, type Kysely } from 'kysely'

/** Classes of years gone by are put away: nobody comes in by them, and all that was done in them stays. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    'alter table classes add column put_away_at timestamptz',
    // A new year's class may be called what last year's was.
    'drop index classes_one_of_a_name',
    `create unique index classes_one_of_a_name on classes (teacher_id, name)
      where newcomers is null and put_away_at is null`,
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
