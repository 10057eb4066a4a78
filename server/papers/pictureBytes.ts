import type { PageDrawing } from '../../core/drawing/page'
import type { PictureSource } from '../../core/drawing/primitive'

/** The bytes of pictures by what they are called in a drawing, as PNG or JPEG. */
export type PictureBytes = ReadonlyMap<
  string,
  { readonly mediaType: 'image/png' | 'image/jpeg'; readonly bytes: Uint8Array }
>

/** What a picture of a drawing is called, so that its bytes are found. */
export function pictureKey(source: PictureSource): string {
  switch (source.from) {
    case 'file':
      return `file ${source.file}`
    case 'library':
      return `library ${source.name}`
    case 'slate':
      return `slate ${source.id}`
  }
}

/** Each picture of some drawings once. */
export function sourcesIn(drawings: readonly PageDrawing[]): PictureSource[] {
  const all = drawings.flatMap(({ things }) =>
    things.flatMap(({ marks }) => marks.flatMap(mark => (mark.kind === 'picture' ? [mark.source] : []))),
  )
  return [...new Map(all.map(source => [pictureKey(source), source])).values()]
}

/** As an address that holds the bytes themselves (RFC 2397). */
export function dataOf(pictures: PictureBytes, source: PictureSource): string | null {
  const found = pictures.get(pictureKey(source))
  return found ? `data:${found.mediaType};base64,${Buffer.from(found.bytes).toString('base64')}` : null
}
