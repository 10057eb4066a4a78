const LONGEST = 60

/**
 * A name for a file or a folder that every system takes: letters, digits and hyphens of a title behind a number, which
 * keeps them in order and apart.
 */
export function numbered(nth: number, title: string): string {
  const words = [...title.normalize('NFC').replace(/[^\p{L}\p{N}]+/gu, '-')].slice(0, LONGEST).join('')
  const plain = words.replace(/^-+|-+$/g, '')
  return `${String(nth).padStart(3, '0')}${plain && '-'}${plain}`
}

/** Data as a file that people can read, too. */
export const asJson = (data: unknown): string => JSON.stringify(data, null, 1)
