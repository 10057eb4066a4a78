import { shuffled, type Random } from '../layout/random'
import { contradiction, fit } from './fit'
import { Meetings, type Grouping } from './partners'
import { notKept, settle, type Wish } from './wishes'

/** *mixed*: each level is spread over the groups as evenly as can be. *alike*: those of one level come together. */
export const LIKENESSES = ['any', 'mixed', 'alike'] as const
export type Likeness = (typeof LIKENESSES)[number]

export interface GroupTask {
  readonly students: number
  /** How large each group is; they add up to the students. */
  readonly sizes: readonly number[]
  readonly wishes: readonly Wish[]
  /** For each student the level, by its place in the teacher's order of levels; null for one without. */
  readonly levels: readonly (number | null)[]
  readonly likeness: Likeness
  /** Earlier groupings, whose pairs should meet as little as can be. */
  readonly past: readonly Grouping[]
  readonly random: Random
}

export interface Grouped {
  readonly groups: readonly (readonly number[])[]
  /** Wishes that this grouping doesn't keep. */
  readonly notKept: readonly Wish[]
  /** The fewest wishes that contradict each other; empty when they don't, or when that isn't known. */
  readonly contradiction: readonly Wish[]
  /** Pairs that have met before. */
  readonly repeated: number
}

const A_WISH = 10_000
const A_REPEAT = 10
const A_LEVEL = 4
const HOTTEST = 30
const COLDEST = 0.2

/**
 * Looks for groups that keep all wishes, then mix or match levels and bring new partners together: simulated annealing
 * (Kirkpatrick, Gelatt and Vecchi, Science 220, 1983) from a grouping that keeps what can be kept. It runs in
 * pieces, so that whoever waits sees how far it is and can stop it; the best so far is always whole. The same random
 * numbers give the same groups.
 */
export class GroupSearch {
  private readonly pair: Float64Array
  private readonly groups: number[][]
  private readonly groupOf: number[]
  private readonly blockOf: readonly number[]
  private readonly blocks: readonly (readonly number[])[]
  private readonly meetings: Meetings
  private readonly contradicting: readonly Wish[]
  private readonly steps: number
  private cost: number
  private bestCost: number
  private bestGroups: number[][]
  private done = 0

  constructor(private readonly task: GroupTask) {
    const { students, sizes, wishes, past } = task
    const settled = settle(students, wishes)
    this.blockOf = settled.blockOf
    this.blocks = settled.blocks
    this.meetings = new Meetings(students, past)
    const start = startOf(task)
    this.contradicting = start.contradiction
    this.groups = start.groups
    this.groupOf = new Array<number>(students)
    this.groups.forEach((group, g) => group.forEach(student => (this.groupOf[student] = g)))
    this.pair = pairCosts(task, this.meetings)
    this.cost = this.groups.reduce((sum, _, g) => sum + this.costOf(g), 0)
    this.bestCost = this.cost
    this.bestGroups = this.groups.map(group => [...group])
    this.steps = sizes.length > 1 ? 60_000 + 6000 * students : 0
  }

  /** From 0 to 1. */
  get progress(): number {
    return this.steps === 0 ? 1 : this.done / this.steps
  }

  get best(): Grouped {
    const groups = this.bestGroups.map(group => group.toSorted((a, b) => a - b))
    const repeated = groups.reduce(
      (sum, group) =>
        sum + group.reduce((n, a) => n + group.filter(b => b < a && this.meetings.of(a, b) > 0).length, 0),
      0,
    )
    return { groups, notKept: notKept(groups, this.task.wishes), contradiction: this.contradicting, repeated }
  }

  /** So many steps further, or to the end. */
  run(steps: number): void {
    const until = Math.min(this.steps, this.done + steps)
    for (; this.done < until; this.done++) this.step(HOTTEST * (COLDEST / HOTTEST) ** (this.done / this.steps))
  }

  /** Two students change places; or a block that is to stay together, and as many others. */
  private step(heat: number): void {
    const { random, students } = this.task
    const student = Math.floor(random() * students)
    const from = this.groupOf[student]!
    const to = Math.floor(random() * this.groups.length)
    if (from === to) return
    const moving = this.blocks[this.blockOf[student]!]!.filter(other => this.groupOf[other] === from)
    const coming = this.partners(to, moving.length)
    if (!coming) return
    const before = this.costOf(from) + this.costOf(to)
    this.exchange(moving, coming, from, to)
    const change = this.costOf(from) + this.costOf(to) - before
    if (change > 0 && random() >= Math.exp(-change / heat)) return this.exchange(coming, moving, from, to)
    this.cost += change
    if (this.cost < this.bestCost - 1e-9) {
      this.bestCost = this.cost
      this.bestGroups = this.groups.map(group => [...group])
    }
  }

  /** So many students of a group who may leave it without tearing apart what belongs together. */
  private partners(group: number, count: number): readonly number[] | null {
    const { random } = this.task
    const members = this.groups[group]!
    const first = members[Math.floor(random() * members.length)]!
    const block = this.blocks[this.blockOf[first]!]!
    if (block.length > 1)
      return block.length === count && block.every(other => this.groupOf[other] === group) ? block : null
    if (count === 1) return [first]
    const free = members.filter(member => this.blocks[this.blockOf[member]!]!.length === 1)
    return free.length < count ? null : shuffled(free, random).slice(0, count)
  }

  private exchange(leaving: readonly number[], coming: readonly number[], from: number, to: number): void {
    this.groups[from] = [...this.groups[from]!.filter(s => !leaving.includes(s)), ...coming]
    this.groups[to] = [...this.groups[to]!.filter(s => !coming.includes(s)), ...leaving]
    for (const student of leaving) this.groupOf[student] = to
    for (const student of coming) this.groupOf[student] = from
  }

  private costOf(g: number): number {
    const group = this.groups[g]!
    const { students } = this.task
    let sum = 0
    for (let i = 1; i < group.length; i++)
      for (let j = 0; j < i; j++) sum += this.pair[group[i]! * students + group[j]!]!
    return sum + A_LEVEL * unlike(group, this.task)
  }
}

function pairCosts({ students, wishes }: GroupTask, meetings: Meetings): Float64Array {
  const pair = new Float64Array(students * students)
  for (let a = 0; a < students; a++)
    for (let b = 0; b < students; b++) pair[a * students + b] = A_REPEAT * meetings.of(a, b) ** 2
  for (const { kind, students: among } of wishes) {
    for (const a of among)
      for (const b of among) if (a !== b) pair[a * students + b]! += kind === 'apart' ? A_WISH : -A_WISH
  }
  return pair
}

/**
 * How far a group is from what is asked of its levels. Summed squares of counts are least when each level is spread
 * evenly.
 */
function unlike(group: readonly number[], { levels, likeness }: GroupTask): number {
  if (likeness === 'any') return 0
  if (likeness === 'mixed') {
    const counts = new Map<number | null, number>()
    for (const student of group) counts.set(levels[student] ?? null, (counts.get(levels[student] ?? null) ?? 0) + 1)
    return [...counts.values()].reduce((sum, count) => sum + count * count, 0)
  }
  const known = group.flatMap(student => levels[student] ?? [])
  const mean = known.reduce((sum, level) => sum + level, 0) / known.length
  return known.reduce((sum, level) => sum + (level - mean) ** 2, 0)
}

/**
 * Groups that keep every wish; where that can't be, those that contradict each other are left out of account one after
 * the other.
 */
function startOf({ students, sizes, wishes, random }: GroupTask): {
  groups: number[][]
  contradiction: readonly Wish[]
} {
  const order = shuffled(
    Array.from({ length: students }, (_, i) => i),
    random,
  )
  const place = order.map((_, i) => order.indexOf(i))
  const turned = wishes.map((wish): Wish => ({ ...wish, students: wish.students.map(s => place[s]!) }))
  const back = (some: readonly Wish[]) => some.map(wish => wishes[turned.indexOf(wish)]!)
  const first = contradiction(students, sizes, turned)
  let kept = turned
  for (;;) {
    const found = fit(students, sizes, kept)
    if (found.kind === 'fits')
      return { groups: found.groups.map(group => group.map(i => order[i]!)), contradiction: back(first) }
    const [dropped = kept.at(-1)!] = contradiction(students, sizes, kept)
    kept = kept.filter(wish => wish !== dropped)
  }
}
