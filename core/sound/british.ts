import type { Phone } from './phones'

/**
 * Words of the set called BATH, in which southern British English has the vowel of "palm" where American English has
 * that of "trap" (J. C. Wells, Accents of English, 1982, volume 1, 2.2.7; the list from memory, not complete).
 */
const BATH = new Set(
  (
    'bath path lath ask mask task flask basket brass class glass grass pass past last mast vast cast fast blast master plaster disaster castle '
    + "after raft craft draft shaft staff half calf laugh aunt branch ranch dance chance glance advance plant grant slant can't answer sample example command demand "
    + 'rather bathroom pathway classroom glasses grasses fasten faster ghastly nasty'
  ).split(' '),
)
/** Words that look as if they were of that set and keep the vowel of "trap" in both (Wells, 2.2.5, from memory). */
const TRAP = new Set(
  (
    'ant gas mass math maths pant rant cant scant romance finance expanse manse crass lass ass bass morass amass massive passive classic classify '
    + 'tassel vassal hassle gasket aspect asthma plastic drastic elastic fantastic gymnastics aster chastity aphid graph traffic gaffe baffle raffle '
    + 'athlete gather lather athletic cathode fancy cancel cancer panther mantle mantra fantasy antler antic atlantic anthem gigantic pantry romantic anchor '
    + 'trample ample grand stand hand sand land band brand and handle candle sandal scandal standard random'
  ).split(' '),
)
/** The set called PALM, which keeps its vowel in both; the list from memory. */
const PALM = new Set('father calm palm balm psalm spa bra ma pa drama lava pyjamas llama saga plaza'.split(' '))
/** Before these the vowel of "cloth" is that of "lot" in British English (Wells, 2.2.13, from memory). */
const CLOTH_BEFORE = new Set(['F', 'S', 'TH', 'NG', 'G'])
/**
 * Before an r that isn't said these glide into the middle: the vowels of NEAR, SQUARE and CURE (Wells, 2.2.22 to
 * 2.2.24).
 */
const CENTRING: Readonly<Record<string, readonly string[]>> = {
  IH: ['IA'],
  IY: ['IA'],
  EH: ['EA'],
  EY: ['EA'],
  AE: ['EA'],
  UH: ['UA', 'AO'],
  UW: ['UA'],
}

const MOST_WAYS = 8

/**
 * How a word that is written down in its American pronunciation sounds in southern British English, as far as rules can
 * say, in every way that it may: an r is heard before a vowel only, and a vowel before one that isn't is another; "lot"
 * has a vowel of its own, O; the vowels of "bath" and of "cloth" change; -ary, -ory and -ery lose their vowel or its
 * stress. What has no rule stays as it is, so a difference that this doesn't know is not seen.
 */
export function british(word: string, phones: readonly Phone[]): Phone[][] {
  const ways = phones.reduce<Phone[][]>(
    (before, phone, i) => {
      const said = sounded(word, phones, i)
      return said.flatMap(more => before.map(way => [...way, ...more])).slice(0, MOST_WAYS)
    },
    [[]],
  )
  const shorter = ways.flatMap(way => {
    const left = withoutEnding(way)
    return left ? [left] : []
  })
  return [...ways, ...shorter].slice(0, MOST_WAYS)
}

/** The ways in which one sound of a word may be said. */
function sounded(word: string, phones: readonly Phone[], i: number): Phone[][] {
  const [phone, next] = [phones[i]!, phones[i + 1]]
  const as = (...sounds: string[]) => sounds.map(sound => [{ ...phone, sound }])
  const isSaid = (r: number) => phones[r + 1]?.stress != null
  if (phone.sound === 'R') return isSaid(i) ? [[phone]] : [[]]
  if (next?.sound === 'R' && CENTRING[phone.sound]) {
    // Before an r that is said there may be either: "very" has the vowel of "bed", "vary" that of "square".
    return isSaid(i + 1) ? as(phone.sound, ...CENTRING[phone.sound]!) : as(...CENTRING[phone.sound]!)
  }
  if (phone.sound === 'AA' && next?.sound !== 'R' && !PALM.has(word)) return as('O')
  if (phone.sound === 'AO' && next && CLOTH_BEFORE.has(next.sound)) return as('O')
  if (phone.sound === 'AE')
    return isOf(BATH, word) ? as('AA') : isOf(TRAP, word) || !likeBath(phones, i) ? as('AE') : as('AE', 'AA')
  return [[phone]]
}

/** With the endings that make no other word of it. */
const isOf = (set: ReadonlySet<string>, word: string) =>
  [
    word,
    ...['s', 'es', 'ed', 'd', 'ing', 'er', 'ers', 'y', "'s"].flatMap(end =>
      word.endsWith(end) ? [word.slice(0, -end.length), `${word.slice(0, -end.length)}e`] : [],
    ),
  ].some(stem => set.has(stem))

/** Before f, s and th, and before ns, nt, nch and mpl, the set is found (Wells, 2.2.7). */
function likeBath(phones: readonly Phone[], i: number): boolean {
  const [a, b, c] = [phones[i + 1]?.sound, phones[i + 2]?.sound, phones[i + 3]?.sound]
  if (a === 'F' || a === 'S' || a === 'TH') return phones[i + 2]?.stress == null
  return (a === 'N' && (b === 'S' || b === 'T' || b === 'CH')) || (a === 'M' && b === 'P' && c === 'L')
}

/** "Secretary" and "territory" without the vowel before the r; null for words that don't end so. */
function withoutEnding(phones: readonly Phone[]): Phone[] | null {
  const [vowel, r, last] = phones.slice(-3)
  const ends =
    r?.sound === 'R' && last?.sound === 'IY' && vowel !== undefined && ENDING.has(vowel.sound) && vowel.stress !== 1
  return ends && phones.filter(phone => phone.stress !== null).length > 2 ? [...phones.slice(0, -3), r, last] : null
}
const ENDING = new Set(['EH', 'EA', 'AO', 'ER', 'AH', 'O'])
