/** The part of something that is asked for: its first and last byte, both counted. */
export interface Part {
  readonly first: number
  readonly last: number
}

/**
 * What a Range header asks of so many bytes (RFC 9110, sections 14.1.2 and 14.2): one part; 'whole' where nothing,
 * several parts, another unit or nothing readable is asked, which the standard lets a server answer with all of it;
 * 'outside' where there is no such part.
 */
export function partOf(header: string | undefined, size: number): Part | 'whole' | 'outside' {
  const asked = /^bytes=[ \t]*(\d{0,15})-(\d{0,15})[ \t]*$/i.exec(header ?? '')
  if (!asked) return 'whole'
  const [from, to] = [asked[1]!, asked[2]!]
  if (from === '' && to === '') return 'whole'
  if (from === '')
    return Number(to) === 0 || size === 0 ? 'outside' : { first: Math.max(0, size - Number(to)), last: size - 1 }
  const first = Number(from)
  const last = to === '' ? size - 1 : Math.min(Number(to), size - 1)
  if (to !== '' && Number(to) < first) return 'whole'
  return first >= size ? 'outside' : { first, last }
}
