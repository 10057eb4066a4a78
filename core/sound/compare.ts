import { british } from './british'
import {
  american,
  initial,
  onset,
  readPhones,
  rhymePart,
  stressedVowel,
  syllables,
  type Phone,
  type Sounds,
} from './phones'

/** *differs*: in one accent or variant yes, in another no. Null: a word is not in the dictionary. */
export type Heard = boolean | 'differs' | null
export type SoundTest = 'vowel' | 'rhymes' | 'onset' | 'initial' | 'syllables'

/** The words of a text as the dictionary knows them: small letters, apostrophes inside. */
export const wordsIn = (text: string): string[] =>
  text
    .normalize('NFC')
    .toLocaleLowerCase('en')
    .replace(/[‘’ʼ]/g, "'")
    .match(/\p{L}+(?:'\p{L}+)*/gu) ?? []

/**
 * Whether a text sounds as a rule says: with the stressed vowel of an example word, rhyming with it, beginning with all
 * its first consonants or with its first sound, or with so many syllables. A word doesn't rhyme with itself. Every
 * variant in the dictionary is asked, in American English as it stands and in southern British English by rule; where
 * they don't agree it is *differs*.
 */
export function heard(test: SoundTest, text: string, value: string, sounds: Sounds): Heard {
  const said = pronunciations(text, sounds)
  if (!said) return null
  if (test === 'syllables')
    return agreed(said.flatMap(({ american, british }) => [american, british]).map(p => syllables(p) === Number(value)))
  const example = pronunciations(value, sounds)
  if (!example) return null
  const part = { vowel: stressedVowel, rhymes: rhymePart, onset, initial }[test]
  const same = (a: readonly Phone[], b: readonly Phone[]) =>
    part(a) === part(b) && (test !== 'rhymes' || wordsIn(text).join() !== wordsIn(value).join())
  return agreed(
    (['american', 'british'] as const).flatMap(accent =>
      said.map(form => example.some(e => same(form[accent], e[accent]))),
    ),
  )
}

const agreed = (answers: readonly boolean[]): Heard =>
  answers.every(Boolean) ? true : answers.some(Boolean) ? 'differs' : false

interface Said {
  readonly american: readonly Phone[]
  readonly british: readonly Phone[]
}

/** Of a text of many words no more ways are held against each other. */
const MOST_WAYS = 64

/** Every way of saying a text; null when one of its words is unknown, or it has none. */
function pronunciations(text: string, sounds: Sounds): Said[] | null {
  const words = wordsIn(text)
  if (words.length === 0 || words.some(word => !sounds.has(word))) return null
  return words.reduce<Said[]>(
    (ways, word) =>
      ways
        .flatMap(way =>
          sounds
            .get(word)!
            .map(variant => {
              const phones = readPhones(variant)
              return american(phones).flatMap(a =>
                british(word, phones).map(b => ({
                  american: [...way.american, ...a],
                  british: [...way.british, ...b],
                })),
              )
            })
            .flat(),
        )
        .slice(0, MOST_WAYS),
    [{ american: [], british: [] }],
  )
}
