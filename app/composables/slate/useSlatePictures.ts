import { nanoid } from 'nanoid'
import type { Author } from '~~/core/slate/actor'
import { libraryAddress, pictureAddress, providePictures, type PictureView } from '~/composables/board/pictures'
import { pictureStore } from '~/sync/pictures'

/** What the server won't ever take; everything else is tried again. */
const FINAL = new Set([
  'bad-picture',
  'too-big',
  'too-many-pixels',
  'too-heavy',
  'full',
  'taken',
  'not-yours',
  'not-now',
])
const AGAIN_MS = 4000

/** Pictures on a student's own slate: shown at once, kept on the device, sent when there is a connection. */
export function useSlatePictures({
  slate,
  author,
  given,
  connected,
  changed,
}: {
  slate: string
  author: Author
  given: readonly PictureView[]
  connected: () => boolean
  changed: Readonly<Ref<number>>
}) {
  const known = shallowRef(given)
  /** On this device: those that the server hasn't got, and those that came from here. */
  const here = shallowReactive(new Map<string, string>())
  const unsent = shallowReactive(new Map<string, Blob>())
  const trouble = ref('')
  let sending = false

  providePictures({
    addressOf(own) {
      if (own.from === 'library') return libraryAddress(own.picture)
      const there = known.value.find(one => one.id === own.picture)
      return (
        here.get(own.picture)
        ?? (there && (!there.waits || there.by === author) ? pictureAddress(slate, own.picture) : null)
      )
    },
    waits: own => known.value.some(one => one.id === own.picture && one.waits),
    async add(bytes) {
      const id = nanoid(16)
      take(id, bytes)
      // A device without room sends it as always; until then it is lost with the page.
      await pictureStore.keep(slate, id, bytes).catch(() => {})
      void send()
      return id
    },
  })
  function take(id: string, bytes: Blob) {
    unsent.set(id, bytes)
    here.set(id, URL.createObjectURL(bytes))
  }
  onScopeDispose(() => here.forEach(address => URL.revokeObjectURL(address)))

  async function send() {
    if (sending) return
    sending = true
    for (const [id, bytes] of [...unsent]) {
      if (!connected()) break
      try {
        await askBytes(pictureAddress(slate, id), bytes)
      } catch (error) {
        if (!(error instanceof Refused)) throw error
        if (!FINAL.has(error.code)) break
        trouble.value = error.code
      }
      unsent.delete(id)
      await pictureStore.forget(slate, id).catch(() => {})
    }
    sending = false
    if (unsent.size && connected()) setTimeout(() => void send(), AGAIN_MS)
  }
  watch(connected, now => now && void send())
  void pictureStore
    .of(slate)
    .catch(() => [])
    .then(kept => {
      for (const { id, bytes } of kept) if (!unsent.has(id)) take(id, bytes)
      void send()
    })
  watch(changed, async () => {
    known.value = await askFor<PictureView[]>(`/api/slates/${slate}/pictures`).catch(() => known.value)
  })
  return { unsent: computed(() => unsent.size), trouble }
}
