import { loadSyllables, type Syllables } from '../../core/text/hyphens'
import { breakTextsBy } from '../../core/text/lines'
import { USUAL_LANGUAGE, type Language } from '../../core/text/spoken'
import { unicodeBreaks } from '../../core/text/unicodeBreaks'

const known = new Map<Language, Syllables | null>()

/** Texts are broken by the rules of all scripts, and words divided in the languages that have been made known. */
export function breakTextsAsDevicesDo(): void {
  breakTextsBy({
    breaks: () => unicodeBreaks,
    syllables: language => known.get(language) ?? null,
    edition: () => known.size,
  })
}

/** Before a board in this language is drawn: its words are divided as they are on a screen. */
export async function knowSyllablesOf({
  language = USUAL_LANGUAGE,
}: {
  language?: Language | undefined
}): Promise<void> {
  if (!known.has(language)) known.set(language, await loadSyllables(language))
}
