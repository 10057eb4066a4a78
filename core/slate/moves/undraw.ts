import * as v from 'valibot'
import { thingName } from '../hands'
import type { Operation } from '../operation'
import { withEntry } from '../state'
import { StrokeIdSchema } from '../stateSchema'

/** A stroke is taken back as if it had never been drawn. One that isn't there changes nothing. */
export const UndrawSchema = v.object({ kind: v.literal('undraw'), stroke: StrokeIdSchema })
export type Undraw = v.InferOutput<typeof UndrawSchema>

export const undraw: Operation<'undraw', Undraw> = {
  kind: 'undraw',
  things: ({ stroke }) => [thingName('stroke', stroke)],
  check: () => null,
  perform: (state, { stroke }) => ({ ...state, strokes: withEntry(state.strokes, stroke, undefined) }),
  invert(before, { stroke }) {
    const drawn = before.strokes[stroke]
    return drawn ? { kind: 'draw', stroke, ...drawn } : { kind: 'undraw', stroke }
  },
}
