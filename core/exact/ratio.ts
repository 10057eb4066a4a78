import { tidyNumber } from './written'

/**
 * A written number as one whole number over another that is greater than nought, not in lowest terms: enough to read
 * and write one exactly, where nothing is reckoned (`quantity.ts` reckons).
 */
export interface Ratio {
  readonly top: bigint
  readonly bottom: bigint
}

/** A number that the schema has let through, in any form in which numbers are written. Throws for any other text. */
export function ratio(text: string): Ratio {
  const tidy = tidyNumber(text)
  if (tidy === null) throw new Error(`not a number: ${text}`)
  const [, sign, whole = '0', decimals = '', over = '0', under = '1'] =
    /^(-?)(?:(\d+)(?:\.(\d+))?(?: |$))?(?:(\d+)\/(\d+))?$/.exec(tidy)!
  const bottom = BigInt(under) * 10n ** BigInt(decimals.length)
  const size = BigInt(whole + decimals) * BigInt(under) + BigInt(over)
  return { top: sign ? -size : size, bottom }
}

/**
 * A decimal where that is exact with at most three places (0.25), else a mixed number in lowest terms (1 1/3), of any
 * size exactly. A true minus sign.
 */
export function ratioText({ top, bottom }: Ratio): string {
  const size = top < 0n ? -top : top
  const sign = top < 0n ? '−' : ''
  const whole = size / bottom
  const rest = size % bottom
  if ((rest * 1000n) % bottom === 0n) {
    const places = String((rest * 1000n) / bottom)
      .padStart(3, '0')
      .replace(/0+$/, '')
    return `${sign}${whole}${places && `.${places}`}`
  }
  const common = divisor(rest, bottom)
  return `${sign}${whole ? `${whole} ` : ''}${rest / common}/${bottom / common}`
}

/** The greatest whole number that divides both. */
function divisor(a: bigint, b: bigint): bigint {
  return b === 0n ? a : divisor(b, a % b)
}
