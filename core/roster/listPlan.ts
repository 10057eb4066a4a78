import type { ListedStudent } from './classList'
import { MOST_STUDENTS } from './classList'
import { foldName } from './names'

/** A student as a class has them now, or had: `left` is no longer on its list. */
export interface KnownStudent extends ListedStudent {
  readonly id: string
  readonly left: boolean
}

/** What becomes of students who aren't on the list: they stay as they are, or leave the class with their work kept. */
export const MISSING = ['stay', 'leave'] as const
export type Missing = (typeof MISSING)[number]

export interface ListChange {
  readonly id: string
  readonly from: KnownStudent
  readonly to: ListedStudent
}
/** Exactly what taking a list over does. Everybody in the class and on the list is in one of these once. */
export interface ListPlan {
  readonly added: readonly ListedStudent[]
  readonly changed: readonly ListChange[]
  /** They had left, and come back to their own work. */
  readonly back: readonly ListChange[]
  readonly same: readonly KnownStudent[]
  readonly leaving: readonly KnownStudent[]
  /**
   * Names or record numbers that two students would have, one of them known before; and more students than a class can
   * have.
   */
  readonly clashes: readonly { readonly student: ListedStudent; readonly with: string }[]
  readonly tooMany: boolean
}

/** How many of each: what a person has agreed to, so that nothing else is done when the class has changed meanwhile. */
export const planCounts = ({ added, changed, back, leaving }: ListPlan) =>
  [added.length, changed.length, back.length, leaving.length] as const

/**
 * Holds a list against a class. Who has the record number of a student is that student, whatever the name says now;
 * else who has the name (without regard to case) is, unless both have record numbers that differ. Taken over again, a
 * list changes nothing: what it doesn't say of a student (a level, say) is kept as it was.
 */
export function planList(known: readonly KnownStudent[], listed: readonly ListedStudent[], missing: Missing): ListPlan {
  const byRecord = new Map(
    known.flatMap(student => (student.record === undefined ? [] : [[student.record, student] as const])),
  )
  const byName = new Map(known.map(student => [foldName(student.name), student]))
  const met = new Map<string, ListedStudent>()
  const clashes: { student: ListedStudent; with: string }[] = []
  const added: ListedStudent[] = []
  const [changed, back, same]: [ListChange[], ListChange[], KnownStudent[]] = [[], [], []]
  // Records first, so that nobody else takes their place by name.
  const matches = new Map(
    listed.flatMap(student => {
      const match = student.record === undefined ? undefined : byRecord.get(student.record)
      return match ? [[student, match] as const] : []
    }),
  )
  const taken = new Set([...matches.values()].map(match => match.id))
  for (const student of listed) {
    const named = byName.get(foldName(student.name))
    const fits =
      named
      && !taken.has(named.id)
      && (named.record === undefined || student.record === undefined || named.record === student.record)
    const match = matches.get(student) ?? (fits ? named : undefined)
    if (!match) {
      added.push(student)
      continue
    }
    taken.add(match.id)
    const to = merged(match, student)
    met.set(match.id, to)
    if (match.left) back.push({ id: match.id, from: match, to })
    else if (differs(match, to)) changed.push({ id: match.id, from: match, to })
    else same.push(match)
  }
  const unmet = known.filter(student => !met.has(student.id))
  const leaving = missing === 'leave' ? unmet.filter(student => !student.left) : []
  // Those who have left keep their names too: their work is found by them.
  const holders = new Map(
    [...unmet, ...[...met].map(([id, to]) => ({ ...to, id }))].map(student => [foldName(student.name), student]),
  )
  for (const student of added) {
    const holder = holders.get(foldName(student.name))
    if (holder) clashes.push({ student, with: holder.name })
  }
  const after = [...met.values(), ...unmet]
  const names = new Set<string>()
  for (const student of after) {
    if (names.has(foldName(student.name))) clashes.push({ student, with: student.name })
    names.add(foldName(student.name))
  }
  const staying = met.size + added.length + (missing === 'stay' ? unmet.filter(student => !student.left).length : 0)
  return { added, changed, back, same, leaving, clashes, tooMany: staying > MOST_STUDENTS }
}

function merged(known: KnownStudent, { name, preferred, level, record }: ListedStudent): ListedStudent {
  const kept = { preferred: preferred ?? known.preferred, level: level ?? known.level, record: record ?? known.record }
  return { name, ...Object.fromEntries(Object.entries(kept).filter(([, value]) => value !== undefined)) }
}

const differs = (a: ListedStudent, b: ListedStudent) =>
  a.name !== b.name || a.preferred !== b.preferred || a.level !== b.level || a.record !== b.record
