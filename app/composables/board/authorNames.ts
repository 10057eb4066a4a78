import type { InjectionKey } from 'vue'
import type { Author } from '~~/core/slate/actor'

type NameOf = (author: Author) => string | null
const NAMES: InjectionKey<NameOf> = Symbol('author names')

/** On a slate of several: who made a thing, in words; null for whoever isn't named. */
export const provideAuthorNames = (nameOf: NameOf) => provide(NAMES, nameOf)
export const useAuthorNames = (): NameOf => inject(NAMES, () => null, false)
