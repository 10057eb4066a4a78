/**
 * JSON with sorted keys and no spaces, so that equal documents have equal bytes and so equal hashes
 * (the object ordering of RFC 8785, section 3.2.3). Undefined members are left out. Throws on what JSON can't say.
 */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonicalJson).join(',')}]`
  if (value !== null && typeof value === 'object') {
    const members = Object.entries(value).filter(([, member]) => member !== undefined)
    members.sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
    return `{${members.map(([name, member]) => `${JSON.stringify(name)}:${canonicalJson(member)}`).join(',')}}`
  }
  if (typeof value === 'number' && !Number.isFinite(value)) throw new TypeError('JSON has no such number')
  const text = JSON.stringify(value)
  if (text === undefined) throw new TypeError(`JSON can't say ${typeof value}`)
  return text
}
