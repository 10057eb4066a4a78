import type { FileHash } from '~~/core/board/ids'

export interface Uploaded {
  hash: FileHash
  width: number
  height: number
  name: string
}

/** Sends pictures to be kept; the first that is refused stops the rest, and what came before it is given. */
export function useUpload() {
  const { attempt, trouble, busy } = useAsking()
  async function upload(files: Iterable<File>): Promise<Uploaded[]> {
    const done: Uploaded[] = []
    await attempt(async () => {
      for (const file of files) {
        const form = new FormData()
        form.append('file', file)
        const kept = await ask('/api/files', { method: 'POST', body: form })
        done.push({ ...kept, name: titleOf(file) })
      }
    })
    return done
  }
  return { upload, trouble, busy }
}

export const picturesIn = (items: Iterable<File> | null | undefined) =>
  [...(items ?? [])].filter(file => file.type.startsWith('image/'))
