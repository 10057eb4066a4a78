/**
 * Joiners that belong to a name: between letters, or behind the sign that takes a vowel away, they decide how Persian
 * and Indic names are written (The Unicode Standard, 9.2 and 12.1).
 */
const JOINERS = /(?<=[\p{L}\p{M}])[\u200C\u200D](?=[\p{L}\p{M}])/gu
const KEPT = '\uE000'

/**
 * Spaces tidied, quotes gone, invisible controls (which could make two names look the same) removed, but for joiners
 * between letters.
 */
export function tidy(raw: string): string {
  const joiners: string[] = []
  return raw
    .normalize('NFC')
    .replaceAll(KEPT, '')
    .replace(JOINERS, joiner => (joiners.push(joiner), KEPT))
    .replace(/["“”]/g, '')
    .replace(/\s/g, ' ')
    .replace(/[\p{Cc}\p{Cf}]/gu, '')
    .replaceAll(KEPT, () => joiners.shift()!)
    .replace(/ +/g, ' ')
    .trim()
}

/** A number, a letter or a bullet that a list was counted with: "1. Marlo", "2) Ada", "• Bo". */
const COUNTED = /^(?:\(?\d{1,3}\s*[.):\]]\s*|[•·▪‣◦*–-]\s+)(?=\p{L})/u

/** A whole name; one comma in it means that the surname came first ("Tern, Marlo"). */
export function tidyName(raw: string): string {
  const plain = tidy(raw).replace(COUNTED, '')
  const parts = plain.split(/[,，،、]/).map(part => part.trim())
  const turned = parts.length === 2 && parts[0] && parts[1] ? `${parts[1]} ${parts[0]}` : plain
  return turned.replace(/[;,，،、；؛]+$/, '').trim()
}

/** A name that can be read out has a letter of some script. */
export const hasLetter = (name: string) => /\p{L}/u.test(name)

/** Two names that a class can't have both. As the database folds them. */
export const foldName = (name: string) => name.toLowerCase()

/** "Marlo Tern" is "Marlo T." on name plates; a single name stays; of more than two the first and the last count. */
export function shortName(name: string): string {
  const words = name.split(' ')
  if (words.length < 2) return name
  const initial = [...words.at(-1)!].find(c => /\p{L}/u.test(c)) ?? ''
  return initial ? `${words[0]} ${initial}.` : name
}
