/** A path of this site out of a query, or undefined: an address elsewhere must not be gone to from a link. */
export function innerPath(value: unknown): string | undefined {
  return typeof value === 'string' && /^\/(?![/\\])/.test(value) ? value : undefined
}
