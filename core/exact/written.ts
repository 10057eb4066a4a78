/** How children and teachers write numbers: whole, decimal (point or comma), a fraction (3/4) or mixed (1 1/2), with a hyphen or a true minus sign. */
const FORMS = /^[-−+]?\s*(?:\d+\s+\d+\s*\/\s*\d+|\d+\s*\/\s*\d+|\d+(?:[.,]\d+)?|[.,]\d+)$/
/** Letters and digits of a written number. */
export const LONGEST_QUANTITY = 40

/** A written number in one form ("-1 1/2", "0.5", "3/4"); null for anything else, and for a denominator of zero. */
export function tidyNumber(text: string): string | null {
  const plain = text.trim()
  if (plain.length > LONGEST_QUANTITY || !FORMS.test(plain)) return null
  const tidy = plain.replace('−', '-').replace(',', '.').replace(/^([-+])\s+/, '$1').replace(/\s*\/\s*/, '/').replace(/\s+/, ' ')
  return /\/0+$/.test(tidy) ? null : tidy
}

/** The floating number nearest to a written one that is known to be one, for lengths and places; what is counted is exact (`quantity.ts`). Throws for any other text. */
export function floating(text: string): number {
  const tidy = tidyNumber(text)
  if (!tidy) throw new Error(`not a number: ${text}`)
  const [, sign, whole, top, under] = /^([-+]?)(?:([\d.]+)(?: |$))?(?:(\d+)\/(\d+))?$/.exec(tidy)!
  const size = Number(whole ?? 0) + (under ? Number(top) / Number(under) : 0)
  return sign === '-' ? -size : size
}
