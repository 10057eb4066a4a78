import { sql, type Kysely } from 'kysely'

/**
 * Slates of several people, moves by more than students, an edition on each slate, pencils down and closing. What stood
 * before stays: every slate so far is a copy, and its student the first hand on it.
 *
 * `epoch` counts whatever decides on a slate beside its moves: its status, pauses, edition and people. A process that
 * knows a slate by its number and its epoch knows all of it.
 */
export async function up(db: Kysely<unknown>): Promise<void> {
  const statements = [
    `alter table handouts drop constraint handouts_mode_check,
      add constraint handouts_mode_check check (mode in ('copy-each', 'frame-per-group', 'one-for-everyone')),
      add column paused_at timestamptz, add column closed_at timestamptz`,
    `alter table slates
      add column kind text not null default 'copy' check (kind in ('copy', 'frame', 'page', 'class')),
      add column name text check (length(name) between 1 and 80),
      add column edition_hash text references editions,
      add column paused_at timestamptz,
      add column closed_at timestamptz,
      add column epoch integer not null default 0`,
    'update slates set edition_hash = handouts.edition_hash from handouts where handouts.id = slates.handout_id',
    `alter table slates alter column edition_hash set not null, alter column kind drop default,
      add check ((kind = 'frame') = (name is not null)), add unique (id, handout_id, class_id, kind)`,
    `create unique index slates_one_for_everyone on slates (handout_id) where kind = 'class'`,
    'create index slates_by_handout on slates (handout_id)',
    `create table slate_members (
      slate_id uuid not null,
      handout_id uuid not null,
      class_id uuid not null,
      kind text not null,
      student_id uuid not null,
      hand integer not null check (hand > 0),
      part integer check (part between 1 and 8),
      from_at timestamptz not null default now(),
      until_at timestamptz check (until_at >= from_at),
      primary key (slate_id, hand),
      unique (slate_id, student_id),
      foreign key (slate_id, handout_id, class_id, kind) references slates (id, handout_id, class_id, kind) on delete cascade,
      foreign key (student_id, class_id) references students (id, class_id) on delete cascade)`,
    // A student has at most one slate of their own in a handout, and a copy or an own page has one student.
    `create unique index slate_members_own on slate_members (handout_id, student_id) where until_at is null and kind <> 'class'`,
    `create unique index slate_members_alone on slate_members (slate_id) where until_at is null and kind in ('copy', 'page')`,
    'create index slate_members_by_student on slate_members (student_id)',
    `insert into slate_members (slate_id, handout_id, class_id, kind, student_id, hand)
      select id, handout_id, class_id, kind, student_id, 1 from slates`,
    'alter table slates drop column student_id',
    `create table assistants (
      class_id uuid not null references classes on delete cascade,
      teacher_id uuid not null references teachers on delete cascade,
      hand integer not null check (hand > 0),
      primary key (class_id, teacher_id),
      unique (class_id, hand))`,
    'create index assistants_by_teacher on assistants (teacher_id)',
    'drop trigger moves_never_changed on moves',
    // Moves are read as a whole and never searched: kept as the text they came in, they are not taken apart and put
    // together.
    `alter table moves drop column student_id, alter column inverse drop not null,
      alter column move type json using move::json, alter column inverse type json using inverse::json,
      add column by text not null default 'student:1' check (by ~ '^(student|teacher|assistant):[0-9]{1,6}$')`,
    'alter table moves alter column by drop default',
    `create trigger moves_never_changed before update on moves for each row execute function never_changed()`,
    // Moves are stored by a statement that holds their slate's row, so asking for it once more for each move is work
    // for nothing;
    // what the reference did beside that, a trigger does for all at once: with a slate its moves go.
    'alter table moves drop constraint moves_slate_id_fkey',
    `create function moves_go_with_slates() returns trigger language plpgsql as $$
      begin delete from moves using gone where moves.slate_id = gone.id; return null; end $$`,
    `create trigger slates_take_moves after delete on slates referencing old table as gone for each statement execute function moves_go_with_slates()`,
    // A slate's row changes with every move: room in its page keeps its indexes out of it.
    'alter table slates set (fillfactor = 70)',
    'create index moves_that_undo on moves (slate_id, undoes) where undoes is not null',
    `create table edition_changes (
      slate_id uuid not null references slates on delete cascade,
      turn integer not null check (turn > 0),
      number integer not null check (number >= 0),
      from_hash text not null references editions,
      to_hash text not null references editions,
      at timestamptz not null default now(),
      primary key (slate_id, turn))`,
    `alter table snapshots drop constraint snapshots_number_check, add check (number >= 0), add column edition_hash text references editions`,
    'update snapshots set edition_hash = slates.edition_hash from slates where slates.id = snapshots.slate_id',
    'alter table snapshots alter column edition_hash set not null',
    `create table answered_requests (
      teacher_id uuid not null references teachers on delete cascade,
      key text not null check (length(key) between 8 and 80),
      answer jsonb,
      at timestamptz not null default now(),
      primary key (teacher_id, key))`,
    `create function next_epoch() returns trigger language plpgsql as $$
      begin new.epoch := old.epoch + 1; return new; end $$`,
    `create trigger slates_next_epoch before update on slates for each row when (
        old.status is distinct from new.status or old.paused_at is distinct from new.paused_at
        or old.closed_at is distinct from new.closed_at or old.edition_hash is distinct from new.edition_hash)
      execute function next_epoch()`,
    `create function next_epoch_of_handout() returns trigger language plpgsql as $$
      begin update slates set epoch = epoch + 1 where handout_id = new.id; return null; end $$`,
    `create trigger handouts_next_epoch after update on handouts for each row when (
        old.paused_at is distinct from new.paused_at or old.closed_at is distinct from new.closed_at)
      execute function next_epoch_of_handout()`,
    // Who comes in later is asked about anyway; whose part changes or ends must not go on by what was known.
    `create function next_epoch_of_member() returns trigger language plpgsql as $$
      begin update slates set epoch = epoch + 1 where id = old.slate_id; return null; end $$`,
    'create trigger slate_members_next_epoch after update or delete on slate_members for each row execute function next_epoch_of_member()',
    `create function next_epoch_of_class() returns trigger language plpgsql as $$
      begin update slates set epoch = epoch + 1 where class_id = old.class_id; return null; end $$`,
    'create trigger assistants_next_epoch after update or delete on assistants for each row execute function next_epoch_of_class()',
  ]
  for (const statement of statements) await sql.raw(statement).execute(db)
}
