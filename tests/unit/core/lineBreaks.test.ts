import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { breakBy, breakLines } from '../../../core/text/lines'
import { textWidth } from '../../../core/text/measure'
import { unicodeBreaks } from '../../../core/text/unicodeBreaks'

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

afterEach(() => breakBy(() => null))

describe.each([
  ['the short rules', () => null],
  ['the rules of all scripts', () => unicodeBreaks],
])('line breaks by %s, against UAX 14 as the package "linebreak" reads it', (_, rules) => {
  beforeEach(() => breakBy(rules))

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
    breakBy(() => {
      asked++
      return null
    })
    breakLines('Limpets, чайки, γλάροι, שחפים and نوارس', 60, SIZE)
    breakLines('오늘은 바다에 갔습니다', 60, SIZE)
    expect(asked).toBe(0)
    breakLines('海へ行く', 60, SIZE)
    expect(asked).toBe(1)
  })

  it('break where the short ones know nothing: Tibetan after a tsheg, Khmer and Burmese at their marks', () => {
    breakBy(() => unicodeBreaks)
    // By UAX 14, class BA: U+0F0B (tsheg), U+17D5, U+104B.
    for (const text of ['བོད་སྐད་བོད་སྐད', 'កាកា៕កាកា', 'ကာကာ။ကာကာ']) {
      const lines = breakLines(text, textWidth(text, SIZE) * 0.7, SIZE)
      expect(lines[0]).toMatch(/[\u0F0B\u17D5\u104B]$/u)
      expect(lines.join('')).toBe(text)
    }
  })

  it('keep no-break spaces, emoji sequences and numbers with their units whole', () => {
    breakBy(() => unicodeBreaks)
    const text = '山\u00A0川と👩‍👩‍👧海'
    const lines = breakLines(text, 1, SIZE)
    expect(lines.join('')).toBe(text)
    expect(lines).toContain('👩‍👩‍👧')
  })
})
