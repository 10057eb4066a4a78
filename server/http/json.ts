import { ok, refuse, type Result } from '../../core/result'

/** Whether brackets nest deeper than this; those inside of strings don't count. One pass, no memory. */
export function nestsDeeper(text: string, deepest: number): boolean {
  let depth = 0
  for (let i = 0; i < text.length; i++) {
    const c = text.charCodeAt(i)
    if (c === 0x22) {
      for (i++; i < text.length && text.charCodeAt(i) !== 0x22; i++) if (text.charCodeAt(i) === 0x5c) i++
    } else if (c === 0x5b || c === 0x7b) {
      if (++depth > deepest) return true
    } else if (c === 0x5d || c === 0x7d) depth--
  }
  return false
}

/** JSON of any origin, looked through before it is read. */
export function parseJson(text: string, deepest: number): Result<unknown, 'not-json' | 'too-deep'> {
  if (nestsDeeper(text, deepest)) return refuse('too-deep')
  try {
    return ok(JSON.parse(text) as unknown)
  } catch {
    return refuse('not-json')
  }
}
