import { dictionary } from 'cmu-pronouncing-dictionary'
import { describe, expect, it } from 'vitest'
import { seeded } from '../../../core/layout/random'
import { heard, type SoundTest } from '../../../core/sound/compare'
import spoken from './espeak.json'

/**
 * How a third of the words of the Dale–Chall list are said in American and in British English: eSpeak NG 1.51, voices
 * en-us and en-gb-x-rp, written by `espeak-ng --ipa`. Its dictionary and rules were made apart from the pronouncing
 * dictionary that the product reads, so that where both agree neither has copied the other.
 */
const WORDS = Object.entries(spoken as unknown as Record<string, [string, string]>)
const sounds = new Map<string, string[]>()
for (const [name, phones] of Object.entries(dictionary)) {
  const word = name.replace(/\(\d+\)$/, '')
  sounds.set(word, [...(sounds.get(word) ?? []), phones])
}

const VOWEL = /(?:aɪ|aʊ|eɪ|ɔɪ|oʊ|əʊ|ɛə|eə|ɪə|iə|ʊə|ɑː|ɔː|ɜː|iː|uː|oː|ɔ|ɑ|ɒ|ɐ|æ|a|e|ɛ|ɪ|i|ɨ|ʊ|u|ʌ|ə|ɚ|ɜ)ː?ɹ?/gu
/** The stressed vowel, with the r that colours it; what comes from there; what stands before the first vowel. */
function parts(ipa: string) {
  const plain = ipa.replace(/[ˌ.\s]/g, '')
  const bare = plain.replace('ˈ', '')
  const stress = Math.max(0, plain.indexOf('ˈ'))
  const vowels = [...bare.matchAll(VOWEL)]
  const stressed = vowels.find(v => v.index >= stress) ?? vowels[0]
  const first = vowels[0]
  // A consonant of two signs is one sound.
  const consonants = bare.slice(0, first?.index).match(/tʃ|dʒ|./gu) ?? []
  return {
    vowel: stressed?.[0] ?? '',
    rhymes: stressed ? bare.slice(stressed.index) : '',
    onset: consonants.join(''),
    initial: consonants[0] ?? first?.[0] ?? '',
  }
}
type Part = keyof ReturnType<typeof parts>
const known = WORDS.filter(([word]) => sounds.has(word)).map(([word, said]) => ({ word, said: said.map(parts) }))

/** Pairs that sound alike in both accents, and pairs that do in neither, a fixed choice of each. */
function pairs(part: Part, alike: boolean, most: number) {
  const random = seeded(7)
  const all = known.flatMap((a, i) =>
    known
      .slice(i + 1)
      .filter(b => [0, 1].every(accent => (a.said[accent]![part] === b.said[accent]![part]) === alike))
      .map(b => [a.word, b.word] as const),
  )
  return Array.from({ length: Math.min(most, all.length) }, () => all[Math.floor(random() * all.length)]!)
}

describe('against a synthesizer that speaks American and British English, on 300 pairs each side', () => {
  const PARTS: [part: Part & SoundTest, wrong: number][] = [
    ['vowel', 0.03],
    ['rhymes', 0.03],
    ['onset', 0.02],
    ['initial', 0.02],
  ]
  it.each(PARTS)('%s is decided against it at most at this rate: %d', (part, rate) => {
    for (const alike of [true, false]) {
      const asked = pairs(part, alike, 300)
      expect(asked.length).toBeGreaterThan(250)
      const wrong = asked.filter(([a, b]) => heard(part, a, b, sounds) === !alike)
      expect(wrong.length / asked.length, wrong.map(pair => pair.join(' and ')).join(', ')).toBeLessThanOrEqual(rate)
    }
  })

  it('a number of syllables is decided against it for at most 3 in 100 words', () => {
    const counted = WORDS.filter(([word]) => sounds.has(word)).flatMap(([word, said]) => {
      const [american, british] = said.map(ipa => [...ipa.replace(/[ˈˌ]/g, '').matchAll(VOWEL)].length)
      return american === british ? [{ word, count: american! }] : []
    })
    expect(counted.length).toBeGreaterThan(600)
    const wrong = counted.filter(({ word, count }) => heard('syllables', word, String(count), sounds) === false)
    expect(wrong.length / counted.length, wrong.map(({ word }) => word).join(', ')).toBeLessThanOrEqual(0.03)
    const more = counted.filter(({ word, count }) => heard('syllables', word, String(count + 1), sounds) === true)
    expect(more.length / counted.length, more.map(({ word }) => word).join(', ')).toBeLessThanOrEqual(0.03)
  })
})
