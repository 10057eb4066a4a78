/**
 * One sound of a word as the open pronunciation dictionary writes it (ARPABET, 39 sounds of American English): vowels
 * carry a stress, 1 for the main one, 2 for a lesser one, 0 for none.
 */
export interface Phone {
  readonly sound: string
  readonly stress: 0 | 1 | 2 | null
}

/**
 * The pronunciations of words, in small letters, as the dictionary writes them. A word that it doesn't know is absent.
 */
export type Sounds = ReadonlyMap<string, readonly string[]>

export function readPhones(text: string): Phone[] {
  return text
    .split(' ')
    .map(phone =>
      /\d$/.test(phone)
        ? { sound: phone.slice(0, -1), stress: Number(phone.at(-1)) as 0 | 1 | 2 }
        : { sound: phone, stress: null },
    )
}

const isVowel = (phone: Phone) => phone.stress !== null

/** As many syllables as vowels. */
export const syllables = (word: readonly Phone[]): number => word.filter(isVowel).length

/** The consonants before the first vowel; none for a word that begins with one. */
export function onset(word: readonly Phone[]): string {
  const first = word.findIndex(isVowel)
  return word
    .slice(0, Math.max(0, first))
    .map(p => p.sound)
    .join(' ')
}

/** The first sound alone, a consonant or a vowel. */
export const initial = (word: readonly Phone[]): string => word[0]?.sound ?? ''

/**
 * Before r these are other vowels than the plain ones: those of "air", "near", "poor", "car" and "for", however the
 * dictionary writes them.
 */
const COLOURED: Readonly<Record<string, string>> = {
  EH: 'EHR',
  AE: 'EHR',
  EY: 'EHR',
  IH: 'IHR',
  IY: 'IHR',
  UH: 'UHR',
  UW: 'UHR',
  AA: 'AAR',
  AO: 'AOR',
}

/**
 * The ways in which American English says what the dictionary writes: a vowel before an r of its own syllable is
 * coloured by it, and is another sound; before an r that begins the next syllable ("very", "airy") it may be either.
 */
export function american(word: readonly Phone[]): Phone[][] {
  return word.reduce<Phone[][]>(
    (ways, phone, i) => {
      const coloured = phone.stress !== null && word[i + 1]?.sound === 'R' ? COLOURED[phone.sound] : undefined
      const sounds = !coloured ? [phone.sound] : word[i + 2]?.stress != null ? [phone.sound, coloured] : [coloured]
      return sounds.flatMap(sound => ways.map(way => [...way, { ...phone, sound }])).slice(0, 4)
    },
    [[]],
  )
}

/** The vowel that is stressed most; the last of them, as in a rhyme. Empty for a word without a vowel. */
export const stressedVowel = (word: readonly Phone[]): string => word[stressedAt(word)]?.sound ?? ''

/** From the stressed vowel to the end: what two words that rhyme have in common. */
export const rhymePart = (word: readonly Phone[]): string =>
  word
    .slice(Math.max(0, stressedAt(word)))
    .map(p => p.sound)
    .join(' ')

function stressedAt(word: readonly Phone[]): number {
  for (const stress of [1, 2, 0]) {
    const at = word.findLastIndex(p => p.stress === stress)
    if (at >= 0) return at
  }
  return -1
}
