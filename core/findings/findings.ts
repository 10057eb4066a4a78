import type { Board } from '../board/board'
import type { PieceId } from '../board/ids'
import { keyName } from '../keys/context'
import type { Lies } from '../keys/outcomes'
import type { SlateStatus } from '../slate/status'
import { adjustedRand, fleissKappa } from './agreement'
import { changeOf, type Change } from './change'
import { quantile } from './counts'
import { namesOfGroup, type GroupName } from './groupNames'
import { homesOf, wrongTogether, type Homes, type WrongPair } from './homes'
import { itemFindings, type ItemFinding } from './items'
import { ordersOf, type MadeOrder, type OrderFinding } from './orders'
import { paceOf, type FirstPut, type Pace } from './pace'
import { reliabilityOf, type Reliability } from './reliability'
import { totalsOf, type Scores } from './scores'
import { clustersOf, groupsAt, leavesOf, togetherness, type Joined } from './sorts'
import { mean } from './statistics'
import { wrongHomes, type WrongHome } from './wrongHomes'

/** What is known of one slate on which something was done. */
export interface FoundSlate {
  readonly slate: string
  readonly name: string
  /** Its group's mark, for a frame. */
  readonly group: string | null
  readonly status: SlateStatus
}
/** What findings are worked out from. `lies` and `headings` are the slates', in their order. */
export interface FindingsData {
  readonly board: Board
  readonly slates: readonly FoundSlate[]
  readonly scores: Scores
  readonly lies: readonly Lies[]
  /** What students called places, of boards on which they do. */
  readonly headings: readonly Readonly<Record<string, string>>[]
  readonly orders: readonly (MadeOrder & { readonly slate: string })[]
  readonly before: Scores | null
  readonly puts: readonly FirstPut[]
}

/** What an open sort shows. */
export interface SortsFinding {
  /** As they stand in the tree. */
  readonly pieces: readonly string[]
  readonly together: readonly (readonly (number | null)[])[]
  readonly tree: Joined | null
  readonly groups: readonly { readonly pieces: readonly string[]; readonly names: readonly GroupName[] }[]
  /** How far two students' sorts agree, on the average of all pairs who laid all of it; null for fewer than two. */
  readonly agreement: number | null
  readonly complete: number
}
export interface Findings {
  /** The slates that it is from. */
  readonly slates: readonly FoundSlate[]
  readonly scores: Scores
  /** Points of each slate, sorted, with their quartiles; null where nothing gives points. */
  readonly whole: {
    readonly of: number
    readonly totals: readonly number[]
    readonly quartiles: readonly [number, number, number]
    readonly reliability: Reliability
  } | null
  readonly homes: Homes | null
  readonly wrongHomes: readonly WrongHome[]
  /** Of those who placed every piece. */
  readonly agreed: { readonly kappa: number | null; readonly complete: number }
  readonly items: readonly ItemFinding[]
  readonly wrongPairs: readonly WrongPair[]
  readonly orders: readonly OrderFinding[]
  readonly change: Change | null
  readonly sorts: SortsFinding | null
  readonly pace: readonly Pace[]
}

/** Pieces that more than half of the sorts put together make a group. */
const GROUPED_AT = 0.5
/** Pairs of students of which it is worked out how far they agree: what more would say is known from these. */
const MOST_PAIRS = 5000

/** The data of the slates that are in one of these states alone. */
export function ofStatuses(data: FindingsData, statuses: ReadonlySet<SlateStatus>): FindingsData {
  const kept = data.slates.flatMap((one, i) => (statuses.has(one.status) ? [i] : []))
  const names = new Set(kept.map(i => data.slates[i]!.slate))
  const of = <T>(rows: readonly T[]) => kept.map(i => rows[i]!)
  return {
    ...data,
    slates: of(data.slates),
    lies: of(data.lies),
    headings: of(data.headings),
    scores: scoresOfSome(data.scores, names),
    before: data.before && scoresOfSome(data.before, names),
    orders: data.orders.filter(one => names.has(one.slate)),
    puts: data.puts.filter(one => names.has(one.slate)),
  }
}

function scoresOfSome(scores: Scores, slates: ReadonlySet<string>): Scores {
  const rows = scores.slates.flatMap((slate, i) => (slates.has(slate) ? [i] : []))
  return {
    items: scores.items,
    slates: rows.map(i => scores.slates[i]!),
    points: rows.map(i => scores.points[i]!),
    verdicts: rows.map(i => scores.verdicts[i]!),
  }
}

/**
 * All that a handout tells of how its students think, worked out part by part: each step gives the share that is done,
 * from 0 to 1, so that whoever waits can be told; the last gives the whole.
 */
export function* findingsFrom(data: FindingsData): Generator<number, Findings> {
  const { board, slates, scores, lies } = data
  const laid = new Set(lies.flatMap(one => Object.keys(one)).map(piece => keyName(piece as PieceId) as string))
  const held = new Set(lies.flatMap(one => Object.values(one)))
  const pieces = board.pages
    .flatMap(page => page.pieces.map(piece => piece.id as string))
    .filter(piece => laid.has(piece))
  const places = board.pages
    .flatMap(page => page.places.map(place => place.id as string))
    .filter(place => held.has(place))
  const whole = wholeOf(scores)
  yield 0.1
  const homes = pieces.length && places.length ? homesOf(lies, pieces, places) : null
  // Of a bin everybody takes as many copies as they like: that is no one place of a piece.
  const single = pieces.filter(piece => lies.some(one => piece in one))
  const complete = single.length ? lies.filter(one => single.every(piece => piece in one)) : []
  const agreed = { kappa: fleissKappa(homesOf(complete, single, places).counts), complete: complete.length }
  yield 0.25
  const wrong = wrongHomes(scores, lies)
  yield 0.35
  const items = itemFindings(scores)
  yield 0.55
  const wrongPairs = wrongTogether(scores)
  yield 0.65
  const change = data.before ? changeOf(data.before, scores) : null
  yield 0.75
  const sorts = board.keys.some(key => key.kind === 'sort') ? null : sortsOf(data, pieces)
  yield 0.9
  return {
    slates,
    scores,
    whole,
    homes,
    wrongHomes: wrong,
    agreed,
    items,
    wrongPairs,
    orders: ordersOf(data.orders),
    change: change?.slates ? change : null,
    sorts,
    pace: paceOf(data.puts, pieces),
  }
}

function wholeOf(scores: Scores): Findings['whole'] {
  const of = scores.items.reduce((sum, item) => sum + item.of, 0)
  if (!of || scores.slates.length === 0) return null
  const totals = totalsOf(scores).toSorted((a, b) => a - b)
  const quartiles = [quantile(totals, 0.25), quantile(totals, 0.5), quantile(totals, 0.75)] as const
  return { of, totals, quartiles, reliability: reliabilityOf(scores) }
}

/** Of pieces that at least two have laid into a place; null for fewer than three of them. */
function sortsOf({ lies, headings }: FindingsData, all: readonly string[]): SortsFinding | null {
  const pieces = all.filter(piece => lies.filter(one => one[piece]).length > 1)
  if (pieces.length < 3) return null
  const together = togetherness(lies, pieces)
  const tree = clustersOf(together, pieces)
  const order = leavesOf(tree)
  const at = order.map(piece => pieces.indexOf(piece))
  const complete = lies.filter(one => pieces.every(piece => one[piece]))
  return {
    pieces: order,
    together: at.map(i => at.map(j => together[i]![j]!)),
    tree,
    groups: groupsAt(tree, GROUPED_AT).map(group => ({ pieces: group, names: namesOfGroup(group, lies, headings) })),
    agreement: meanAgreement(complete.map(one => pieces.map(piece => one[piece]!))),
    complete: complete.length,
  }
}

/** Of more pairs than are looked at, those that stand evenly among them. */
function meanAgreement(sorts: readonly (readonly string[])[]): number | null {
  const pairs = (sorts.length * (sorts.length - 1)) / 2
  const every = Math.max(1, Math.ceil(pairs / MOST_PAIRS))
  const found: number[] = []
  let n = 0
  for (const [i, one] of sorts.entries())
    for (const other of sorts.slice(i + 1)) {
      const value = n++ % every === 0 ? adjustedRand(one, other) : null
      if (value !== null) found.push(value)
    }
  return mean(found)
}

/** The whole at once. */
export function allFindings(data: FindingsData): Findings {
  const steps = findingsFrom(data)
  for (;;) {
    const step = steps.next()
    if (step.done) return step.value
  }
}
