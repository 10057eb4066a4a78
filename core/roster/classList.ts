export const MOST_STUDENTS = 200
export const NAME_LONGEST = 60

export type NameProblem = 'double' | 'in-class' | 'too-long' | 'no-letters' | 'too-many'
/** One line of what was pasted, with the name as it would be kept. `line` counts from 1 and includes empty lines. */
export interface ClassListRow { readonly line: number, readonly name: string, readonly problem?: NameProblem }

/**
 * Reads a pasted class list: one name a line. A tab between columns becomes a space ("Marlo⇥Tern"); one comma means
 * surname first ("Tern, Marlo"). Empty lines are passed over. Names are compared without regard to case and accents
 * are kept. The first of two equal names is good, the second a double; `known` are the names already in the class.
 */
export function readClassList(text: string, known: readonly string[] = []): ClassListRow[] {
  const taken = new Set(known.map(fold))
  const seen = new Set<string>()
  const rows: ClassListRow[] = []
  text.split(/\r\n|\r|\n/).forEach((raw, i) => {
    const name = tidyName(raw)
    if (!name) return
    const problem = problemOf(name, rows.length + known.length, taken, seen)
    seen.add(fold(name))
    rows.push({ line: i + 1, name, ...(problem && { problem }) })
  })
  return rows
}

/** Spaces tidied, column marks and quotes gone, invisible controls (which could make two names look the same) removed. */
export function tidyName(raw: string): string {
  const plain = raw.normalize('NFC').replace(/["“”]/g, '').replace(/\t/g, ' ')
    .replace(/[\p{Cc}\p{Cf}]/gu, '').replace(/\s+/g, ' ').trim()
  const parts = plain.split(',').map(part => part.trim())
  const turned = parts.length === 2 && parts[0] && parts[1] ? `${parts[1]} ${parts[0]}` : plain
  return turned.replace(/[;,]+$/, '').trim()
}

function problemOf(name: string, before: number, taken: ReadonlySet<string>, seen: ReadonlySet<string>): NameProblem | undefined {
  if (!/\p{L}/u.test(name)) return 'no-letters'
  if ([...name].length > NAME_LONGEST) return 'too-long'
  if (taken.has(fold(name))) return 'in-class'
  if (seen.has(fold(name))) return 'double'
  return before >= MOST_STUDENTS ? 'too-many' : undefined
}

const fold = (name: string) => name.toLocaleLowerCase('en')

/** "Marlo Tern" is "Marlo T." on name plates; a single name stays; of more than two the first and the last count. */
export function shortName(name: string): string {
  const words = name.split(' ')
  if (words.length < 2) return name
  const initial = [...words.at(-1)!].find(c => /\p{L}/u.test(c)) ?? ''
  return initial ? `${words[0]} ${initial}.` : name
}
