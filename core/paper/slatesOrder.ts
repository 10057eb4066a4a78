import * as v from 'valibot'
import { SHEET_NAMES } from './sheets'

/**
 * How the slates of a handout come onto paper. *one*: each page on a sheet of its own; *four*: four pages on each
 * sheet, to be looked through. `marked`: with what the key and the teacher say of them. Those that nobody opened are
 * left out.
 */
export const SlatesOrderSchema = v.strictObject({
  arrange: v.picklist(['one', 'four']),
  /** *own*: sheets of the page's size and a line for the name, true to size. */
  sheet: v.picklist(['own', ...SHEET_NAMES]),
  names: v.boolean(),
  marked: v.boolean(),
  grey: v.boolean(),
})
export type SlatesOrder = v.InferOutput<typeof SlatesOrderSchema>
