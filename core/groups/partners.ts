/** Groups, each a list of students by number in a list. */
export type Grouping = readonly (readonly number[])[]

/** For each pair of students, how often they were in one group. */
export class Meetings {
  private readonly counts: Uint16Array
  constructor(
    private readonly students: number,
    past: readonly Grouping[] = [],
  ) {
    this.counts = new Uint16Array(students * students)
    for (const grouping of past) this.add(grouping)
  }

  add(grouping: Grouping): void {
    for (const group of grouping) {
      for (const a of group) for (const b of group) if (a !== b) this.counts[a * this.students + b]!++
    }
  }

  of(a: number, b: number): number {
    return this.counts[a * this.students + b]!
  }
}

/** How many times a pair met again: a pair that met three times counts two. */
export function repeats(students: number, groupings: readonly Grouping[]): number {
  const meetings = new Meetings(students, groupings)
  let sum = 0
  for (let a = 0; a < students; a++) for (let b = 0; b < a; b++) sum += Math.max(0, meetings.of(a, b) - 1)
  return sum
}

/**
 * Fewer repeats than this there can't be: who meets more partners than there are meets some again. From each student's
 * count alone, so the true least may be higher.
 */
export function fewestRepeats(students: number, groupings: readonly Grouping[]): number {
  const met = new Array<number>(students).fill(0)
  for (const grouping of groupings)
    for (const group of grouping) for (const student of group) met[student]! += group.length - 1
  return Math.ceil(met.reduce((sum, partners) => sum + Math.max(0, partners - (students - 1)), 0) / 2)
}
