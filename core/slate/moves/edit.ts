import * as v from 'valibot'
import type { Edition } from '../../board/edition'
import { storedText } from '../../text/storedText'
import type { LateOperation, MoveRefusal } from '../operation'
import { LONGEST_OWN_TEXT } from '../own'
import { OwnIdSchema } from '../ownSchema'
import { LONGEST_TEXT, withEntry, type SlateState } from '../state'
import { WrittenInSchema } from '../stateSchema'
import { nameOfText, textIn, wordsOf } from '../texts'
import { lettersThat, MOST_STRANDS, weaveOf, woven, type Letters, type Weave } from '../weave'
import { refusalToWrite } from './write'

const MOST_NUMBER = 1_000_000
const NumberSchema = v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(MOST_NUMBER))
/** A run is named by whoever writes it; one that begins with "=" after the words of a whole text. */
const RunSchema = v.pipe(v.string(), v.regex(/^(?:[A-Za-z0-9_-]{4,16}|=[0-9a-z]{1,8})$/))
const OwnRunSchema = v.pipe(v.string(), v.regex(/^[A-Za-z0-9_-]{4,16}$/))
const LettersSchema = v.pipe(
  v.strictTuple([RunSchema, NumberSchema, NumberSchema]),
  v.check(([, from, to]) => from < to, 'Letters run forwards'),
)
const ManySchema = v.optional(v.pipe(v.array(LettersSchema), v.maxLength(MOST_STRANDS)))

/**
 * Letters are put into a text and taken out of it, wherever others write meanwhile: what stands in a place, on a note
 * or beside the page ("text"), or what somebody made of words ("own").
 */
export const EditSchema = v.object({
  kind: v.literal('edit'),
  in: v.variant('of', [
    v.object({ of: v.literal('text'), name: WrittenInSchema }),
    v.object({ of: v.literal('own'), name: OwnIdSchema }),
  ]),
  put: v.optional(
    v.object({
      run: OwnRunSchema,
      from: NumberSchema,
      after: v.nullable(v.strictTuple([RunSchema, NumberSchema])),
      text: v.pipe(storedText(LONGEST_TEXT), v.minLength(1)),
    }),
  ),
  cut: ManySchema,
  back: ManySchema,
})
export type Edit = v.InferOutput<typeof EditSchema>

export const edit: LateOperation<'edit', Edit> = {
  kind: 'edit',
  check(state, move, edition) {
    const refusal = refusalToEdit(state, move, edition)
    if (refusal) return refusal
    const was = weaveIn(state, move)
    const weave = woven(was, move)
    if (!weave) return { code: 'not-allowed', item: move.in.name }
    const { length } = wordsOf(weave)
    return length > longestOf(move) && length > wordsOf(was).length ? { code: 'full', item: move.in.name } : null
  },
  perform(state, move) {
    const { of, name } = move.in
    const weave = woven(weaveIn(state, move), move)
    if (!weave || (of === 'own' && !state.own[name])) return state
    return { ...withText(state, move, wordsOf(weave)), weaves: { ...state.weaves, [nameOfText(move.in)]: weave } }
  },
  /** What was put in is taken out, and what was taken out comes back, whoever has written there since. */
  invert(before, move) {
    const weave = weaveIn(before, move)
    const { put, cut = [], back = [] } = move
    const added: Letters[] = put ? [[put.run, put.from, put.from + put.text.length]] : []
    const [taken, returned] = [lettersThat(weave, cut, false), lettersThat(weave, back, true)]
    return {
      kind: 'edit',
      in: move.in,
      ...((added.length || returned.length) && { cut: [...added, ...returned] }),
      ...(taken.length && { back: taken }),
    }
  },
}

const weaveIn = (state: SlateState, { in: of }: Edit): Weave =>
  weaveOf(state.weaves?.[nameOfText(of)], textIn(state, of))
const longestOf = ({ in: { of } }: Edit) => (of === 'own' ? LONGEST_OWN_TEXT : LONGEST_TEXT)

function refusalToEdit(state: SlateState, { in: { of, name } }: Edit, edition: Edition): MoveRefusal | null {
  if (of === 'text') return refusalToWrite(edition, name)
  const own = state.own[name]
  return own && 'text' in own && !own.hidden ? null : { code: 'not-allowed', item: name }
}

function withText(state: SlateState, { in: { of, name } }: Edit, text: string): SlateState {
  if (of === 'text') return { ...state, texts: withEntry(state.texts, name, text || undefined) }
  return { ...state, own: { ...state.own, [name]: { ...state.own[name]!, text } as SlateState['own'][string] } }
}
