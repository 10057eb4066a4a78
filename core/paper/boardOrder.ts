import * as v from 'valibot'
import { MOST_SETS } from './boardPapers'
import { SHEET_NAMES } from './sheets'

const sheet = v.optional(v.picklist(SHEET_NAMES), 'a4')
/** Words of a query are texts. */
const yes = v.optional(
  v.pipe(
    v.picklist(['0', '1']),
    v.transform(said => said === '1'),
  ),
  '0',
)
const number = (least: number, most: number, usual: number) =>
  v.optional(
    v.pipe(v.string(), v.regex(/^\d{1,4}$/), v.transform(Number), v.minValue(least), v.maxValue(most)),
    String(usual),
  )

/**
 * How a board comes onto paper. *pages*: each page on a sheet. *poster*: one page over several sheets, `percent` of its
 * size. *cut-out*: its pieces, in so many sets, with their numbers on the back and with blank headings where wanted.
 * *two-sided*: cards with what belongs together on their two sides.
 */
export const BoardOrderSchema = v.variant('what', [
  /** *own*: sheets of just the page's size, true to size. */
  v.object({ what: v.literal('pages'), sheet: v.optional(v.picklist(['own', ...SHEET_NAMES]), 'own'), grey: yes }),
  v.object({ what: v.literal('poster'), sheet, grey: yes, page: number(0, 99, 0), percent: number(25, 400, 100) }),
  v.object({
    what: v.literal('cut-out'),
    sheet,
    grey: yes,
    sets: number(1, MOST_SETS, 1),
    numbers: yes,
    headings: number(0, 12, 0),
  }),
  v.object({ what: v.literal('two-sided'), sheet, grey: yes }),
])
export type BoardOrder = v.InferOutput<typeof BoardOrderSchema>
