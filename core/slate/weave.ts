import { LONGEST_TEXT } from './state'
import { wordsOf } from './texts'

/**
 * A text under several hands. Every letter has a name that it keeps: the *run* in which it was put in and its number
 * there, in UTF-16 units. So an edit says behind which letter something was put in and which letters were taken out,
 * and means the same wherever others have written meanwhile; the server's order decides between two who write at one
 * spot. Letters that were taken out stay as long as there is room, for what was put in behind them and so that they can
 * come back. (Sequence CRDTs do the same without anybody's order; here the server has one, so that nothing of their
 * rules for ties is needed.)
 */
export type Weave = readonly Strand[]
/** Letters that were put in one after the other: the run, the number of the first, and whether they were taken out. */
export type Strand = readonly [run: string, from: number, text: string, gone?: 1]
/** A letter, by name. */
export type Letter = readonly [run: string, number: number]
/** Letters of a run, without the last number. */
export type Letters = readonly [run: string, from: number, to: number]

/** What was put in, behind which letter; null for the beginning. */
export interface PutIn {
  readonly run: string
  readonly from: number
  readonly after: Letter | null
  readonly text: string
}
export interface TextEdit {
  readonly put?: PutIn | undefined
  readonly cut?: readonly Letters[] | undefined
  /** Letters that were taken out come back. */
  readonly back?: readonly Letters[] | undefined
}

/** Of one text; beyond them letters that were taken out are forgotten. */
export const MOST_STRANDS = 600
const MOST_GONE = 2 * LONGEST_TEXT

/**
 * A text that was written as a whole. Its only run is named after the words, so that an edit of other words never hits
 * letters that only stand at the same number.
 */
export const plainWeave = (text: string): Weave => (text ? [[`=${hashOf(text)}`, 0, text]] : [])

/** FNV-1a of 32 bits: http://www.isthe.com/chongo/tech/comp/fnv, as it stands there. */
function hashOf(text: string): string {
  let hash = 0x811c9dc5
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193)
  return (hash >>> 0).toString(36)
}

/** What is known of a text's letters: the weave, where it is of this very text. */
export const weaveOf = (weave: Weave | undefined, text: string): Weave =>
  weave && wordsOf(weave) === text ? weave : plainWeave(text)

/**
 * The text after an edit. What is put in behind a letter that nobody knows any more comes last, so that no letter is
 * lost; what is cut or comes back and isn't known is passed over. Null where letters of these names are there already.
 */
export function woven(weave: Weave, { put, cut = [], back = [] }: TextEdit): Weave | null {
  if (put && weave.some(strand => overlap(strand, [put.run, put.from, put.from + put.text.length]))) return null
  const marked = marking(marking(weave, cut, true), back, false)
  return roomy(joined(put?.text ? withPut(marked, put) : marked))
}

/** Which of these letters can be seen, or were taken out: what an edit does that takes back another. */
export const lettersThat = (weave: Weave, letters: readonly Letters[], gone: boolean): Letters[] =>
  weave.flatMap(strand =>
    letters.flatMap((one): Letters[] => {
      const both = overlap(strand, one)
      return both && !!strand[3] === gone ? [both] : []
    }),
  )

function withPut(weave: Weave, { run, from, after, text }: PutIn): Weave {
  const made: Strand = [run, from, text]
  if (!after) return [made, ...weave]
  const at = weave.findIndex(strand => overlap(strand, [after[0], after[1], after[1] + 1]))
  if (at === -1) return [...weave, made]
  const [before, behind] = split(weave[at]!, after[1] + 1)
  return [...weave.slice(0, at), ...(before ? [before] : []), made, ...(behind ? [behind] : []), ...weave.slice(at + 1)]
}

function marking(weave: Weave, letters: readonly Letters[], gone: boolean): Weave {
  if (letters.length === 0) return weave
  return weave.flatMap((strand): Strand[] =>
    letters
      .reduce<readonly Strand[]>(
        (parts, one) =>
          parts.flatMap(part => {
            const both = overlap(part, one)
            if (!both || !!part[3] === gone) return [part]
            const [before, rest] = split(part, both[1])
            const [within, behind] = split(rest!, both[2])
            const [run, from, text] = within!
            return [before, gone ? ([run, from, text, 1] as const) : ([run, from, text] as const), behind].filter(
              one => one !== null,
            )
          }),
        [strand],
      )
      .slice(),
  )
}

/** The letters before this number, and those from it on. */
function split([run, from, text, gone]: Strand, at: number): [Strand | null, Strand | null] {
  const part = (first: number, letters: string): Strand | null =>
    letters ? (gone ? [run, first, letters, 1] : [run, first, letters]) : null
  return [
    part(from, text.slice(0, Math.max(0, at - from))),
    part(Math.max(from, at), text.slice(Math.max(0, at - from))),
  ]
}

/** Strands that go on from each other are one. */
function joined(weave: Weave): Weave {
  const all: Strand[] = []
  for (const strand of weave) {
    const last = all.at(-1)
    if (last && last[0] === strand[0] && last[3] === strand[3] && last[1] + last[2].length === strand[1])
      all[all.length - 1] = last[3]
        ? [last[0], last[1], last[2] + strand[2], 1]
        : [last[0], last[1], last[2] + strand[2]]
    else all.push(strand)
  }
  return all
}

/** What was taken out is forgotten where there is too much, from the beginning; in the end all is one strand. */
function roomy(weave: Weave): Weave {
  let gone = weave.reduce((sum, strand) => sum + (strand[3] ? strand[2].length : 0), 0)
  let strands = weave.length
  if (gone <= MOST_GONE && strands <= MOST_STRANDS) return weave
  const kept = weave.filter(strand => {
    if (!strand[3] || (gone <= MOST_GONE && strands <= MOST_STRANDS)) return true
    gone -= strand[2].length
    strands--
    return false
  })
  const rest = joined(kept)
  return rest.length <= MOST_STRANDS ? rest : plainWeave(wordsOf(rest))
}

function overlap([run, from, text]: Strand, [of, first, end]: Letters): Letters | null {
  if (run !== of) return null
  const [start, stop] = [Math.max(from, first), Math.min(from + text.length, end)]
  return start < stop ? [run, start, stop] : null
}

/**
 * What was typed into a text that is known: what differs, between what is the same at both ends. Whole letters as
 * people read them are put in and taken out, however many units they have. Null where nothing differs.
 */
export function editBetween(weave: Weave, to: string, run: string, number: number): TextEdit | null {
  const from = wordsOf(weave)
  if (from === to) return null
  const { start, end, text } = spliceBetween(from, to)
  const cut = lettersFrom(weave, start, end)
  return {
    ...(text && { put: { run, from: number, after: letterBefore(weave, start), text } }),
    ...(cut.length && { cut }),
  }
}

/** Where a letter as people read it begins or ends; where a browser can't tell them, no pair of units is parted. */
interface Boundaries {
  /** The last end of a letter that isn't behind this place. */
  readonly upTo: (place: number) => number
  /** The first beginning of a letter that isn't before it. */
  readonly from: (place: number) => number
}
function boundariesOf(text: string): Boundaries {
  if (!('Segmenter' in Intl)) {
    const parts = (place: number) => /[\uD800-\uDBFF][\uDC00-\uDFFF]/.test(text.slice(place - 1, place + 1))
    return {
      upTo: place => (place > 0 && parts(place) ? place - 1 : place),
      from: place => (place > 0 && parts(place) ? place + 1 : place),
    }
  }
  const letters = new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(text)
  return {
    upTo: place => letters.containing(place)?.index ?? text.length,
    from(place) {
      const { index, segment } = letters.containing(place) ?? { index: text.length, segment: '' }
      return index === place ? place : index + segment.length
    },
  }
}

/** What lies between the ends that two texts share, in whole letters: [start, end) of the first becomes this. */
export function spliceBetween(from: string, to: string): { start: number; end: number; text: string } {
  const [a, b] = [boundariesOf(from), boundariesOf(to)]
  const most = Math.min(from.length, to.length)
  let start = 0
  while (start < most && from[start] === to[start]) start++
  for (let whole = -1; whole !== start;) {
    whole = start
    start = b.upTo(a.upTo(start))
  }
  let behind = 0
  while (behind < most - start && from[from.length - 1 - behind] === to[to.length - 1 - behind]) behind++
  for (let whole = -1; whole !== behind;) {
    whole = behind
    behind = from.length - a.from(from.length - behind)
    behind = to.length - b.from(to.length - behind)
  }
  return { start, end: from.length - behind, text: to.slice(start, to.length - behind) }
}

/** The letter that stands before this place of the words; null at the beginning. */
export function letterBefore(weave: Weave, at: number): Letter | null {
  let passed = 0
  for (const [run, from, text, gone] of weave) {
    if (gone) continue
    if (at > passed && at <= passed + text.length) return [run, from + at - passed - 1]
    passed += text.length
  }
  return null
}

/** The place in the words behind a letter; where that was taken out, behind what stood before it. */
export function placeAfter(weave: Weave, letter: Letter | null): number {
  if (!letter) return 0
  let passed = 0
  for (const strand of weave) {
    const [, from, text, gone] = strand
    if (overlap(strand, [letter[0], letter[1], letter[1] + 1])) return gone ? passed : passed + letter[1] - from + 1
    if (!gone) passed += text.length
  }
  return passed
}

function lettersFrom(weave: Weave, start: number, end: number): Letters[] {
  const found: Letters[] = []
  let passed = 0
  for (const [run, from, text, gone] of weave) {
    if (gone) continue
    const [first, last] = [Math.max(start - passed, 0), Math.min(end - passed, text.length)]
    if (first < last) found.push([run, from + first, from + last])
    passed += text.length
  }
  return found
}
