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

/**
 * "Marlo Tern" is "Marlo T." on name plates; a single name, or one without a letter in its last word, stays; of more
 * than two words the first and the last count. What stands in brackets behind it was put there to tell two of one name
 * apart, and is kept: "Mia Tern (red)" is "Mia (red)".
 */
export const shortName = (name: string): string => shortened(name, 1)

/** With so many letters of the last word, and a point where it is cut short. */
function shortened(name: string, letters: number): string {
  const words = name.split(' ')
  const last = [...words.at(-1)!]
  if (words.length > 1 && last[0] === '(') return `${words[0]} ${last.join('')}`
  const from = last.findIndex(c => /\p{L}/u.test(c))
  if (words.length < 2 || from < 0) return name
  const cut = last.slice(from, from + letters)
  return `${words[0]} ${cut.join('')}${from + letters < last.length || last.length === 1 ? '.' : ''}`
}

/**
 * Short names by which those who stand together can be told apart: "Marlo T." and "Ada K.", but "Marlo Te." and "Marlo
 * To." where both are there, and whole names where nothing shorter will do. Two of one and the same name stay alike.
 */
export function shortNames(names: Iterable<string>): (name: string) => string {
  const all = [...new Set(names)]
  const alike = new Map<string, string[]>()
  for (const name of all) alike.set(shortName(name), [...(alike.get(shortName(name)) ?? []), name])
  const short = new Map<string, string>()
  for (const group of alike.values()) {
    if (group.length > 1) for (const [i, form] of apart(group).entries()) short.set(group[i]!, form)
  }
  return name => short.get(name) ?? shortName(name)
}

function apart(group: readonly string[]): readonly string[] {
  const longest = Math.max(...group.map(name => [...name.split(' ').at(-1)!].length))
  for (let letters = 2; letters <= longest; letters++) {
    const forms = group.map(name => shortened(name, letters))
    // A point alone tells nobody apart.
    if (new Set(forms.map(form => form.replace(/\.$/, ''))).size === group.length) return forms
  }
  return group
}
