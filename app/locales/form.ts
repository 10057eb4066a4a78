/** The form that fits a number: of two "one | many", of three "none | one | many". Without a number it is one. */
export function form(count: number | string | undefined, forms: readonly string[]): string {
  const number = Math.abs(typeof count === 'number' ? count : 1)
  const at = forms.length === 2 ? (number === 1 ? 0 : 1) : Math.min(number, 2)
  return forms[at] ?? forms.at(-1)!
}
