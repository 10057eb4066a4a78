/** The noughts of all scripts that write numbers by place, ten digits in a row each (The Unicode Standard, general category Nd). */
const NOUGHTS = [
  0x0660, 0x06F0, 0x07C0, 0x0966, 0x09E6, 0x0A66, 0x0AE6, 0x0B66, 0x0BE6, 0x0C66, 0x0CE6, 0x0D66, 0x0DE6, 0x0E50, 0x0ED0, 0x0F20,
  0x1040, 0x1090, 0x17E0, 0x1810, 0x1946, 0x19D0, 0x1A80, 0x1A90, 0x1B50, 0x1BB0, 0x1C40, 0x1C50, 0xA620, 0xA8D0, 0xA900, 0xA9D0,
  0xA9F0, 0xAA50, 0xABF0, 0xFF10, 0x104A0, 0x1D7CE, 0x1D7D8, 0x1D7E2, 0x1D7EC, 0x1D7F6,
]

/** The text with digits of other scripts, and full-width signs, as the ones from 0 to 9 and the signs beside them. */
export function withPlainDigits(text: string): string {
  return text.replace(/\p{Nd}/gu, (digit) => {
    const code = digit.codePointAt(0)!
    const nought = NOUGHTS.find(first => code >= first && code < first + 10)
    return nought === undefined ? digit : String(code - nought)
  }).replace(/[！-～]/g, wide => String.fromCodePoint(wide.codePointAt(0)! - 0xFEE0))
    .replaceAll('٫', '.').replaceAll('٬', '\'')
}
