/** Students, by number in a list, who are to be in one group, or no two of whom are to be in one. */
export interface Wish {
  readonly kind: 'together' | 'apart'
  readonly students: readonly number[]
}

/** What the wishes come to: who forms a block, and which blocks may not meet. */
export interface Settled {
  /** For each student the block they belong to; who is in no wish is a block alone. */
  readonly blockOf: readonly number[]
  readonly blocks: readonly (readonly number[])[]
  /** For each block those that it may not meet. */
  readonly apart: readonly ReadonlySet<number>[]
  /** Wishes to be apart whose students other wishes put together: these can never be kept. */
  readonly crossed: readonly Wish[]
}

export function settle(students: number, wishes: readonly Wish[]): Settled {
  const parent = Array.from({ length: students }, (_, i) => i)
  const root = (i: number): number => (parent[i] === i ? i : (parent[i] = root(parent[i]!)))
  for (const wish of wishes) {
    if (wish.kind === 'together') wish.students.forEach(s => (parent[root(s)] = root(wish.students[0]!)))
  }
  const number = new Map<number, number>()
  const blocks: number[][] = []
  const blockOf = parent.map((_, student) => {
    const key = root(student)
    const known = number.get(key)
    if (known !== undefined) {
      blocks[known]!.push(student)
      return known
    }
    number.set(key, blocks.length)
    return blocks.push([student]) - 1
  })
  const apart = blocks.map(() => new Set<number>())
  const crossed: Wish[] = []
  for (const wish of wishes) {
    if (wish.kind !== 'apart') continue
    const among = wish.students.map(s => blockOf[s]!)
    if (new Set(among).size < new Set(wish.students).size) crossed.push(wish)
    for (const a of among) for (const b of among) if (a !== b) apart[a]!.add(b)
  }
  return { blockOf, blocks, apart, crossed }
}

/** A grouping is a list of groups, each a list of students. Which of the wishes it doesn't keep. */
export function notKept(groups: readonly (readonly number[])[], wishes: readonly Wish[]): Wish[] {
  const groupOf = new Map(groups.flatMap((group, g) => group.map(student => [student, g] as const)))
  return wishes.filter(({ kind, students }) => {
    const among = students.map(s => groupOf.get(s))
    return kind === 'together' ? new Set(among).size > 1 : new Set(among).size < new Set(students).size
  })
}
