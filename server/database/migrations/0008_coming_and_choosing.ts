import { sql, type Kysely } from 'kysely'

/**
 * Frames that students take themselves, own pages made from a model when their student comes, who may look at whose
 * work, and classes whose list writes itself: whoever comes by the code, while it is open, is on it.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table classes add column newcomers text check (newcomers in ('open', 'closed')),
      drop constraint classes_teacher_id_name_key`,
    // Whoever comes to one board may come to it again on another day.
    'create unique index classes_one_of_a_name on classes (teacher_id, name) where newcomers is null',
    `alter table handouts
      add column own_pages boolean not null default false,
      add column free jsonb,
      add column looking text not null default 'never' check (looking in ('never', 'always', 'after-hand-in')),
      add check (not own_pages or mode = 'one-for-everyone'),
      add check (free is null or mode = 'frame-per-group')`,
    // A page's name is its heading, given by its student; its position is the order in which they came.
    `alter table slates drop constraint slates_check2,
      add check (case kind when 'frame' then name is not null when 'page' then true else name is null end),
      add column position integer check (position > 0)`,
    'create unique index slates_in_order on slates (handout_id, position) where position is not null',
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
