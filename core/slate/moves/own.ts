import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { AuthorSchema } from '../actor'
import { thingName } from '../hands'
import type { MoveRefusal, Operation } from '../operation'
import { colourId, mayUse, pointsOfOwn, toolOf, type Own, type OwnOnSlate } from '../own'
import { OwnIdSchema, OwnSchema } from '../ownSchema'
import { withEntry } from '../state'

/**
 * Something of a student's own is made or changed: all of it is said anew, and whose it is, which is held against who
 * it is. Taken away (`gone`) it stays in the slate and can come back; with null it is as if it had never been made,
 * unless it was taken away already. `hidden` is a teacher's to set: nobody else sees the thing then, or changes it.
 */
export const OwnMoveSchema = v.object({
  kind: v.literal('own'),
  thing: OwnIdSchema,
  as: v.nullable(OwnSchema),
  by: AuthorSchema,
  gone: v.optional(v.literal(true)),
  hidden: v.optional(v.literal(true)),
  /** Its words stay as they are, whoever has written on it meanwhile. */
  words: v.optional(v.literal('kept')),
})
export type OwnMove = v.InferOutput<typeof OwnMoveSchema>

export const own: Operation<'own', OwnMove> = {
  kind: 'own',
  things: ({ thing }) => [thingName('own', thing)],
  check(state, move, edition) {
    const { thing, gone, hidden } = move
    const before = state.own[thing]
    const as = meantBy(move, before)
    if (!as) return null
    // Nothing comes into the slate unseen: what is taken away was there, and could be.
    if (before ? before.kind !== as.kind : gone) return { code: 'not-allowed', item: thing }
    if (hidden && !before) return { code: 'not-allowed', item: thing }
    const asItWas = (gone || hidden || before?.hidden) && before && JSON.stringify(bare(before)) === JSON.stringify(as)
    return asItWas ? null : refusalToMake(edition, thing, as)
  },
  perform(state, move) {
    const { thing, by, gone, hidden } = move
    const before = state.own[thing]
    const as = meantBy(move, before)
    if (!as) return before && !before.gone ? { ...state, own: withEntry(state.own, thing, undefined) } : state
    return { ...state, own: { ...state.own, [thing]: { ...as, by, ...(gone && { gone }), ...(hidden && { hidden }) } } }
  },
  invert(before, { thing, by, words }) {
    const was = before.own[thing]
    return was
      ? {
          kind: 'own',
          ...(words && { words }),
          thing,
          as: bare(was),
          by: was.by,
          ...(was.gone && { gone: was.gone }),
          ...(was.hidden && { hidden: was.hidden }),
        }
      : { kind: 'own', thing, as: null, by }
  },
}

const meantBy = ({ as, words }: OwnMove, before: OwnOnSlate | undefined) =>
  as && words && before ? withWordsOf(as, before) : as

const withWordsOf = (as: Own, was: OwnOnSlate): Own => ('text' in as && 'text' in was ? { ...as, text: was.text } : as)

/** The thing, seen or gone. */
export function goneOr({ gone: _, ...seen }: OwnOnSlate, gone: boolean): OwnOnSlate {
  return gone ? { ...seen, gone: true } : seen
}
export function bare({ by: _, gone: __, hidden: ___, ...as }: OwnOnSlate): Own {
  return as as Own
}

/** Null where the board gives the tool for it, and it lies on its page. */
function refusalToMake(edition: Edition, item: string, as: Own): MoveRefusal | null {
  const page = edition.board.pages.find(one => one.id === as.page)
  if (!page || !mayUse(edition, as.page, toolOf(as))) return { code: 'not-allowed', item }
  if (pointsOfOwn(as).some(({ x, y }) => x < 0 || y < 0 || x > page.width || y > page.height))
    return { code: 'off-page', item }
  if (as.kind === 'line') {
    const ends = [as.from.on, as.to.on].filter(on => on !== undefined)
    const unknown = ends.find(on => edition.pieces.get(on)?.page !== page || edition.pieces.get(on)?.piece.bin)
    if (unknown !== undefined) return { code: 'unknown-piece', item: unknown }
  }
  if (as.kind === 'colour') {
    const known = edition.places.get(as.place)
    if (known?.page !== page) return { code: 'unknown-place', item: as.place }
    // Of a grid cells are coloured, of everything else the whole; and each has one name.
    const { place } = known
    const fits = place.kind === 'grid' ? as.cell && as.cell[0] < place.rows && as.cell[1] < place.columns : !as.cell
    if (!fits || item !== colourId(as.place, as.cell)) return { code: 'not-allowed', item }
  }
  return null
}
