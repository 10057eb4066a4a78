import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { partAt, spokenParts, voiceFor } from '../../../core/text/spoken'

describe('words as they are spoken', () => {
  it('are cut so that together they are the text, and each place of it is in one of them', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), text => {
        const parts = spokenParts(text)
        expect(parts.map(part => part.text).join('')).toBe(text)
        for (let at = 0; at < text.length; at++) {
          const part = parts[partAt(parts, at)]!
          expect(at >= part.from && at < part.from + part.text.length).toBe(true)
        }
        expect(partAt(parts, text.length)).toBe(-1)
      }),
    )
  })

  it('are found by the place that a voice names', () => {
    const parts = spokenParts('Sort the  cards.')
    expect([0, 5, 7, 10].map(at => parts[partAt(parts, at)]!.text)).toEqual(['Sort', 'the', 'the', 'cards.'])
    expect(spokenParts('')).toEqual([])
  })

  it('get a voice of their own language, rather from the same country and from the device; of another language none', () => {
    const voice = (lang: string, localService = true) => ({ lang, localService })
    const [gb, us, net, de] = [voice('en-GB'), voice('en_US'), voice('en-GB', false), voice('de-DE')]
    expect(voiceFor([us, net, gb, de], 'en-GB')).toBe(gb)
    expect(voiceFor([us, net, de], 'en-GB')).toBe(net)
    expect(voiceFor([de, us], 'en-GB')).toBe(us)
    expect(voiceFor([de], 'en-GB')).toBeNull()
    expect(voiceFor([], 'en-GB')).toBeNull()
  })
})
