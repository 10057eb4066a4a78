import type { ParcelKind, ParcelStatus, ThingKind } from '../../core/paper/parcel'
import type { SlatesOrder } from '../../core/paper/slatesOrder'
import type { ColumnType, Generated, Selectable } from 'kysely'
import type { Fixed, FixedJson, Json, SetOnce, Timestamp } from './columns'
import type { TablesOfLesson } from './tablesOfLesson'
import type { Board } from '../../core/board/board'
import type { MarginItem } from '../../core/margin/item'
import type { Counts, Levels, Rubric } from '../../core/handout/counting'
import type { Without } from '../../core/handout/version'
import type { Rules } from '../../core/handout/rules'
import type { FreeFrames, Looking, Recipient } from '../../core/handout/settings'
import type { Review } from '../../core/handout/review'
import type { Wish } from '../../core/groups/wishes'
import type { Decisions } from '../../core/keys/mark'
import type { KeyMark } from '../../core/keys/outcome'
import type { Lies } from '../../core/keys/outcomes'
import type { Author } from '../../core/slate/actor'
import type { HandoutMode, SlateKind } from '../../core/slate/kind'
import type { Move } from '../../core/slate/move'
import type { SlateState } from '../../core/slate/state'
import type { SlateStatus } from '../../core/slate/status'

/** What a mailed link is for. */
export type MailedPurpose = 'new-password' | 'prove-address'
export type NewcomersDoor = 'open' | 'closed'

/** Of the older ones words alone and decisions are missing. */
export type TriedReview = Pick<Review, 'comment' | 'points' | 'levels'> & Partial<Pick<Review, 'alone' | 'decisions'>>

export interface Database extends TablesOfLesson {
  teachers: {
    id: Generated<string>
    email: string
    name: string
    password_hash: string
    created_at: SetOnce
    email_proven_at: ColumnType<Date | null, Date | null | undefined, Date | null>
  }
  /** One-time links that were mailed; the link itself is nowhere. */
  mailed_links: { hash: Fixed<string>; teacher_id: Fixed<string>; purpose: Fixed<MailedPurpose>; ends_at: Timestamp }
  sessions: {
    id: Generated<string>
    teacher_id: Fixed<string | null>
    student_id: string | null
    created_at: SetOnce
    ends_at: Timestamp
    seen_at: ColumnType<Date, Date | undefined, Date>
  }
  classes: {
    id: Generated<string>
    teacher_id: Fixed<string>
    name: string
    code: string
    created_at: SetOnce
    /** The teacher's words for levels, the lowest first. */
    levels: Generated<string[]>
    /** The secret of the link by which another teacher comes to help. */
    invite: string | null
    /** By its name in the IANA time zone database. */
    time_zone: Generated<string>
    /** What the school's records call it; null for one that wasn't drawn from them. */
    record: string | null
    /** Whether whoever comes by the code is on the list; null for a class with a list of its own. */
    newcomers: ColumnType<NewcomersDoor | null, NewcomersDoor | null | undefined, NewcomersDoor | null>
    /** Since when nobody comes in by it; the work stays. */
    put_away_at: Timestamp | null
  }
  students: {
    id: Generated<string>
    class_id: Fixed<string>
    name: string
    name_folded: ColumnType<string, never, never>
    /**
     * Readable on purpose: the teacher reads it out to a child of six. It opens one child's work in one class, and
     * guessing is slowed.
     */
    picture_password: string[]
    created_at: SetOnce
    preferred: string | null
    level: string | null
    /** What the school's records call the student. */
    record: string | null
    /** No longer on the class list; the work stays. */
    left_at: Timestamp | null
    /**
     * The secret of the personal link; null when there is none. Readable on purpose, like the pictures: it is printed
     * on cards.
     */
    link: string | null
  }
  absences: { class_id: Fixed<string>; student_id: Fixed<string>; day: Fixed<string> }
  wishes: { id: Generated<string>; class_id: Fixed<string>; kind: Fixed<Wish['kind']> }
  wish_students: { wish_id: Fixed<string>; class_id: Fixed<string>; student_id: Fixed<string> }
  group_sets: {
    id: Generated<string>
    class_id: Fixed<string>
    name: string
    name_folded: ColumnType<string, never, never>
    made_at: SetOnce
  }
  groups: {
    id: Generated<string>
    set_id: Fixed<string>
    class_id: Fixed<string>
    position: number
    name: string
    mark: string
  }
  group_students: { set_id: Fixed<string>; group_id: string; class_id: Fixed<string>; student_id: Fixed<string> }
  boards: {
    id: Generated<string>
    teacher_id: Fixed<string>
    title: string
    document: Json<Board>
    version: Generated<number>
    created_at: SetOnce
    updated_at: Timestamp
    /** Put away; null for what stands on the shelf. */
    archived_at: Timestamp | null
    /** Kept to start other boards from. */
    organizer: Generated<boolean>
  }
  /** Of a picture the bytes stand here; of sound and film they stand in pieces, and `seconds` says how long it is. */
  files: {
    hash: Fixed<string>
    media_type: Fixed<string>
    bytes: Fixed<Buffer | null>
    pixel_width: Fixed<number | null>
    pixel_height: Fixed<number | null>
    created_at: SetOnce
    size: ColumnType<number | null, number | null | undefined, never>
    seconds: ColumnType<number | null, number | null | undefined, never>
  }
  file_pieces: { file_hash: Fixed<string>; number: Fixed<number>; bytes: Fixed<Buffer> }
  file_owners: { file_hash: Fixed<string>; teacher_id: Fixed<string> }
  editions: { hash: Fixed<string>; document: FixedJson<Board>; created_at: SetOnce }
  edition_files: { edition_hash: Fixed<string>; file_hash: Fixed<string> }
  handouts: {
    id: Generated<string>
    board_id: Fixed<string>
    class_id: Fixed<string>
    /** What newcomers get; each slate names its own. */
    edition_hash: string
    mode: Fixed<HandoutMode>
    /** The set of groups that frames were made from. */
    set_id: ColumnType<string | null, string | null | undefined, string | null>
    created_at: SetOnce
    /** Pencils down for all. */
    paused_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    closed_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    word: Generated<string>
    due_on: ColumnType<string | null, string | null | undefined, string | null>
    due_time: ColumnType<string | null, string | null | undefined, string | null>
    hand_in: Generated<boolean>
    /** Null until it is given out. */
    given_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    /** When it goes out by itself; null for a draft, and once it is given out. */
    gives_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    plan: ColumnType<Recipient | null, string | null | undefined, string | null>
    /** Why it couldn't go out at its time. */
    hindered: ColumnType<string | null, string | null | undefined, string | null>
    /** Whoever joins the class later has a part in it, too. */
    whole_class: Generated<boolean>
    /** Each student makes an own page, when they come. */
    own_pages: Generated<boolean>
    /** Frames that students take themselves. */
    free: ColumnType<FreeFrames | null, string | null | undefined, string | null>
    looking: Generated<Looking>
    counts: Generated<Counts>
    points: ColumnType<number | null, number | null | undefined, number | null>
    rubric: ColumnType<Rubric | null, string | null | undefined, string | null>
    /** Pages that its board holds back are open. */
    held_opened: Generated<boolean>
    /** What isn't in it is as the schema says. */
    rules: ColumnType<Partial<Rules>, string | undefined, string>
  }
  /** What some students got instead: another board, or this one with less of it. */
  handout_versions: {
    handout_id: Fixed<string>
    number: Fixed<number>
    name: string
    board_id: string | null
    without: Json<Without>
    edition_hash: string
  }
  rubrics: {
    id: Generated<string>
    teacher_id: Fixed<string>
    name: string
    criteria: Json<Rubric['criteria']>
    changed_at: Timestamp
  }
  slates: {
    id: Generated<string>
    handout_id: Fixed<string>
    class_id: Fixed<string>
    kind: Fixed<SlateKind>
    /** A group's name, or the heading that a student gave an own page; null for all others. */
    name: ColumnType<string | null, string | null | undefined, string | null>
    mark: ColumnType<string | null, string | null | undefined, string | null>
    group_id: ColumnType<string | null, string | null | undefined, string | null>
    /** Of free frames and own pages: which one it is, from 1. */
    position: ColumnType<number | null, number | null | undefined, never>
    /** Which of the handout's versions; null for what everybody gets. */
    version: ColumnType<number | null, number | null | undefined, number | null>
    edition_hash: string
    status: Generated<SlateStatus>
    last_number: Generated<number>
    /** Counts whatever decides on the slate beside its moves; kept by triggers. */
    epoch: ColumnType<number, never, never>
    opened_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    moved_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    /** Since when help is asked for on it. */
    hand_at: ColumnType<Date | null, never, Date | null>
    handed_in_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    handed_back_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    /** When a teacher last said to have seen what it called for. */
    seen_at: ColumnType<Date | null, never, Date | null>
    /** When the teacher handed it in for all. */
    collected_at: ColumnType<Date | null, never, Date | null>
    /** What the student said to the teacher when it was handed in. */
    said: ColumnType<string | null, string | null | undefined, string | null>
    paused_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    closed_at: ColumnType<Date | null, Date | null | undefined, Date | null>
    /** When an own page was given its heading, and since when a teacher keeps that from the others. */
    named_at: ColumnType<Date | null, never, Date | null>
    name_hidden_at: ColumnType<Date | null, never, Date | null>
  }
  /** Who has a slate open, as some process has last said. */
  slates_open: { slate_id: Fixed<string>; student_id: Fixed<string>; seen_at: ColumnType<Date, never, never> }
  /** Whose slate it is, and whose it was. */
  slate_members: {
    slate_id: Fixed<string>
    handout_id: Fixed<string>
    class_id: Fixed<string>
    kind: Fixed<SlateKind>
    student_id: Fixed<string>
    /** Tells the people of one slate apart: `student:2` is the second. */
    hand: Fixed<number>
    part: number | null
    from_at: SetOnce
    until_at: ColumnType<Date | null, never, Date | null>
    /** When this member said to be done. */
    done_at: ColumnType<Date | null, never, Date | null>
  }
  /** Teachers who help with a class that isn't theirs. */
  assistants: { class_id: Fixed<string>; teacher_id: Fixed<string>; hand: Fixed<number> }
  moves: {
    slate_id: Fixed<string>
    number: Fixed<number>
    id: Fixed<string>
    move: FixedJson<Move>
    /** Null for a move that takes another back. */
    inverse: ColumnType<Move | null, string | null, never>
    undoes: Fixed<string | null>
    by: Fixed<Author>
    at: SetOnce
  }
  snapshots: { slate_id: Fixed<string>; number: Fixed<number>; state: Json<SlateState>; edition_hash: string }
  /** Where in a slate's history another edition was laid under it. */
  edition_changes: {
    slate_id: Fixed<string>
    turn: Fixed<number>
    number: Fixed<number>
    from_hash: Fixed<string>
    to_hash: Fixed<string>
    at: SetOnce
  }
  /** What was asked with a key of its own is done once, however often it is asked. */
  answered_requests: {
    teacher_id: Fixed<string>
    key: Fixed<string>
    answer: ColumnType<unknown, string | null, string>
    at: SetOnce
  }
  margins: {
    id: Generated<string>
    slate_id: Fixed<string>
    teacher_id: Fixed<string>
    item: FixedJson<MarginItem>
    at: SetOnce
    removed_at: Timestamp | null
    /** Seen by those who work, before it is handed back. */
    shown: ColumnType<boolean, boolean | undefined, never>
  }
  /** What a teacher said in a word to who is at work. */
  nudges: {
    id: Generated<string>
    slate_id: Fixed<string>
    handout_id: Fixed<string>
    teacher_id: Fixed<string | null>
    words: Fixed<string>
    at: SetOnce
    seen_at: ColumnType<Date | null, never, Date | null>
  }
  /** What a teacher has said before, to be said again; each as often as it was used. */
  sentences: {
    teacher_id: Fixed<string>
    words: Fixed<string>
    used: Generated<number>
    used_at: ColumnType<Date, Date | undefined, Date>
  }
  /** What a sentence was said about: a piece or a place, by its id. */
  sentence_items: { teacher_id: Fixed<string>; words: Fixed<string>; about: Fixed<string>; used: Generated<number> }
  /** What is said beside a slate; `about` is an item of its margin. */
  talk: {
    id: Fixed<string>
    slate_id: Fixed<string>
    number: ColumnType<number, never, never>
    by: Fixed<Author>
    words: Fixed<string>
    about: Fixed<string | null>
    at: SetOnce
    hidden_at: ColumnType<Date | null, never, Date | null>
  }
  /** Pictures that students put on slates; `approved_at` where the handout's rules ask for it. */
  slate_pictures: {
    slate_id: Fixed<string>
    id: Fixed<string>
    by: Fixed<Author>
    file_hash: Fixed<string>
    at: SetOnce
    approved_at: ColumnType<Date | null, never, Date | null>
  }
  /** A slate as it was when a new try began, with the review that it had. */
  tries: {
    slate_id: Fixed<string>
    turn: Fixed<number>
    number: Fixed<number>
    edition_hash: Fixed<string>
    state: FixedJson<SlateState>
    review: ColumnType<TriedReview | null, string | null, never>
    ended_at: SetOnce
  }
  /** What the keys say of slates at their numbers. */
  outcomes: {
    slate_id: Fixed<string>
    number: Fixed<number>
    edition_hash: Fixed<string>
    turn: Fixed<number>
    marker: Fixed<number>
    keys: FixedJson<KeyMark[]>
    lies: FixedJson<Lies>
    at: SetOnce
  }
  reviews: {
    slate_id: Fixed<string>
    teacher_id: Fixed<string>
    decisions: Json<Decisions>
    comment: string
    updated_at: Timestamp
    points: ColumnType<string | null, number | null | undefined, number | null>
    levels: ColumnType<Levels, string | undefined, string>
    alone: ColumnType<Review['alone'], string | undefined, string>
    /** What the keys said when it was saved: at which number and turn, by which marker. */
    number: ColumnType<number | null, number | null | undefined, number | null>
    turn: ColumnType<number | null, number | null | undefined, number | null>
    marker: ColumnType<number | null, number | null | undefined, number | null>
  }
  /** What goes back at a time; `slates` null for all that are handed in then. */
  hand_backs: {
    handout_id: Fixed<string>
    at: Timestamp
    again: boolean
    words: string
    slates: ColumnType<string[] | null, string | null, string | null>
    /** When not all of them could go back; it is tried again. */
    failed_at: Timestamp | null
  }
  /** Files that take a while to pack; `of` parts are in it, `done` are packed. */
  parcels: {
    id: Generated<string>
    kind: ColumnType<ParcelKind, ParcelKind | undefined, never>
    teacher_id: Fixed<string>
    /** Of slates alone, with how they are laid on paper. */
    handout_id: Fixed<string | null>
    order: ColumnType<SlatesOrder | null, string | null | undefined, never>
    /** Of a class's year alone. */
    class_id: ColumnType<string | null, string | null | undefined, never>
    title: Fixed<string>
    status: ColumnType<ParcelStatus, ParcelStatus | undefined, ParcelStatus>
    done: ColumnType<number, number | undefined, number>
    of: ColumnType<number, number | undefined, number>
    sheets: ColumnType<number | null, number | null | undefined, number | null>
    asked_at: SetOnce
  }
  /** What of a parcel that came is kept by now; `name` is its file. */
  parcel_things: {
    parcel_id: Fixed<string>
    kind: Fixed<ThingKind>
    name: Fixed<string>
    /** Its id here; null where it couldn't be read, and for what has none. */
    kept_as: string | null
    /** All that is in it is kept, too. */
    whole: boolean
    slates: ColumnType<number, number | undefined, number>
    unread: ColumnType<number, number | undefined, number>
  }
  parcel_pieces: { parcel_id: Fixed<string>; number: Fixed<number>; bytes: Fixed<Buffer> }
  rate_limits: { key: string; points: Generated<number>; expire: number | null }
}

export type Row<Table extends keyof Database> = Selectable<Database[Table]>
