import { sql, type Kysely } from 'kysely'

/** From a board to a marked copy. The constraints say what may never be, whatever the code does. */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `create table teachers (
      id uuid primary key default gen_random_uuid(),
      email text not null unique check (email = lower(email) and length(email) between 3 and 254),
      name text not null check (length(name) between 1 and 80),
      password_hash text not null,
      created_at timestamptz not null default now())`,
    `create table classes (
      id uuid primary key default gen_random_uuid(),
      teacher_id uuid not null references teachers on delete cascade,
      name text not null check (length(name) between 1 and 60),
      code text not null unique check (code ~ '^[A-Z0-9]{7}$'),
      created_at timestamptz not null default now(),
      unique (teacher_id, name))`,
    `create table students (
      id uuid primary key default gen_random_uuid(),
      class_id uuid not null references classes on delete cascade,
      name text not null check (length(name) between 1 and 80),
      name_folded text not null generated always as (lower(name)) stored,
      picture_password text[] not null check (cardinality(picture_password) = 3),
      created_at timestamptz not null default now(),
      unique (class_id, name_folded),
      unique (id, class_id))`,
    `create table sessions (
      id uuid primary key default gen_random_uuid(),
      teacher_id uuid references teachers on delete cascade,
      student_id uuid references students on delete cascade,
      created_at timestamptz not null default now(),
      ends_at timestamptz not null,
      check (num_nonnulls(teacher_id, student_id) = 1))`,
    `create table boards (
      id uuid primary key default gen_random_uuid(),
      teacher_id uuid not null references teachers on delete cascade,
      title text not null check (length(title) between 1 and 120),
      document jsonb not null,
      version integer not null default 1 check (version > 0),
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now())`,
    'create index boards_by_teacher on boards (teacher_id, updated_at desc)',
    `create table files (
      hash text primary key check (hash ~ '^[0-9a-f]{64}$'),
      media_type text not null check (media_type in ('image/png', 'image/jpeg', 'image/webp')),
      bytes bytea not null,
      pixel_width integer not null check (pixel_width > 0),
      pixel_height integer not null check (pixel_height > 0),
      created_at timestamptz not null default now())`,
    `create table file_owners (
      file_hash text not null references files,
      teacher_id uuid not null references teachers on delete cascade,
      primary key (file_hash, teacher_id))`,
    `create table editions (
      hash text primary key check (hash ~ '^[0-9a-f]{64}$'),
      document jsonb not null,
      created_at timestamptz not null default now())`,
    `create table edition_files (
      edition_hash text not null references editions on delete cascade,
      file_hash text not null references files,
      primary key (edition_hash, file_hash))`,
    'create index edition_files_by_file on edition_files (file_hash)',
    `create table handouts (
      id uuid primary key default gen_random_uuid(),
      board_id uuid not null references boards,
      class_id uuid not null references classes on delete cascade,
      edition_hash text not null references editions,
      mode text not null check (mode in ('copy-each')),
      created_at timestamptz not null default now(),
      unique (id, class_id))`,
    'create index handouts_by_class on handouts (class_id, created_at desc)',
    'create index handouts_by_edition on handouts (edition_hash)',
    // A slate belongs to a student of the class that its handout was given to, and each of them has one.
    `create table slates (
      id uuid primary key default gen_random_uuid(),
      handout_id uuid not null,
      class_id uuid not null,
      student_id uuid not null,
      status text not null default 'not-opened' check (status in ('not-opened', 'under-way', 'handed-in', 'handed-back')),
      last_number integer not null default 0 check (last_number >= 0),
      opened_at timestamptz,
      moved_at timestamptz,
      handed_in_at timestamptz,
      handed_back_at timestamptz,
      foreign key (handout_id, class_id) references handouts (id, class_id) on delete cascade,
      foreign key (student_id, class_id) references students (id, class_id) on delete cascade,
      unique (handout_id, student_id),
      check (status <> 'handed-in' or handed_in_at is not null),
      check (status <> 'handed-back' or handed_back_at is not null))`,
    'create index slates_by_student on slates (student_id)',
    `create table moves (
      slate_id uuid not null references slates on delete cascade,
      number integer not null check (number > 0),
      id text not null check (length(id) between 8 and 40),
      move jsonb not null,
      inverse jsonb not null,
      undoes text,
      student_id uuid references students on delete set null,
      at timestamptz not null default now(),
      primary key (slate_id, number),
      unique (slate_id, id))`,
    `create table snapshots (
      slate_id uuid not null references slates on delete cascade,
      number integer not null check (number > 0),
      state jsonb not null,
      primary key (slate_id, number))`,
    `create table margins (
      id uuid primary key default gen_random_uuid(),
      slate_id uuid not null references slates on delete cascade,
      teacher_id uuid not null references teachers on delete cascade,
      item jsonb not null,
      at timestamptz not null default now(),
      removed_at timestamptz)`,
    'create index margins_by_slate on margins (slate_id)',
    `create table reviews (
      slate_id uuid primary key references slates on delete cascade,
      teacher_id uuid not null references teachers on delete cascade,
      decisions jsonb not null default '{}',
      comment text not null default '' check (length(comment) <= 2000),
      updated_at timestamptz not null default now())`,
    'create table rate_limits (key varchar(255) primary key, points integer not null default 0, expire bigint)',
    // An edition is what was given out, and a move is what was done: neither is ever changed.
    `create function never_changed() returns trigger language plpgsql as $$
      begin raise exception '% is never changed', tg_table_name; end $$`,
    'create trigger editions_never_changed before update on editions for each row execute function never_changed()',
    `create trigger moves_never_changed before update of slate_id, number, id, move, inverse, undoes, at on moves
      for each row execute function never_changed()`,
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
