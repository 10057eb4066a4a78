import type { Phone } from './phones'

/**
 * Words of the set called BATH, in which southern British English has the vowel of "palm" where American English has that
 * of "trap" (J. C. Wells, Accents of English, 1982, volume 1, 2.2.7; the list from memory, not complete).
 */
const BATH = new Set(('bath path lath ask mask task flask basket brass class glass grass pass past last mast vast cast fast blast master plaster disaster castle '
  + 'after raft craft draft shaft staff half calf laugh aunt branch ranch dance chance glance advance plant grant slant can\'t answer sample example command demand '
  + 'rather bathroom pathway classroom glasses grasses fasten faster ghastly nasty').split(' '))
/** The set called PALM, which keeps its vowel in both; the list from memory. */
const PALM = new Set('father calm palm balm psalm spa bra ma pa drama lava pyjamas llama saga plaza'.split(' '))
/** Before these the vowel of "cloth" is that of "lot" in British English (Wells, 2.2.13, from memory). */
const CLOTH_BEFORE = new Set(['F', 'S', 'TH', 'NG', 'G'])

/**
 * How a word that is written down in its American pronunciation sounds in southern British English, as far as rules can
 * say: an r is heard before a vowel only; "lot" has a vowel of its own, O; the vowels of "bath" and of "cloth" change.
 * What has no rule stays as it is, so a difference that this doesn't know is not seen.
 */
export function british(word: string, phones: readonly Phone[]): Phone[] {
  return phones.flatMap((phone, i): Phone[] => {
    const next = phones[i + 1]
    if (phone.sound === 'R' && !(next && next.stress !== null)) return []
    if (phone.sound === 'AA' && next?.sound !== 'R' && !PALM.has(word)) return [{ ...phone, sound: 'O' }]
    if (phone.sound === 'AO' && next && CLOTH_BEFORE.has(next.sound)) return [{ ...phone, sound: 'O' }]
    if (phone.sound === 'AE' && BATH.has(word)) return [{ ...phone, sound: 'AA' }]
    return [phone]
  })
}
