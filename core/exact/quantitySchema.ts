import * as v from 'valibot'
import { readQuantity } from './quantity'
import { LONGEST_QUANTITY } from './written'

export const QuantitySchema = v.pipe(
  v.string(),
  v.maxLength(LONGEST_QUANTITY),
  v.check(text => readQuantity(text) !== null, 'Not a number: 12, 0.5, 3/4 and 1 1/2 are'),
)
