import { CLIP_TYPE, readClip, writeClip } from '~~/core/format/clip'
import type { Sheet } from '~~/core/board/rename'
import type { Hands } from '~/composables/workbench/useHands'
import { inField } from '~/composables/common/inField'
import { picturesIn } from '~/composables/workbench/useUpload'

interface Takers {
  readonly hands: Hands
  readonly sheet: (sheet: Sheet) => void
  readonly pictures: (files: File[]) => void
  readonly text: (text: string) => void
}

/**
 * The system's clipboard at the workbench: parts of boards go from board to board, pictures and words come from
 * anywhere.
 */
export function useBoardClipboard({ hands, sheet, pictures, text }: Takers, active: () => boolean) {
  function copy(event: ClipboardEvent): boolean {
    if (!active() || inField(event) || !event.clipboardData || hands.selected.value.size === 0) return false
    event.preventDefault()
    event.clipboardData.setData(CLIP_TYPE, writeClip(hands.clip()))
    return true
  }
  useEventListener(document, 'copy', copy)
  useEventListener(document, 'cut', event => void (copy(event) && hands.cut()))
  useEventListener(document, 'paste', event => {
    if (!active() || inField(event) || !event.clipboardData) return
    const clip = readClip(event.clipboardData.getData(CLIP_TYPE))
    const files = picturesIn(event.clipboardData.files)
    const words = event.clipboardData.getData('text/plain')
    if (!clip && files.length === 0 && !words.trim()) return
    event.preventDefault()
    if (clip) sheet(clip)
    else if (files.length) pictures(files)
    else text(words)
  })
}
