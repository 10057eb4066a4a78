import * as v from 'valibot'
import { checkBoard, emptyBoard, PageSchema } from '../board/board'
import { KeySchema } from '../keys/key'
import { MasterSchema } from '../board/piece'
import type { Sheet } from '../board/rename'

/** What the clipboard carries between boards, beside plain text for other programs. */
export const CLIP_TYPE = 'application/x-dappled-slate-clip+json'

const ClipSchema = v.object({
  format: v.literal('dappled-slate/clip'),
  version: v.literal(1),
  page: PageSchema,
  masters: v.pipe(v.array(MasterSchema), v.maxLength(40)),
  keys: v.pipe(v.array(KeySchema), v.maxLength(200)),
})

export const writeClip = ({ page, masters, keys }: Sheet): string =>
  JSON.stringify({ format: 'dappled-slate/clip', version: 1, page, masters, keys })

/** Null for anything that isn't a whole clip. */
export function readClip(text: string): Sheet | null {
  const parsed = v.safeParse(v.pipe(v.string(), v.parseJson(), ClipSchema), text)
  if (!parsed.success) return null
  const { page, masters, keys } = parsed.output
  return checkBoard({ ...emptyBoard('clip', page.id, 0), pages: [page], masters, keys })
    ? null
    : { page, masters, keys }
}
