/**
 * What no database, no XML and no other program takes in a text: control characters but tab and line ends, half a
 * surrogate pair.
 */
const UNSTORABLE = /[^\P{Cc}\t\n\r\u007F-\u009F]|\p{Surrogate}/u

/** Whether a text can be kept and given on as it is. */
export const isStorable = (text: string) => !UNSTORABLE.test(text)

/** The text without what can't be kept. */
export const storable = (text: string) => (isStorable(text) ? text : text.replace(new RegExp(UNSTORABLE, 'gu'), ''))

/**
 * How many bytes a text takes in UTF-8. Half a surrogate pair counts as the three bytes of the sign that stands in for
 * it.
 */
export function utf8Length(text: string): number {
  let bytes = text.length
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i)
    if (unit < 0x80) continue
    if (unit < 0x800) bytes += 1
    // Each half of a pair counts two: four for the pair.
    else if (unit >= 0xd800 && unit <= 0xdfff) bytes += isPair(text, i) ? 1 : 2
    else bytes += 2
  }
  return bytes
}

function isPair(text: string, i: number): boolean {
  const high = (at: number) => text.charCodeAt(at) >= 0xd800 && text.charCodeAt(at) <= 0xdbff
  const low = (at: number) => text.charCodeAt(at) >= 0xdc00 && text.charCodeAt(at) <= 0xdfff
  return high(i) ? low(i + 1) : low(i) && high(i - 1)
}
