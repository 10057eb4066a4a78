export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252'

/**
 * The text of a file of any origin. A byte order mark decides; without one, NUL at every other byte means UTF-16, what
 * is
 * good UTF-8 is that, and everything else is read as Windows-1252, which never fails (the order of WHATWG Encoding,
 * 6.1,
 * with its fallback for western languages).
 */
export function decodeText(bytes: Uint8Array): { readonly text: string; readonly encoding: Encoding } {
  const [a, b] = bytes
  if (a === 0xff && b === 0xfe) return as('utf-16le', bytes, 'UTF-16')
  if (a === 0xfe && b === 0xff) return as('utf-16be', bytes, 'UTF-16')
  const start = bytes.subarray(0, 2000)
  const [even, odd] = [0, 1].map(rest => start.filter((byte, i) => i % 2 === rest && byte === 0).length) as [
    number,
    number,
  ]
  if (odd > start.length / 4) return as('utf-16le', bytes, 'UTF-16')
  if (even > start.length / 4) return as('utf-16be', bytes, 'UTF-16')
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' }
  } catch {
    return as('windows-1252', bytes, 'Windows-1252')
  }
}

const as = (label: string, bytes: Uint8Array, encoding: Encoding) => ({
  text: new TextDecoder(label).decode(bytes),
  encoding,
})
