import { LARGEST_CLIP, type ClipKind } from '~~/core/board/clip'
import type { FileHash } from '~~/core/board/ids'
import { filmPoster } from '~/composables/board/filmPoster'
import { sendFile } from '~/composables/common/sendFile'
import { useUpload } from '~/composables/workbench/useUpload'

export interface SentClip {
  readonly file: FileHash
  readonly kind: ClipKind
  readonly seconds: number
  readonly pixels: { readonly width: number; readonly height: number }
  readonly poster?: FileHash
}

/** Sends sounds and films to be kept; of a film also a picture of it, where this device can draw one. */
export function useClips() {
  const { attempt, trouble, busy } = useAsking()
  const { t } = useWords()
  const pictures = useUpload()
  /** What share of a clip has gone, while one is being sent. */
  const gone = ref<number | null>(null)
  async function send(file: Blob): Promise<SentClip | undefined> {
    if (file.size > LARGEST_CLIP) return void (trouble.value = t('clipMaker.large'))
    return attempt(async () => {
      const { hash, kind, seconds, width, height } = await sendFile<{
        hash: FileHash
        kind: ClipKind
        seconds: number
        width: number
        height: number
      }>('/api/clips', file, share => (gone.value = share)).finally(() => (gone.value = null))
      const drawn = kind === 'film' ? await filmPoster(file) : null
      const [poster] = drawn ? await pictures.upload([drawn]) : []
      return { file: hash, kind, seconds, pixels: { width, height }, ...(poster && { poster: poster.hash }) }
    })
  }
  return { send, trouble, busy, gone }
}

export const clipsIn = (items: Iterable<File> | null | undefined) =>
  [...(items ?? [])].filter(
    file => /^(?:audio|video)\//.test(file.type) || /\.(?:mp4|m4a|m4v|mov|webm|mp3|wav|og[ga])$/i.test(file.name),
  )
