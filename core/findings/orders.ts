import { kendallsW } from './agreement'
import { mean } from './statistics'

/** The order in which one student put things, by the place in which they stand in a row. */
export interface MadeOrder {
  readonly place: string
  /** From the first to the last; a thing that came from a bin more than once stands where it stands first. */
  readonly pieces: readonly string[]
}
export interface OrderFinding {
  readonly place: string
  /** Those who put all the things of it. */
  readonly complete: number
  /** Kendall's W of those; null where it says nothing. */
  readonly w: number | null
  /** The things with their mean rank, the earliest first; ties by name. */
  readonly ranks: readonly { readonly piece: string; readonly rank: number }[]
}

/**
 * How far a class agrees on orders, place by place as they first come: among those who put everything that anybody put
 * there. Nothing for places in which nobody did.
 */
export function ordersOf(all: readonly MadeOrder[]): OrderFinding[] {
  return [...new Set(all.map(one => one.place))].flatMap((place): OrderFinding[] => {
    const orders = all.filter(one => one.place === place).map(one => [...new Set(one.pieces)])
    const things = [...new Set(orders.flat())].toSorted()
    const whole = orders.filter(order => order.length === things.length)
    if (things.length < 2 || whole.length === 0) return []
    const ranks = whole.map(order => things.map(thing => order.indexOf(thing) + 1))
    return [
      {
        place,
        complete: whole.length,
        w: kendallsW(ranks),
        ranks: things
          .map((piece, i) => ({ piece, rank: mean(ranks.map(row => row[i]!))! }))
          .toSorted((a, b) => a.rank - b.rank),
      },
    ]
  })
}
