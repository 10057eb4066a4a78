import { daleChall } from 'dale-chall'
import { pieceName } from '../../board/pieceName'
import { wordsIn } from '../../sound/compare'
import type { Finding, Rule } from '../finding'

/**
 * Words that four in five children of ten years know: E. Dale and J. S. Chall's list of 3,000 (1948, revised 1995),
 * from the open package `dale-chall`. It is American; British spellings of its words count as known.
 */
const KNOWN: ReadonlySet<string> = new Set(daleChall)
const ENDINGS: readonly (readonly [RegExp, string])[] = [
  [/'s$/, ''],
  [/s$/, ''],
  [/es$/, ''],
  [/ies$/, 'y'],
  [/ed$/, ''],
  [/ed$/, 'e'],
  [/ing$/, ''],
  [/ing$/, 'e'],
  [/(.)\1ing$/, '$1'],
  [/(.)\1ed$/, '$1'],
  [/er$/, ''],
  [/er$/, 'e'],
  [/est$/, ''],
  [/est$/, 'e'],
  [/ly$/, ''],
  [/our/, 'or'],
  [/tre$/, 'ter'],
  [/ise$/, 'ize'],
]
/** Every seventh word may be new; more are a wall. */
const MOST_NEW = 0.15
const LONGEST_SENTENCE = 20

/**
 * Instructions in words that young readers may not know, or in a long sentence. The words of the board itself are what
 * is to be learned.
 */
export const hardWords: Rule = {
  name: 'hard-words',
  look(board) {
    const page = board.pages[0]!.id
    const words = wordsIn(board.instructions)
    const own = new Set(
      board.pages
        .flatMap(p => [
          ...p.pieces.map(pieceName),
          ...p.places.map(q => q.heading),
          ...(p.backdrop.figures ?? []).map(f => f.text),
        ])
        .flatMap(wordsIn),
    )
    const hard = [...new Set(words.filter(word => !own.has(word) && !isKnown(word)))]
    const findings: Finding[] = []
    if (hard.length > 1 && hard.length / words.length > MOST_NEW)
      findings.push({
        rule: 'hard-words',
        severity: 'advice',
        page,
        subjects: [],
        words: { names: hard.join(', '), count: hard.length },
      })
    const longest = Math.max(0, ...board.instructions.split(/[.!?]+/).map(sentence => wordsIn(sentence).length))
    if (longest > LONGEST_SENTENCE)
      findings.push({
        rule: 'long-sentence',
        severity: 'advice',
        page,
        subjects: [],
        words: { words: longest, most: LONGEST_SENTENCE },
      })
    return findings
  },
}

/** In the list, or a regular form of a word in it. */
export const isKnown = (word: string): boolean =>
  KNOWN.has(word) || ENDINGS.some(([ending, instead]) => ending.test(word) && KNOWN.has(word.replace(ending, instead)))
