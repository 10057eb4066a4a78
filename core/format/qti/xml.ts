import { escaped } from '../../drawing/svg'

/** An element with its attributes; what is undefined is left out. Children are written already. */
export function element(
  name: string,
  attributes: Readonly<Record<string, string | number | boolean | undefined>>,
  ...children: readonly string[]
): string {
  const written = Object.entries(attributes)
    .filter(([, value]) => value !== undefined)
    .map(([key, value]) => ` ${key}="${escaped(String(value))}"`)
    .join('')
  return children.length ? `<${name}${written}>${children.join('')}</${name}>` : `<${name}${written}/>`
}

export const words = (text: string): string => escaped(text)

/** Ids of ours as identifiers of theirs, which begin with a letter and know no tilde. */
export const identifier = (id: string) => `i_${id.replace(/[^A-Za-z0-9_-]/g, '-')}`
