/**
 * The noughts of all scripts that write numbers by place, ten digits in a row each (The Unicode Standard, general
 * category Nd).
 */
const NOUGHTS = [
  0x0660, 0x06f0, 0x07c0, 0x0966, 0x09e6, 0x0a66, 0x0ae6, 0x0b66, 0x0be6, 0x0c66, 0x0ce6, 0x0d66, 0x0de6, 0x0e50,
  0x0ed0, 0x0f20, 0x1040, 0x1090, 0x17e0, 0x1810, 0x1946, 0x19d0, 0x1a80, 0x1a90, 0x1b50, 0x1bb0, 0x1c40, 0x1c50,
  0xa620, 0xa8d0, 0xa900, 0xa9d0, 0xa9f0, 0xaa50, 0xabf0, 0xff10, 0x104a0, 0x1d7ce, 0x1d7d8, 0x1d7e2, 0x1d7ec, 0x1d7f6,
]

/** The text with digits of other scripts, and full-width signs, as the ones from 0 to 9 and the signs beside them. */
export function withPlainDigits(text: string): string {
  return text
    .replace(/\p{Nd}/gu, digit => {
      const code = digit.codePointAt(0)!
      const nought = NOUGHTS.find(first => code >= first && code < first + 10)
      return nought === undefined ? digit : String(code - nought)
    })
    .replace(/[！-～]/g, wide => String.fromCodePoint(wide.codePointAt(0)! - 0xfee0))
    .replaceAll('٫', '.')
    .replaceAll('٬', "'")
}
