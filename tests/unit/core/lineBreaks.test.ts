import fc from 'fast-check'
import { afterAll, afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Gaps } from '../../../core/board/place'
import { drawPiece } from '../../../core/drawing/piece'
import { layoutGaps } from '../../../core/layout/gaps'
import { loadSyllables } from '../../../core/text/hyphens'
import { breakLines, breakTextsBy, keptWhileBroken, SHORT_RULES, type BreakRules } from '../../../core/text/lines'
import { textWidth } from '../../../core/text/measure'
import { LANGUAGES } from '../../../core/text/spoken'
import { unicodeBreaks } from '../../../core/text/unicodeBreaks'
import { masterId, placeId } from '../../boards'
import { box, card, SIZES } from '../../keyBoards'

const SIZE = 16
const TEXTS = {
  sentence: 'The limpet (a sea snail) never lets go, and the tern "dives" for fish – every day, twice.',
  hyphens: 'A well-known north-west wind blew for twenty-one days; the ex-captain re-entered at half-past ten.',
  numbers: 'About 3.5 % of 12,000 gulls, or £4.20 each, at 10:30 on 3/4 of 24 days: that is −5 °C and 50% off!',
  dashes: 'Boats—large ones—came in; then… nothing at all. Really?! Yes: “quite” so, ‘it’ was said.',
  japanese: '朝、海に行きました。「きれいですね」と、母が言った。ちょっと待ってください！コンピューターを買う。',
  chinese: '今天（星期一）我们去海边，看见了很多海鸥。“真漂亮！”他说：这里有三十只《海鸟》。',
  korean: '오늘은 바다에 갔습니다. 갈매기가 많이 있었어요! 정말 (아주) 예뻤습니다.',
  hebrew: 'הלכנו לים היום, וראינו שחפים רבים. "יפה מאוד!" אמרה אמא.',
  arabic: 'ذهبنا إلى البحر اليوم، ورأينا كثيرا من النوارس. قالت أمي: ما أجملها!',
  mixed: 'The word 海 means sea, 山 (mountain) is yama, and 3月4日 is a date.',
}

afterEach(() => breakTextsBy(SHORT_RULES))

describe.each([
  ['the short rules', () => null],
  ['the rules of all scripts', () => unicodeBreaks],
])('line breaks by %s, against UAX 14 as the package "linebreak" reads it', (_, rules) => {
  beforeEach(() => breakTextsBy({ ...SHORT_RULES, breaks: rules }))

  it.each(Object.entries(TEXTS))('of a text with %s are all allowed', (_, text) => {
    const may = new Set(unicodeBreaks(text))
    const runs = [0, ...may].map((at, i, all) => text.slice(at, all[i + 1] ?? text.length).trim())
    const widest = Math.max(...runs.map(run => textWidth(run, SIZE, 'regular')))
    let broken = 0
    for (const wider of [0, 3, 9, 20, 41, 77, 130]) {
      let at = 0
      for (const line of breakLines(text, widest + wider, SIZE).slice(0, -1)) {
        at = text.indexOf(line, at) + line.length
        while (text[at] === ' ') at++
        expect(may.has(at), `${text.slice(0, at)}|${text.slice(at)}`).toBe(true)
        broken++
      }
    }
    expect(broken).toBeGreaterThan(6)
  })

  it('of texts without spaces are nearly all taken, so that lines fill', () => {
    for (const text of [TEXTS.japanese, TEXTS.chinese]) {
      const taken = breakLines(text, SIZE * 1.1, SIZE).length - 1
      expect(taken).toBeGreaterThanOrEqual(unicodeBreaks(text).length - 2)
    }
  })
})

describe('the rules of all scripts', () => {
  it('are asked for by texts that need them, and only by those', () => {
    let asked = 0
    const breaks = () => {
      asked++
      return null
    }
    breakTextsBy({ ...SHORT_RULES, breaks })
    breakLines('Limpets, чайки, γλάροι, שחפים and نوارس', 60, SIZE)
    breakLines('오늘은 바다에 갔습니다', 60, SIZE)
    expect(asked).toBe(0)
    breakLines('海へ行く', 60, SIZE)
    expect(asked).toBe(1)
  })

  it('break where the short ones know nothing: Tibetan after a tsheg, Khmer and Burmese at their marks', () => {
    breakTextsBy({ ...SHORT_RULES, breaks: () => unicodeBreaks })
    // By UAX 14, class BA: U+0F0B (tsheg), U+17D5, U+104B.
    for (const text of ['བོད་སྐད་བོད་སྐད', 'កាកា៕កាកា', 'ကာကာ။ကာကာ']) {
      const lines = breakLines(text, textWidth(text, SIZE) * 0.7, SIZE)
      expect(lines[0]).toMatch(/[\u0F0B\u17D5\u104B]$/u)
      expect(lines.join('')).toBe(text)
    }
  })

  it('keep no-break spaces, emoji sequences and numbers with their units whole', () => {
    breakTextsBy({ ...SHORT_RULES, breaks: () => unicodeBreaks })
    const text = '山\u00A0川と👩‍👩‍👧海'
    const lines = breakLines(text, 1, SIZE)
    expect(lines.join('')).toBe(text)
    expect(lines).toContain('👩‍👩‍👧')
  })
})

describe('words that are too wide', () => {
  const WIDE = 10_000
  afterAll(() => breakTextsBy(SHORT_RULES))

  it("are divided as Liang's patterns divide them, in the language of the board", async () => {
    // Knuth, The TeXbook, appendix H: hy-phen-ation, su-per-cal-ifrag-ilis-tic-ex-pi-ali-do-cious.
    const english = (await loadSyllables('en-US'))!
    expect(english('hyphenation')).toEqual(['hy', 'phen', 'ation'])
    expect(english('supercalifragilisticexpialidocious').join('-')).toBe('su-per-cal-ifrag-ilis-tic-ex-pi-ali-do-cious')
    // Duden: Do|nau|dampf|schiff, Ge|zei|ten (from memory).
    const german = (await loadSyllables('de-DE'))!
    expect(german('Donaudampfschiff')).toEqual(['Do', 'nau', 'dampf', 'schiff'])
    expect(german('Gezeiten')).toEqual(['Ge', 'zei', 'ten'])
    expect(await loadSyllables('ja-JP')).toBeNull()
    for (const language of LANGUAGES) {
      const divide = await loadSyllables(language)
      expect(divide?.('Gezeitenkraftwerk').join('') ?? 'Gezeitenkraftwerk', language).toBe('Gezeitenkraftwerk')
    }
  })

  it('have a hyphen at each line but the last, lose no letter, and are divided only where they must be', async () => {
    const german = (await loadSyllables('de-DE'))!
    breakTextsBy({ ...SHORT_RULES, syllables: language => (language === 'de-DE' ? german : null) })
    const style = { language: 'de-DE' } as const
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('Gezeitenkraftwerk', 'Napfschnecke', 'See', 'Donaudampfschiff', 'Ebbe'), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.integer({ min: 60, max: 400 }),
        (words, width) => {
          const text = words.join(' ')
          const lines = breakLines(text, width, 18, style)
          for (const line of lines) expect(textWidth(line, 18)).toBeLessThanOrEqual(width)
          expect(
            lines
              .map(line => (line.endsWith('-') ? line.slice(0, -1) : `${line} `))
              .join('')
              .trim(),
          ).toBe(text)
          if (words.every(word => textWidth(word, 18) <= width)) expect(lines.join()).not.toContain('-')
        },
      ),
    )
    expect(breakLines('Gezeitenkraftwerk', 90, 18, style)).toEqual(['Gezeiten-', 'kraftwerk'])
    // Where not even a syllable fits, and in a language that nobody gave, it is broken anywhere, as before.
    expect(breakLines('Gezeitenkraftwerk', 20, 18, style)).toEqual(breakLines('Gezeitenkraftwerk', 20, 18))
    expect(breakLines('Gezeitenkraftwerk', 90, 18, { language: 'fr-FR' })).toEqual(
      breakLines('Gezeitenkraftwerk', 90, 18),
    )
    expect(breakLines('Gezeitenkraftwerk', WIDE, 18, style)).toEqual(['Gezeitenkraftwerk'])
  })
})

describe('what is kept of broken texts', () => {
  const tibetan = 'བོད་སྐད་ཡིག་བོད་སྐད་ཡིག'

  it('is worked out once, and anew when other rules come', () => {
    let rules: BreakRules | null = null
    breakTextsBy({ ...SHORT_RULES, breaks: () => rules, edition: () => rules })
    let worked = 0
    const linesOf = keptWhileBroken(({ text }: { text: string }) => {
      worked++
      return breakLines(text, textWidth(text, SIZE) * 0.7, SIZE)
    })
    const thing = { text: tibetan }
    const before = linesOf(thing)
    expect(linesOf(thing)).toBe(before)
    rules = unicodeBreaks
    expect(linesOf(thing)).not.toEqual(before)
    expect(linesOf(thing)[0]).toMatch(/\u0F0B$/u)
    expect(worked).toBe(2)
  })

  it('goes for pieces and for gaps in a text', () => {
    let rules: BreakRules | null = null
    breakTextsBy({ ...SHORT_RULES, breaks: () => rules, edition: () => rules })
    const piece = card('sky', { text: tibetan })
    const master = { id: masterId('card'), textSize: SIZE, ...SIZES.card }
    const gaps: Gaps = {
      kind: 'gaps',
      id: placeId('g'),
      heading: '',
      text: `${tibetan}${tibetan} ____`,
      textSize: 20,
      typed: true,
      gap: { width: 90, height: 30 },
      shape: box(0, 0, 160, 400),
    }
    const drawn = () => JSON.stringify(drawPiece({ piece, master, language: 'en-GB' }))
    const before = { drawn: drawn(), laid: layoutGaps(gaps) }
    expect(drawn()).toBe(before.drawn)
    rules = unicodeBreaks
    expect(drawn()).not.toBe(before.drawn)
    expect(layoutGaps(gaps)).not.toEqual(before.laid)
  })
})
