/** Spaces tidied, quotes gone, invisible controls (which could make two names look the same) removed. */
export const tidy = (raw: string) => raw.normalize('NFC').replace(/["“”]/g, '').replace(/\s/g, ' ').replace(/[\p{Cc}\p{Cf}]/gu, '').replace(/ +/g, ' ').trim()

/** A whole name; one comma in it means that the surname came first ("Tern, Marlo"). */
export function tidyName(raw: string): string {
  const plain = tidy(raw)
  const parts = plain.split(',').map(part => part.trim())
  const turned = parts.length === 2 && parts[0] && parts[1] ? `${parts[1]} ${parts[0]}` : plain
  return turned.replace(/[;,]+$/, '').trim()
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
