import * as v from 'valibot'
import { PieceIdSchema, PlaceIdSchema, type PieceId } from '../../board/ids'
import { common, documentOf, mappedPairs, unlessLost } from '../document'

export const ORDER_CREDITS = ['all', 'neighbours', 'run', 'pairs'] as const
export const MOST_PAIRS = 400
const OrderKeySchema = v.object({
  kind: v.literal('order'),
  ...common,
  lane: PlaceIdSchema,
  /** "This before that": a chain of all pieces is a total order, fewer pairs leave the rest free. */
  before: v.pipe(v.array(v.strictTuple([PieceIdSchema, PieceIdSchema])), v.minLength(1), v.maxLength(MOST_PAIRS)),
  credit: v.picklist(ORDER_CREDITS),
})
export type OrderKey = v.InferOutput<typeof OrderKeySchema>
type Pairs = readonly (readonly [PieceId, PieceId])[]

export const orderDocument = documentOf({
  schema: OrderKeySchema,
  mapped(key, to) {
    const lane = to.place(key.lane)
    if (lane === null) return null
    const gone = [...new Set(key.before.flat())].filter(id => to.piece(id) === null)
    const before = mappedPairs(gone.reduce<Pairs>(without, key.before), to.piece)
    return unlessLost({ ...key, lane, before }, key.before, before)
  },
})

/** What came before the piece still comes before what came after it. */
const without = (before: Pairs, piece: PieceId): Pairs => [
  ...before.filter(pair => !pair.includes(piece)),
  ...before
    .filter(([, b]) => b === piece)
    .flatMap(([a]) => before.filter(([x]) => x === piece).map(([, c]): [PieceId, PieceId] => [a, c])),
]
