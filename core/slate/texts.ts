import { thingName, thingOf, type ThingName } from './hands'
import type { Edit } from './moves/edit'
import type { SlateState } from './state'
import type { TextEdit, Weave } from './weave'

/** What every device needs of texts; what merges them (`withTexts.ts`) comes with the first that is written. */

/** A text that letters are put into and taken out of. */
export type TextOf = Edit['in']

export const nameOfText = ({ of, name }: TextOf): ThingName => thingName(of, name)

/** A text as it stands on a slate; empty where nothing is written, or nothing is there. */
export function textIn(state: SlateState, { of, name }: TextOf): string {
  if (of === 'text') return state.texts[name] ?? ''
  const own = state.own[name]
  return own && 'text' in own ? own.text : ''
}

/** The words that can be seen of a weave. */
export const wordsOf = (weave: Weave): string =>
  weave.reduce((words, [, , text, gone]) => (gone ? words : words + text), '')

/** The edit, of this text. */
export const editMove = (of: TextOf, { put, cut, back }: TextEdit): Edit => ({
  kind: 'edit',
  in: of,
  ...(put && { put: { ...put, after: put.after && [...put.after] } }),
  ...(cut && { cut: cut.map(one => [...one]) }),
  ...(back && { back: back.map(one => [...one]) }),
})

/** The slate without what is known of the letters of texts that were written anew as a whole. */
export function withoutStale(state: SlateState, changed: readonly string[]): SlateState {
  const { weaves } = state
  if (!weaves) return state
  const stale = changed.filter(name => {
    const weave = weaves[name]
    if (!weave) return false
    const { thing, id } = thingOf(name as ThingName)
    return wordsOf(weave) !== textIn(state, { of: thing === 'own' ? 'own' : 'text', name: id } as TextOf)
  })
  if (stale.length === 0) return state
  const rest = Object.entries(weaves).filter(([name]) => !stale.includes(name))
  const { weaves: _, ...bare } = state
  return rest.length ? { ...bare, weaves: Object.fromEntries(rest) } : bare
}
