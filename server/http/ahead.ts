/** At an address of this pattern the page needs these files, and asks these questions (modules/askedAhead.ts). */
export interface Ahead {
  readonly pattern: string
  readonly scripts: readonly string[]
  readonly styles: readonly string[]
  readonly asked: readonly string[]
}

/** For the pattern of a page's address (`/slate/:id()`): what stands in its blanks, or null for another page's. */
export function matcherOf(pattern: string): (path: string) => Readonly<Record<string, string>> | null {
  const names = [...pattern.matchAll(/:(\w+)\(\)/g)].map(([, name]) => name!)
  const form = new RegExp(`^${pattern.replace(/:\w+\(\)/g, '([\\w-]{1,80})')}/?$`)
  return path => {
    const found = form.exec(path)
    return found && Object.fromEntries(names.map((name, i) => [name, found[i + 1]!]))
  }
}

/**
 * A script that asks what the page will ask; the answers wait under `asked` (app/composables/common/askedAhead.ts).
 * Named as links too, the questions are sent before the files, which are many and large. The blanks hold letters,
 * digits, dashes and underscores only (`matcherOf`), so nothing of an address becomes script.
 */
export function questions({ asked }: Ahead, parts: Readonly<Record<string, string>>): string {
  const paths = ['/api/session', ...asked.map(path => path.replace(/:(\w+)/g, (_, name: string) => parts[name] ?? ''))]
  const links = paths.map(path => `<link rel="preload" as="fetch" crossorigin href="${path}">`)
  return `${links.join('')}<script>asked=new Map(${JSON.stringify(paths)}.map(path=>[path,fetch(path)]));for(const answer of asked.values())answer.catch(()=>0)</script>`
}

/** The files that the page can't begin without. */
export const files = ({ scripts, styles }: Ahead): string =>
  [
    ...styles.map(file => `<link rel="stylesheet" href="/${file}" crossorigin>`),
    ...scripts.map(file => `<link rel="modulepreload" as="script" crossorigin href="/${file}">`),
  ].join('')
