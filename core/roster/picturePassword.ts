import type { Random } from '../layout/random'

/** The pictures a password is made of: easily told apart in shape, not only in colour, and easily named aloud. */
export const PASSWORD_PICTURES = [
  'anchor',
  'fish',
  'shell',
  'sailboat',
  'sun',
  'cloud',
  'star',
  'tree',
  'bird',
  'cat',
  'key',
  'bell',
] as const
export type PasswordPicture = (typeof PASSWORD_PICTURES)[number]
export const PASSWORD_LENGTH = 3

/** Three pictures in order, the same one never twice: 1,320 passwords. */
export function makePicturePassword(random: Random): PasswordPicture[] {
  const left = [...PASSWORD_PICTURES]
  return Array.from({ length: PASSWORD_LENGTH }, () => left.splice(Math.floor(random() * left.length), 1)[0]!)
}

/** Letters and digits that can't be mistaken for each other when copied from a board. */
const CODE_LETTERS = 'BCDFGHJKMNPQRTVWXY346789'
const CLASS_CODE_LENGTH = 6

export function makeClassCode(random: Random): string {
  return Array.from({ length: CLASS_CODE_LENGTH }, () => CODE_LETTERS[Math.floor(random() * CODE_LETTERS.length)]).join(
    '',
  )
}

/** For the eye: two groups of three. */
export const codeInGroups = (code: string) => `${code.slice(0, 3)} ${code.slice(3)}`

/** As a student may type it: small letters, spaces and dashes. */
export function tidyClassCode(typed: string): string {
  return typed.toUpperCase().replace(/[^A-Z0-9]/g, '')
}
