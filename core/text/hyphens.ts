import type { Language } from './spoken'

/** The parts of a word between which it may be divided at the end of a line; put together they are the word. */
export type Syllables = (word: string) => readonly string[]

type Patterns = () => Promise<{ readonly default: unknown }>
/** Patterns by which words of a language are divided. Arabic, Chinese and Japanese divide none. */
const PATTERNS: { readonly [L in Language]: Patterns | null } = {
  'en-GB': () => import('hyphen/patterns/en-gb.js'),
  'en-US': () => import('hyphen/patterns/en-us.js'),
  'de-DE': () => import('hyphen/patterns/de-1996.js'),
  'fr-FR': () => import('hyphen/patterns/fr.js'),
  'es-ES': () => import('hyphen/patterns/es.js'),
  'it-IT': () => import('hyphen/patterns/it.js'),
  'pt-PT': () => import('hyphen/patterns/pt.js'),
  'nl-NL': () => import('hyphen/patterns/nl.js'),
  'pl-PL': () => import('hyphen/patterns/pl.js'),
  'sv-SE': () => import('hyphen/patterns/sv.js'),
  'tr-TR': () => import('hyphen/patterns/tr.js'),
  'uk-UA': () => import('hyphen/patterns/uk.js'),
  'ru-RU': () => import('hyphen/patterns/ru.js'),
  'cy-GB': () => import('hyphen/patterns/cy.js'),
  'ga-IE': () => import('hyphen/patterns/ga.js'),
  'ar-SA': null,
  'zh-CN': null,
  'ja-JP': null,
}
const SOFT_HYPHEN = '\u00AD'

/**
 * How words of a language are divided, by Liang's patterns (F. M. Liang, *Word Hy-phen-a-tion by Com-put-er*, 1983) as
 * the package `hyphen` has them; null for a language that divides none. They are fetched by whoever needs them: a
 * language has up to 100 KB.
 */
export async function loadSyllables(language: Language): Promise<Syllables | null> {
  const patterns = PATTERNS[language]
  if (!patterns) return null
  const [{ default: hyphenator }, { default: of }] = await Promise.all([import('hyphen'), patterns()])
  const divided = hyphenator(of, { hyphenChar: SOFT_HYPHEN })
  return word => divided(word).split(SOFT_HYPHEN)
}
