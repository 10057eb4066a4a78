/** A piece of a text: a word, or what stands between words. */
export interface SpokenPart {
  readonly text: string
  readonly from: number
}

/** The text cut into words and what stands between them; put together again it is the text. Of an empty text none. */
export function spokenParts(text: string): SpokenPart[] {
  return [...text.matchAll(/\s+|\S+/g)].map(([part], i, all) => ({ text: part, from: all[i]!.index }))
}

/** The part in which this place of the text is; a voice says by such places where it is. -1 beyond the end. */
export function partAt(parts: readonly SpokenPart[], at: number): number {
  return parts.findIndex(part => at >= part.from && at < part.from + part.text.length)
}

/** Languages in which boards are read, as BCP 47 has them. */
export const LANGUAGES = [
  'en-GB',
  'en-US',
  'de-DE',
  'fr-FR',
  'es-ES',
  'it-IT',
  'pt-PT',
  'nl-NL',
  'pl-PL',
  'sv-SE',
  'tr-TR',
  'uk-UA',
  'ru-RU',
  'ar-SA',
  'zh-CN',
  'ja-JP',
  'cy-GB',
  'ga-IE',
] as const
export type Language = (typeof LANGUAGES)[number]
/** Of a board that says nothing else. */
export const USUAL_LANGUAGE: Language = 'en-GB'

/** Languages that are written from the right, by their primary tag (The Unicode Standard: Hebrew, Arabic and kin). */
const FROM_RIGHT = new Set(['ar', 'dv', 'fa', 'he', 'ps', 'sd', 'ug', 'ur', 'yi'])
/** Whether lines of this language begin at the right. Without a language they don't. */
export const readsFromRight = (language: string | undefined): boolean =>
  FROM_RIGHT.has(language?.toLowerCase().split('-')[0] ?? '')

/**
 * The voice for a language among those that a device has: one of this very language before one of the same language
 * elsewhere, and one that is on the device before one that needs a network. Null where there is none.
 */
export function voiceFor<Voice extends { readonly lang: string; readonly localService: boolean }>(
  voices: readonly Voice[],
  language: string,
): Voice | null {
  const tag = (lang: string) => lang.toLowerCase().replace('_', '-')
  const fits = (voice: Voice) =>
    tag(voice.lang) === tag(language) ? 2 : tag(voice.lang).split('-')[0] === tag(language).split('-')[0] ? 1 : 0
  return (
    voices.filter(fits).toSorted((a, b) => fits(b) - fits(a) || Number(b.localService) - Number(a.localService))[0]
    ?? null
  )
}
