import { escaped } from '../drawing/svg'

export interface ArchivedHandout {
  readonly title: string
  /** ISO days; null where there is none. */
  readonly given: string | null
  readonly due: string | null
  readonly slates: number
  /** What there is of it, by the name of its file. */
  readonly files: readonly { readonly name: string; readonly href: string }[]
}
export interface ArchivedClass {
  readonly name: string
  readonly teacher: string
  /** An ISO day. */
  readonly made: string
  readonly students: readonly string[]
  readonly handouts: readonly ArchivedHandout[]
  readonly files: readonly { readonly name: string; readonly href: string }[]
}

const link = ({ name, href }: { name: string; href: string }) =>
  `<a href="${escaped(href.split('/').map(encodeURIComponent).join('/'))}">${escaped(name)}</a>`
const STYLE =
  'body{font:16px/1.5 sans-serif;max-width:60rem;margin:2rem auto;padding:0 1rem;color:#14191a;background:#fbf9f3}'
  + 'table{border-collapse:collapse;width:100%}td,th{border:1px solid #93a1a0;padding:.4rem;text-align:left;vertical-align:top}'
  + 'a{color:#1c5a3c}'

/** The first page of a class's archive: what is in it, with links to its files; it needs nothing but a browser. */
export function indexPage({ name, teacher, made, students, handouts, files }: ArchivedClass): string {
  const rows = handouts.map(
    ({ title, given, due, slates, files: own }) =>
      `<tr><td>${escaped(title)}</td><td>${given ?? ''}</td><td>${due ?? ''}</td><td>${slates}</td><td>${own.map(link).join('<br>')}</td></tr>`,
  )
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>${escaped(name)}</title><style>${STYLE}</style></head>
<body><h1>${escaped(name)}</h1>
<p>${escaped(teacher)}, ${made}. ${files.map(link).join(', ')}</p>
<h2>Handouts</h2>
<table><thead><tr><th scope="col">Board</th><th scope="col">Given out</th><th scope="col">Due</th><th scope="col">Slates</th><th scope="col">Files</th></tr></thead>
<tbody>
${rows.join('\n')}
</tbody></table>
<h2>Students</h2>
<ul>${students.map(student => `<li>${escaped(student)}</li>`).join('')}</ul>
</body></html>
`
}
