import type { PieceId } from '../board/ids'
import type { Verdict } from '../keys/outcome'
import { canMove } from '../slate/status'
import { quantile, quietOnes, upperFence, type Going } from './quiet'
import { ON_LEDGE, OUTSIDE, type Trail, type TrailStep } from './trail'

/** A slate as far as it tells whether its student needs the teacher. Times are milliseconds of one clock. */
export interface Watched extends Going {
  /** Since when help is asked for; null while it isn't. */
  readonly handAt: number | null
  /** When a teacher last said to have seen it; what was before no longer calls. */
  readonly seenAt: number | null
  readonly trail: Trail
  /** What the key says of pieces; empty without a key. */
  readonly verdicts: ReadonlyMap<string, Verdict>
  /** How many hints were looked at. */
  readonly hints: number
}

/**
 * Why somebody may need the teacher, with the figures that say so. `usual`: what half of those at work have at most.
 */
export type Need =
  | { readonly kind: 'asks'; readonly minutes: number }
  | { readonly kind: 'quiet'; readonly minutes: number; readonly usual: number }
  /** A piece that came back so many times to where it had been. */
  | { readonly kind: 'circles'; readonly piece: PieceId; readonly times: number; readonly usual: number }
  /** Pieces that lie wrong and were left there while others were moved. */
  | { readonly kind: 'wrong'; readonly wrong: number; readonly usual: number }
  /** So many moves since a piece came into a place for the first time. */
  | { readonly kind: 'stuck'; readonly moves: number; readonly usual: number }
  | { readonly kind: 'hint'; readonly hints: number; readonly usual: number }
export type NeedKind = Need['kind']

/** Who comes first: what students say themselves, then what stops them, then what leads them astray. */
const RANK: { readonly [Kind in NeedKind]: number } = { asks: 0, quiet: 1, circles: 2, wrong: 3, stuck: 4, hint: 5 }

const MINUTE = 60_000
/** Below these nobody stands out, whatever the others do. */
const LEAST = { circles: 3, wrong: 3, stuck: 8, hint: 1 } as const
/** A piece that was among the last so many moved isn't left alone. */
const JUST_MOVED = 3

/**
 * Why each slate may need the teacher, what comes first first; slates without a reason are left out. All but asking is
 * measured by the class: beyond Tukey's upper fence (see `upperFence`) of all who are under way, and no less than what
 * would be odd in any class. So a board that makes everybody move pieces about makes nobody stand out. With fewer than
 * five under way the least alone decides.
 */
export function needsOf(slates: readonly Watched[], now: number): ReadonlyMap<string, readonly Need[]> {
  const quiet = quietOnes(slates, now)
  const atWork = slates.filter(slate => slate.status === 'under-way')
  const figures = new Map(atWork.map(slate => [slate.id, figuresOf(slate)]))
  const classOf = (figure: Figure) =>
    measure(
      figure,
      [...figures.values()].map(of => of[figure].size),
    )
  const measures = {
    circles: classOf('circles'),
    wrong: classOf('wrong'),
    stuck: classOf('stuck'),
    hint: classOf('hint'),
  }
  const entries = slates.flatMap(slate => {
    const needs: Need[] = []
    if (slate.handAt !== null && canMove(slate.status))
      needs.push({ kind: 'asks', minutes: Math.max(0, Math.floor((now - slate.handAt) / MINUTE)) })
    const still = quiet.get(slate.id)
    if (still && !(slate.seenAt !== null && slate.seenAt >= (slate.movedAt ?? 0)))
      needs.push({ kind: 'quiet', ...still })
    const own = figures.get(slate.id)
    if (own) needs.push(...beyond(own, measures))
    return needs.length > 0 ? [[slate.id, needs] as const] : []
  })
  return new Map(entries)
}

/** Below nought where the first needs the teacher more; nought where nothing tells them apart. */
export function byNeed(a: readonly Need[] | undefined, b: readonly Need[] | undefined): number {
  const [first, other] = [a?.[0], b?.[0]]
  if (!first || !other) return Number(!first) - Number(!other)
  return RANK[first.kind] - RANK[other.kind] || sizeOf(other) - sizeOf(first) || b!.length - a!.length
}

function sizeOf(need: Need): number {
  switch (need.kind) {
    case 'asks':
    case 'quiet':
      return need.minutes
    case 'circles':
      return need.times
    case 'wrong':
      return need.wrong
    case 'stuck':
      return need.moves
    case 'hint':
      return need.hints
  }
}

type Figure = keyof typeof LEAST
interface Figures {
  readonly circles: { readonly size: number; readonly piece: PieceId | null }
  readonly wrong: { readonly size: number }
  readonly stuck: { readonly size: number }
  readonly hint: { readonly size: number }
}
interface Measure {
  /** From here on somebody stands out. */
  readonly from: number
  readonly usual: number
}

const FEWEST = 5
function measure(figure: Figure, sizes: readonly number[]): Measure {
  const sorted = sizes.toSorted((a, b) => a - b)
  if (sorted.length < FEWEST)
    return { from: LEAST[figure], usual: sorted.length ? Math.floor(quantile(sorted, 0.5)) : 0 }
  // On the fence nobody is beyond it yet.
  return { from: Math.max(LEAST[figure], Math.floor(upperFence(sorted)) + 1), usual: Math.floor(quantile(sorted, 0.5)) }
}

function beyond({ circles, wrong, stuck, hint }: Figures, of: { readonly [F in Figure]: Measure }): Need[] {
  const needs: Need[] = []
  if (circles.piece !== null && circles.size >= of.circles.from)
    needs.push({ kind: 'circles', piece: circles.piece, times: circles.size, usual: of.circles.usual })
  if (wrong.size >= of.wrong.from) needs.push({ kind: 'wrong', wrong: wrong.size, usual: of.wrong.usual })
  if (stuck.size >= of.stuck.from) needs.push({ kind: 'stuck', moves: stuck.size, usual: of.stuck.usual })
  if (hint.size >= of.hint.from) needs.push({ kind: 'hint', hints: hint.size, usual: of.hint.usual })
  return needs
}

/** What was seen by the teacher is no figure any more: only what was done since then counts. */
function figuresOf({ trail, seenAt, verdicts, hints, placed, of }: Watched): Figures {
  const since = seenAt ?? Number.NEGATIVE_INFINITY
  const steps = trail.steps.filter(step => step.at > since)
  return {
    circles: mostReturns(steps),
    wrong: { size: leftWrong(steps, verdicts, seenAt === null) },
    stuck: { size: placed < of ? sinceFurther(trail.steps, since) : 0 },
    hint: { size: trail.hintAt !== null && trail.hintAt <= since ? 0 : hints },
  }
}

/** The piece that came back most often to a spot where it had been before; of several the one that moved last. */
function mostReturns(steps: readonly TrailStep[]): Figures['circles'] {
  const seen = new Map<PieceId, { spots: Set<string>; last: string; returns: number }>()
  let most: Figures['circles'] = { size: 0, piece: null }
  for (const { piece, where } of steps) {
    const known = seen.get(piece)
    if (!known) {
      seen.set(piece, { spots: new Set([where]), last: where, returns: 0 })
      continue
    }
    if (known.last === where) continue
    known.last = where
    if (known.spots.has(where)) known.returns++
    known.spots.add(where)
    if (known.returns >= Math.max(1, most.size)) most = { size: known.returns, piece }
  }
  return most
}

/** `all`: also pieces that the trail doesn't reach back to. */
function leftWrong(steps: readonly TrailStep[], verdicts: ReadonlyMap<string, Verdict>, all: boolean): number {
  const moved = new Set(steps.map(step => step.piece as string))
  const order = [...new Set(steps.map(step => step.piece as string).toReversed())]
  const just = new Set(order.slice(0, JUST_MOVED))
  const left = [...verdicts].filter(
    ([piece, verdict]) => verdict === 'wrong' && !just.has(piece) && (all || moved.has(piece)),
  )
  return left.length
}

/** Steps since a piece came into a place for the first time, as far as is known; those before `since` don't count. */
function sinceFurther(steps: readonly TrailStep[], since: number): number {
  const housed = new Set<PieceId>()
  let count = 0
  for (const { piece, where, at } of steps) {
    const further = where !== ON_LEDGE && where !== OUTSIDE && !housed.has(piece)
    if (further) housed.add(piece)
    count = further ? 0 : count + Number(at > since)
  }
  return count
}
