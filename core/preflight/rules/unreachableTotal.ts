import type { Board } from '../../board/board'
import type { TotalKey } from '../../board/key'
import { quantity, quantityText } from '../../exact/quantity'
import type { Finding, Rule } from '../finding'

/** Beyond this many different sums the question is left open rather than the page made to wait. */
const MOST_SUMS = 200_000

/** A target that no choice of the page's tiles makes. */
export const unreachableTotal: Rule = {
  name: 'unreachable-total',
  look: board => board.keys.flatMap((key): Finding[] => key.kind === 'total' && !canMake(board, key)
    ? [{ rule: 'unreachable-total', severity: 'stops', page: key.page, subjects: [key.place], words: { target: quantityText(quantity(key.target)) } }]
    : []),
}

/** Every sum of every choice of tiles, with how many tiles make it where the key counts them; exact, over one denominator. */
function canMake(board: Board, key: TotalKey): boolean {
  const tiles = board.pages.find(p => p.id === key.page)?.pieces.flatMap(p => p.kind === 'tile' ? [quantity(p.value)] : []) ?? []
  const all = [...tiles, quantity(key.target)]
  const denominator = all.reduce((common, value) => common / gcd(common, value.d) * value.d, 1n)
  const whole = (value: typeof all[number]) => value.s * value.n * (denominator / value.d)
  const target = whole(quantity(key.target))
  let reached = new Set(['0 0'])
  for (const tile of tiles) {
    const next = new Set(reached)
    for (const sum of reached) {
      const [made, used] = sum.split(' ')
      next.add(`${BigInt(made!) + whole(tile)} ${key.tiles === undefined ? 0 : Number(used) + 1}`)
    }
    if (next.size > MOST_SUMS) return true
    reached = next
  }
  return reached.has(`${target} ${key.tiles ?? 0}`)
}

function gcd(a: bigint, b: bigint): bigint {
  return b === 0n ? a : gcd(b, a % b)
}
