import type { Page } from '../../board/board'
import { gapsIn } from '../../board/whatPlacesTake'
import { withEntry, type SlateState } from '../../slate/state'
import type { MarkContext } from '../context'
import { placeOfSpot } from '../document'
import { kindHas, kindOfKey, onlyUnder } from '../kind'
import { marksWith, type ItemMark } from '../outcome'
import { judge } from './judge'
import type { WriteKey, Written } from './key'

const reasons = {
  'nothing-written': { doing: {}, codes: { 'nothing-written': {} } },
  right: { doing: {}, codes: { 'written-right': { text: 'text' }, 'left-blank': {} } },
  'written-other': { doing: { text: 'text' }, codes: { 'written-other': { wanted: 'text' } } },
  'written-near': {
    doing: { text: 'text' },
    codes: {
      'written-near': { wanted: 'text' },
      'written-no-number': {},
      'written-no-unit': { wanted: 'text' },
      'written-other-unit': { wanted: 'text' },
    },
  },
} as const
const mark = marksWith(reasons)

/**
 * Marks what was typed, one point for each space or gap. Right: one of the accepted variants, capitals, accents and
 * punctuation told apart only where the key says so; of a number any form of the same value, within the tolerance. A
 * near miss (one slip in words of up to five letters, two in longer ones; a number without its unit, or with another)
 * is on the line: a teacher tells a slip from a mistake.
 */
export const writeKind = kindOfKey<WriteKey>()({
  reasons,
  counted: false,
  mark: (key, context) => Object.entries(key.answers).map(([space, answer]) => markSpace(space, answer, context)),
  /** What is written in each space and gap, beside further variants that the key has for it already. */
  keep({ page, state }, former) {
    const answers = Object.fromEntries(
      spacesOn(page).flatMap(space => {
        const text = state.texts[space]?.trim()
        const before = former[0]?.answers[space]
        return text ? [[space, { ...before, accepts: [...new Set([text, ...(before?.accepts ?? [])])] }]] : []
      }),
    )
    return Object.keys(answers).length ? [{ answers }] : []
  },
  lay: (key, { state }) => ({
    ...state,
    texts: Object.entries(key.answers).reduce<SlateState['texts']>(
      (texts, [space, { accepts }]) => withEntry(texts, space, accepts[0]),
      state.texts,
    ),
  }),
  suits: page => kindHas(page, 'writing') || page.places.some(p => p.kind === 'gaps' && p.typed),
  canBeDone: (key, page) =>
    Object.keys(key.answers).every(space => {
      const place = page.places.find(p => p.id === placeOfSpot(space))
      return space.includes(':') ? place?.kind === 'gaps' && place.typed : place?.kind === 'writing'
    }),
  answers: null,
  interchanged: null,
  alsoRight(former, now, only) {
    const answers = Object.entries(onlyUnder(now.answers, only)).map(([space, { accepts, ...more }]) => [
      space,
      {
        ...more,
        ...former.answers[space],
        accepts: [...new Set([...(former.answers[space]?.accepts ?? []), ...accepts])],
      },
    ])
    return { ...former, answers: { ...former.answers, ...Object.fromEntries(answers) } }
  },
})

function markSpace(space: string, answer: Written, { state, edition, begun }: MarkContext): ItemMark {
  const about = { is: 'place', item: space } as const
  const text = (state.texts[space] ?? '').trim()
  if (!text) {
    return begun && answer.accepts.some(accepted => !accepted.trim())
      ? mark({ ...about, verdict: 'right', code: 'left-blank', words: {} })
      : mark({ ...about, verdict: 'not-placed', code: 'nothing-written', words: {} })
  }
  const wanted = answer.accepts.join(' / ')
  const judged = judge(text, answer, edition.board.language)
  switch (judged) {
    case 'right':
      return mark({ ...about, verdict: 'right', code: 'written-right', words: { text } })
    case 'other':
      return mark({ ...about, verdict: 'wrong', code: 'written-other', words: { text, wanted } })
    case 'near':
      return mark({ ...about, verdict: 'on-the-line', code: 'written-near', words: { text, wanted } })
    case 'no-number':
      return mark({ ...about, verdict: 'on-the-line', code: 'written-no-number', words: { text } })
    case 'other-unit':
      return mark({ ...about, verdict: 'on-the-line', code: 'written-other-unit', words: { text, wanted } })
    case 'no-unit':
      return mark({ ...about, verdict: 'on-the-line', code: 'written-no-unit', words: { text, wanted } })
  }
}

/** Every writing space, and every gap that is typed into. */
const spacesOn = (page: Page): string[] =>
  page.places.flatMap(place => {
    if (place.kind === 'writing') return [place.id as string]
    return place.kind === 'gaps' && place.typed
      ? Array.from({ length: gapsIn(place.text) }, (_, i) => `${place.id}:${i}`)
      : []
  })
