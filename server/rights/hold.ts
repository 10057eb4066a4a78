import { sql, type Kysely } from 'kysely'
import * as v from 'valibot'
import { MOST_PARTS } from '../../core/board/whatPlacesTake'
import { sparesOthers } from '../../core/handout/noRules'
import { RulesSchema } from '../../core/handout/rules'
import { isStudent, type Actor as SlateActor, type Author } from '../../core/slate/actor'
import type { Looking } from '../../core/handout/settings'
import { isOfSeveral, type SlateKind } from '../../core/slate/kind'
import type { SlateStatus } from '../../core/slate/status'
import type { Database } from '../database/tables'
import type { Actor } from './actor'
import { may, moveOn, type Role } from '../../core/rights/rights'

/** What somebody's hand is on a slate, as it was when the slate had this epoch; with another it is asked anew. */
export interface Hold {
  readonly actor: SlateActor
  readonly epoch: number
}

export interface WhoOnSlate {
  readonly role: Role
  readonly handout?: string
  readonly classId?: string
  readonly kind?: SlateKind
  readonly hold: Hold | null
}

interface Row {
  handout_id: string
  class_id: string
  kind: SlateKind
  epoch: number
  owner: string
  assistant: number | null
  hand: number | null
  part: number | null
  looking: Looking
  rules: unknown
  /** The parts of those who are on it. */
  held: number[] | null
  /** The slate that the asker has of their own in this handout. */
  own: { kind: SlateKind; status: SlateStatus } | null
}

/** What somebody is to a slate now, and whose hand theirs is there. What isn't there looks like what isn't theirs. */
export async function whoOnSlate(db: Kysely<Database>, actor: Actor | null, slate: string): Promise<WhoOnSlate> {
  if (!actor) return { role: 'nobody', hold: null }
  const {
    rows: [row],
  } = await sql<Row>`
    select s.handout_id, s.class_id, s.kind, s.epoch, c.teacher_id as owner, a.hand as assistant, m.hand, m.part, h.looking, h.rules,
      (select array_agg(distinct p.part order by p.part) from slate_members p
        where p.slate_id = s.id and p.until_at is null and p.part is not null) as held,
      (select json_build_object('kind', o.kind, 'status', own.status) from slate_members o join slates own on own.id = o.slate_id
        where o.handout_id = s.handout_id and o.student_id = ${actor.id} and o.until_at is null and o.kind <> 'class') as own
    from slates s join handouts h on h.id = s.handout_id join classes c on c.id = s.class_id
    left join slate_members m on m.slate_id = s.id and m.student_id = ${actor.id} and m.until_at is null
    left join assistants a on a.class_id = s.class_id and a.teacher_id = ${actor.id}
    where s.id = ${slate}`.execute(db)
  if (!row) return { role: 'outsider', hold: null }
  const role = roleFrom(row, actor)
  const author = authorFrom(row, actor)
  const common = { role, handout: row.handout_id, classId: row.class_id, kind: row.kind }
  return { ...common, hold: author && { actor: handOf(author, row), epoch: row.epoch } }
}

const EVERY_PART = Array.from({ length: MOST_PARTS }, (_, i) => i + 1)

/** On a frame with parts whoever has none of their own has only what is everyone's, and what is nobody's. */
function handOf(author: Author, { part, kind, rules, held }: Row): SlateActor {
  const several = isOfSeveral(kind) && isStudent(author)
  const { changeOthers, keepParts } = v.parse(RulesSchema, rules)
  const sparing = several && sparesOthers(changeOthers, kind)
  const parted = isStudent(author) && held !== null
  return {
    author,
    part: part ?? (parted ? 'none' : 'all'),
    ...(parted && { held: keepParts ? EVERY_PART : held }),
    ...(several && { several }),
    ...(sparing && { sparing }),
  }
}

function roleFrom(row: Row, actor: Actor): Role {
  if (actor.kind === 'teacher')
    return row.owner === actor.id ? 'owner' : row.assistant !== null ? 'assistant' : 'outsider'
  if (row.hand !== null) return row.kind === 'copy' || row.kind === 'page' ? 'holder' : 'frame-member'
  if (actor.classId !== row.class_id) return 'outsider'
  if (mayLook(row)) return 'looker'
  return row.own?.kind === 'frame' ? 'other-frame' : 'class-member'
}

/** Copies are never looked at; what is made to be shown is, where the teacher says so. */
const mayLook = ({ kind, looking, own }: Row) => (kind === 'frame' || kind === 'page') && looksNow(looking, own?.status)
export const looksNow = (looking: Looking, own: SlateStatus | undefined) =>
  looking === 'always' || (looking === 'after-hand-in' && (own === 'handed-in' || own === 'handed-back'))

function authorFrom(row: Row, actor: Actor): Author | null {
  if (actor.kind === 'student') return row.hand === null ? null : `student:${row.hand}`
  if (row.owner === actor.id) return 'teacher:0'
  return row.assistant === null ? null : `assistant:${row.assistant}`
}

/** Null for somebody who may not move anything there. */
export async function holdToMove(db: Kysely<Database>, actor: Actor, slate: string): Promise<Hold | null> {
  const { role, kind, hold } = await whoOnSlate(db, actor, slate)
  return kind && may(role, moveOn(kind)) ? hold : null
}
