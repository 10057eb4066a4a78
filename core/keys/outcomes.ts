import * as v from 'valibot'
import type { Edition } from '../board/edition'
import { KeyIdSchema } from '../board/ids'
import { innermost } from '../placement/nesting'
import { placePieces } from '../placement/placement'
import type { SlateState } from '../slate/state'
import { KEY_KINDS } from './key'
import { markSlate } from './mark'
import { VERDICTS, type KeyMark } from './outcome'
import { ITEM_KINDS, WordSchema } from './reason'

/**
 * Counted up whenever the same work on the same edition may be marked otherwise, so that what is stored is known to be
 * old.
 */
export const MARKER_VERSION = 5

const count = v.pipe(v.number(), v.integer(), v.minValue(0))
const ItemMarkSchema = v.object({
  item: v.string(),
  is: v.picklist(ITEM_KINDS),
  verdict: v.picklist(VERDICTS),
  points: count,
  of: count,
  reason: v.object({ code: v.string(), words: v.record(v.string(), WordSchema) }),
})
const KeyMarkSchema = v.object({
  key: KeyIdSchema,
  kind: v.picklist(KEY_KINDS),
  points: count,
  of: count,
  undecided: count,
  items: v.array(ItemMarkSchema),
})

/**
 * What was marked, and by what: a slate at one of its numbers, by an edition (its hash), by a version of the marker.
 */
const OutcomesSchema = v.object({
  number: count,
  edition: v.pipe(v.string(), v.minLength(1), v.maxLength(100)),
  marker: count,
  keys: v.array(KeyMarkSchema),
  lies: v.record(v.string(), v.nullable(v.string())),
})
/** The place in which each piece on a page lies; null for one that lies surely in none. The ledge's are absent. */
export type Lies = Readonly<Record<string, string | null>>
export interface Outcomes {
  readonly number: number
  readonly edition: string
  readonly marker: number
  readonly keys: readonly KeyMark[]
  readonly lies: Lies
}

/** As data: it can be stored as it is, and be read again. */
export function outcomesOf(state: SlateState, edition: Edition, of: Pick<Outcomes, 'number' | 'edition'>): Outcomes {
  return {
    number: of.number,
    edition: of.edition,
    marker: MARKER_VERSION,
    keys: markSlate(state, edition),
    lies: liesOf(state, edition),
  }
}

/** Of places within others the innermost; of one that a piece is only perhaps in nothing is said: it lies in none. */
function liesOf(state: SlateState, edition: Edition): Lies {
  const lies: Record<string, string | null> = {}
  for (const page of edition.board.pages)
    for (const { piece, at, shares } of placePieces(state, page, edition)) {
      if (at === 'ledge') continue
      lies[piece] = innermost(shares, page).find(share => share.certainty === 'in')?.place ?? null
    }
  return lies
}

/**
 * Null for what can't be read, and for what another version of the marker, another edition or an earlier number says.
 */
export function readOutcomes(stored: unknown, now: Pick<Outcomes, 'number' | 'edition'>): Outcomes | null {
  const read = v.safeParse(OutcomesSchema, stored)
  if (!read.success) return null
  const { marker, number, edition } = read.output
  return marker === MARKER_VERSION && number === now.number && edition === now.edition ? read.output : null
}
