import LineBreaker from 'linebreak'
import { describe, expect, it } from 'vitest'
import { breakLines } from '../../../core/text/lines'
import { textWidth } from '../../../core/text/measure'

/** Where a line may end by UAX 14, as the package "linebreak" 1.1.0 reads it (made apart from the product). */
function opportunities(text: string): Set<number> {
  const breaker = new LineBreaker(text)
  const found = new Set<number>()
  for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) found.add(next.position)
  return found
}

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

describe('line breaks, against UAX 14', () => {
  it.each(Object.entries(TEXTS))('of a text with %s are all allowed', (_, text) => {
    const may = opportunities(text)
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
      expect(taken).toBeGreaterThanOrEqual(opportunities(text).size - 2)
    }
  })
})
