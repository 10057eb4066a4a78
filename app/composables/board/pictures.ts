import { nanoid } from 'nanoid'
import type { InjectionKey } from 'vue'
import type { Author } from '~~/core/slate/actor'
import type { Own } from '~~/core/slate/own'

export type OwnPicture = Extract<Own, { kind: 'picture' }>
/** A picture that has come to the server, and whether it waits for the teacher before others see it. */
export interface PictureView {
  id: string
  by: Author
  waits: boolean
}

/** How a picture on a slate is shown, and how one more is taken in. */
export interface Pictures {
  /** Where its bytes are; null while there are none to be had. */
  readonly addressOf: (own: OwnPicture) => string | null
  /** Whether the teacher sees it first. */
  readonly waits: (own: OwnPicture) => boolean
  /** The name under which it is from now on. */
  readonly add: (bytes: Blob) => Promise<string>
}
const PICTURES: InjectionKey<Pictures> = Symbol('pictures')

export const libraryAddress = (name: string) => `/api/library/${name}`
export const pictureAddress = (slate: string, id: string) => `/api/slates/${slate}/pictures/${id}`

/** Pictures of a task that is only tried: on this page, and nowhere else. */
const tried = shallowReactive(new Map<string, string>())
const onThisPage: Pictures = {
  addressOf: own => (own.from === 'library' ? libraryAddress(own.picture) : (tried.get(own.picture) ?? null)),
  waits: () => false,
  async add(bytes) {
    const id = nanoid(16)
    tried.set(id, URL.createObjectURL(bytes))
    return id
  },
}

export const usePictures = (): Pictures => inject(PICTURES, onThisPage)
export const providePictures = (pictures: Pictures) => provide(PICTURES, pictures)

/** Of a slate that is only looked at: whatever the server gives. `seen` changes when there may be more to see. */
export function provideSeenPictures(slate: () => string, seen: () => unknown = () => '') {
  providePictures({
    addressOf: own =>
      own.from === 'library'
        ? libraryAddress(own.picture)
        : `${pictureAddress(slate(), own.picture)}?${encodeURIComponent(String(seen()))}`,
    waits: () => false,
    add: () => Promise.reject(new Error('nothing is added to what is only looked at')),
  })
}
