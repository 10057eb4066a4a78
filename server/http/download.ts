import { setHeaders, type H3Event } from 'h3'

/** Letters, digits and hyphens of a title, as the name of a file. */
const fileName = (title: string, ending: string) =>
  `${title.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'board'}.${ending}`

interface Sent {
  readonly title: string
  /** After the dot; it names a file for those that can't read other letters, too. */
  readonly ending: string
  readonly type: string
  /** To be looked at in the window instead of kept. */
  readonly shown?: boolean
}

/** What is sent is a file with a name (RFC 6266, RFC 8187). */
export function sendAsFile(event: H3Event, { title, ending, type, shown = false }: Sent): void {
  const name = encodeURIComponent(fileName(title, ending)).replace(
    /['()*]/g,
    letter => `%${letter.charCodeAt(0).toString(16).toUpperCase()}`,
  )
  setHeaders(event, {
    'Content-Type': type,
    'Content-Disposition': `${shown ? 'inline' : 'attachment'}; filename="slate.${ending}"; filename*=UTF-8''${name}`,
  })
}
