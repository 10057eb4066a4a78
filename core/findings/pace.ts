import { quantile } from './counts'

/** When a student first put a piece down, in seconds after their own first move. */
export interface FirstPut {
  readonly slate: string
  readonly piece: string
  readonly seconds: number
}
/** How long a class took over a piece. */
export interface Pace {
  readonly piece: string
  /** Slates on which it was put down. */
  readonly count: number
  /** Seconds until it was first put down: the quartiles. */
  readonly quartiles: readonly [number, number, number]
  /** Seconds since the piece before it on the same slate, in the middle: where the class stood still. */
  readonly after: number
}

/**
 * How long it took until each piece was first put down, the earliest first; ties by the pieces' order. Pieces that
 * nobody put down are left out.
 */
export function paceOf(puts: readonly FirstPut[], pieces: readonly string[]): Pace[] {
  const bySlate = new Map<string, FirstPut[]>()
  for (const put of puts) bySlate.set(put.slate, [...(bySlate.get(put.slate) ?? []), put])
  const gaps = new Map<string, number[]>()
  for (const those of bySlate.values()) {
    const inTurn = those.toSorted((a, b) => a.seconds - b.seconds)
    inTurn.forEach(({ piece, seconds }, i) => {
      const gap = seconds - (inTurn[i - 1]?.seconds ?? 0)
      gaps.set(piece, [...(gaps.get(piece) ?? []), gap])
    })
  }
  return pieces
    .flatMap((piece): Pace[] => {
      const times = puts.filter(put => put.piece === piece).map(put => put.seconds)
      if (times.length === 0) return []
      const sorted = times.toSorted((a, b) => a - b)
      const quartiles = [quantile(sorted, 0.25), quantile(sorted, 0.5), quantile(sorted, 0.75)] as const
      const after = quantile(
        gaps.get(piece)!.toSorted((a, b) => a - b),
        0.5,
      )
      return [{ piece, count: times.length, quartiles, after }]
    })
    .toSorted((a, b) => a.quartiles[1] - b.quartiles[1])
}
