import type { Board, Page } from '../board/board'
import type { KeyId, PageId, PlaceId } from '../board/ids'
import type { Key } from '../keys/key'
import type { Gaps } from '../board/place'
import { MOST_GAPS } from '../board/whatPlacesTake'
import { layoutGaps } from '../layout/gaps'
import { textWidth } from '../text/measure'
import { keepKey } from './answers'
import { withPage } from './lookup'
import { freeBox } from './freeBox'
import { addCards, type Ids } from './pieces'

const TEXT_SIZE = 20
const PADDING = 24

/** A word of a sentence, without the marks around it, and where it stands. */
export interface Word {
  readonly text: string
  readonly from: number
  readonly to: number
}

/**
 * The words of a text that can become gaps: letters and digits with what joins them; marks at their ends stay outside.
 */
export function wordsOf(text: string): Word[] {
  return [...text.matchAll(/[\p{L}\p{N}](?:[\p{L}\p{M}\p{N}’'-]*[\p{L}\p{M}\p{N}])?/gu)].map(match => ({
    text: match[0],
    from: match.index,
    to: match.index + match[0].length,
  }))
}

export interface GapPlan {
  readonly text: string
  /** Which words become gaps, by their number in `wordsOf`. */
  readonly marked: ReadonlySet<number>
  /** Words for the bank that fit nowhere. */
  readonly extra: readonly string[]
  /** Students type the words; without this they take them from a bank. */
  readonly typed: boolean
}

/** The text with its gaps and the words that are gone, in order. No word marked, or more than a text may have: null. */
export function withGaps({ text, marked }: Pick<GapPlan, 'text' | 'marked'>): { text: string; gone: string[] } | null {
  const words = wordsOf(text).filter((_, i) => marked.has(i))
  if (words.length === 0 || words.length > MOST_GAPS) return null
  let rest = ''
  let at = 0
  for (const word of words) {
    rest += `${text.slice(at, word.from)}____`
    at = word.to
  }
  // Underlines that were in the sentence already would be gaps that nobody marked.
  if (/_{2,}/.test(text)) return null
  return { text: rest + text.slice(at), gone: words.map(word => word.text) }
}

/**
 * A text with gaps on the page, with its bank on the ledge and its key. All gaps are as wide as the longest word needs,
 * so that their widths tell nothing. The same word in two gaps fits in both. Null where there is nothing to fill in.
 */
export function addGapFill(
  board: Board,
  pageId: PageId,
  plan: GapPlan,
  ids: Ids & { readonly place: () => PlaceId; readonly key: () => KeyId },
): { board: Board; place: PlaceId } | null {
  const made = withGaps(plan)
  if (!made) return null
  const id = ids.place()
  const cards = plan.typed ? board : addCards(board, pageId, [...made.gone, ...plan.extra], ids)
  const page = cards.pages.find(p => p.id === pageId)!
  const bank = page.pieces.slice(-(made.gone.length + plan.extra.length))
  const master = plan.typed ? null : cards.masters.find(m => m.id === bank[0]?.master)
  const longest = Math.max(...made.gone.map(word => textWidth(word, TEXT_SIZE)))
  const gap = master
    ? { width: master.width + 8, height: master.height + 6 }
    : { width: Math.ceil(longest * 1.3 + PADDING), height: 36 }
  const place = sizedText(
    {
      kind: 'gaps',
      id,
      heading: '',
      shape: { kind: 'rectangle', x: 0, y: 0, width: page.width * 0.9, height: page.height },
      text: made.text,
      textSize: TEXT_SIZE,
      typed: plan.typed,
      gap,
    },
    page,
  )
  const withPlace = withPage(cards, pageId, p => ({ ...p, places: [...p.places, place] }))
  const key = { id: ids.key(), page: pageId }
  const answers: Key = plan.typed
    ? {
        ...key,
        kind: 'write',
        answers: Object.fromEntries(made.gone.map((word, i) => [`${id}:${i}`, { accepts: [word] }])),
      }
    : {
        ...key,
        kind: 'slots',
        fits: Object.fromEntries(
          made.gone.map((word, i) => [
            `${id}:0,${i}`,
            bank.filter(piece => piece.text === word).map(piece => piece.id),
          ]),
        ),
      }
  return { board: withKey(withPlace, answers), place: id }
}

/** Beside what the page asks for already in the same kind of key. */
function withKey(board: Board, key: Key): Board {
  const former = board.keys.find(k => k.kind === key.kind && k.page === key.page)
  if (former?.kind === 'write' && key.kind === 'write')
    return keepKey(board, { ...former, answers: { ...former.answers, ...key.answers } })
  if (former?.kind === 'slots' && key.kind === 'slots')
    return keepKey(board, { ...former, fits: { ...former.fits, ...key.fits } })
  return keepKey(board, key)
}

/** As high as its text is, in a free part of the page. */
function sizedText(place: Gaps, page: Page): Gaps {
  const height = Math.min(page.height, layoutGaps(place).height)
  return { ...place, shape: { kind: 'rectangle', ...freeBox(page, { width: place.shape.width, height }) } }
}
