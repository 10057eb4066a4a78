import type { PieceId } from '../../board/ids'
import { arrowName, arrowsOf, withEntry, type SlateState } from '../../slate/state'
import { keyName, type MarkContext } from '../context'
import { kindOfKey } from '../kind'
import { compared, marksWith, type ItemMark } from '../outcome'
import { EMPTY } from '../reason'
import type { ArrowsKey } from './key'

const reasons = {
  ...EMPTY,
  right: { doing: {}, codes: { 'arrows-right': { hits: 'number' } } },
  'arrows-wrong': {
    doing: {},
    codes: {
      'arrows-missing': { hits: 'number', of: 'number', missing: 'arrows' },
      'arrows-over': { extra: 'arrows' },
      'arrows-wrong': { hits: 'number', of: 'number', missing: 'arrows', extra: 'arrows' },
      'arrows-reversed': { hits: 'number', of: 'number', reversed: 'arrows' },
    },
  },
} as const
const mark = marksWith(reasons)

/**
 * Marks the arrows as a graph against a graph: missing ones, ones too many, and how many of those only point the wrong
 * way. Arrows to a piece that stands on the ledge are not there. A copy stands for its bin.
 */
export const arrowsKind = kindOfKey<ArrowsKey>()({
  reasons,
  counted: false,
  mark: markArrows,
  /** The arrows that are drawn. */
  keep({ state }, former) {
    const arrows = arrowsOf(state).map(([from, to]): [PieceId, PieceId] => [keyName(from), keyName(to)])
    return arrows.length ? [{ arrows, ...(former[0]?.bothWays && { bothWays: true }) }] : []
  },
  lay: (key, { state }) => ({
    ...state,
    arrows: key.arrows.reduce<SlateState['arrows']>(
      (all, [from, to]) => withEntry(all, arrowName(from, to), true),
      state.arrows,
    ),
  }),
  suits: page => !!page.arrows && page.pieces.length > 1,
  canBeDone: (_, page) => page.arrows === true,
  answers: null,
  interchanged: null,
  alsoRight: null,
})

function markArrows(key: ArrowsKey, { state }: MarkContext): ItemMark[] {
  const name = (pair: readonly [PieceId, PieceId]) => {
    const [from, to] = [keyName(pair[0]), keyName(pair[1])]
    return key.bothWays && to < from ? arrowName(to, from) : arrowName(from, to)
  }
  const {
    how,
    made,
    hits: hit,
    missing,
    extra,
    verdict,
    points,
    of,
  } = compared(new Set(key.arrows.map(name)), new Set(arrowsOf(state).map(name)))
  const back = (arrow: string) => arrow.split('>').toReversed().join('>')
  const reversed = made.filter(
    arrow => extra.includes(arrow) && (missing.includes(back(arrow)) || hit.includes(back(arrow))),
  )
  const say = (arrows: readonly string[]) => ({
    arrows: arrows.map(arrow => arrow.split('>') as [PieceId, PieceId]),
    bothWays: key.bothWays ?? false,
  })
  const about = { is: 'key', item: key.id, verdict, of } as const
  const hits = hit.length
  if (reversed.length)
    return [mark({ ...about, points, code: 'arrows-reversed', words: { hits, of, reversed: say(reversed) } })]
  switch (how) {
    case 'empty':
      return [mark({ ...about, code: 'empty', words: {} })]
    case 'right':
      return [mark({ ...about, code: 'arrows-right', words: { hits } })]
    case 'over':
      return [mark({ ...about, points, code: 'arrows-over', words: { extra: say(extra) } })]
    case 'missing':
      return [mark({ ...about, points, code: 'arrows-missing', words: { hits, of, missing: say(missing) } })]
    case 'wrong':
      return [
        mark({ ...about, points, code: 'arrows-wrong', words: { hits, of, missing: say(missing), extra: say(extra) } }),
      ]
  }
}
