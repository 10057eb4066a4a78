import { sql, type Kysely } from 'kysely'

/**
 * Class lists that can be taken over again, students who leave and come back, levels, personal links, wishes, named
 * sets of groups.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    // Deferrable, so that two students can change names in one go.
    `alter table students drop constraint students_class_id_name_folded_key,
      add constraint students_class_id_name_folded_key unique (class_id, name_folded) deferrable initially immediate,
      add column preferred text check (length(preferred) between 1 and 60),
      add column level text check (length(level) between 1 and 20),
      add column record text check (length(record) between 1 and 80),
      add column left_at timestamptz,
      add column link text,
      add constraint students_class_id_record_key unique (class_id, record) deferrable initially immediate`,
    'create unique index students_by_link on students (link) where link is not null',
    // Six characters, in two groups of three; codes of seven stay good.
    `alter table classes drop constraint classes_code_check, add constraint classes_code_check check (code ~ '^[A-Z0-9]{6,7}$'),
      add column levels text[] not null default '{}'`,
    `create table absences (
      class_id uuid not null,
      student_id uuid not null,
      day date not null,
      primary key (student_id, day),
      foreign key (student_id, class_id) references students (id, class_id) on delete cascade)`,
    `create table wishes (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references classes on delete cascade,
      kind text not null check (kind in ('together', 'apart')),
      unique (id, class_id))`,
    'create index wishes_by_class on wishes (class_id)',
    `create table wish_students (
      wish_id uuid not null,
      class_id uuid not null,
      student_id uuid not null,
      primary key (wish_id, student_id),
      foreign key (wish_id, class_id) references wishes (id, class_id) on delete cascade,
      foreign key (student_id, class_id) references students (id, class_id) on delete cascade)`,
    `create table group_sets (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references classes on delete cascade,
      name text not null check (length(name) between 1 and 60),
      name_folded text not null generated always as (lower(name)) stored,
      made_at timestamptz not null default now(),
      unique (class_id, name_folded),
      unique (id, class_id))`,
    `create table groups (
      id uuid primary key default gen_random_uuid(),
      set_id uuid not null,
      class_id uuid not null,
      position integer not null check (position between 1 and 100),
      name text not null check (length(name) between 1 and 40),
      mark text not null check (length(mark) between 1 and 20),
      unique (set_id, position),
      unique (id, set_id, class_id),
      foreign key (set_id, class_id) references group_sets (id, class_id) on delete cascade)`,
    // A student is in one group of a set at most.
    `create table group_students (
      set_id uuid not null,
      group_id uuid not null,
      class_id uuid not null,
      student_id uuid not null,
      primary key (set_id, student_id),
      foreign key (group_id, set_id, class_id) references groups (id, set_id, class_id) on delete cascade,
      foreign key (student_id, class_id) references students (id, class_id) on delete cascade)`,
    'create index group_students_by_group on group_students (group_id)',
    'create index group_students_by_student on group_students (student_id)',
    // Which set a handout of frames was made from, and which group each frame is.
    `alter table handouts add column set_id uuid references group_sets on delete set null`,
    `alter table slates add column mark text check (length(mark) between 1 and 20),
      add column group_id uuid references groups on delete set null`,
    'create unique index slates_one_frame_a_group on slates (handout_id, group_id) where group_id is not null',
    'create index slates_by_group on slates (group_id) where group_id is not null',
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
