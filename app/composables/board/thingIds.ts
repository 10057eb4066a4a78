import type { InjectionKey } from 'vue'

const IDS: InjectionKey<(thing: string) => string> = Symbol('thing ids')

/** Ids of elements by what they show, so that the tree of a page can say which of them stand in it. */
export function provideThingIds() {
  const stage = useId()
  const idOf = (thing: string) => `${stage}-${thing}`
  provide(IDS, idOf)
  return idOf
}
type IdOf = (thing: string) => string | undefined
/** Where no tree is told, nothing has an id. */
export const useThingIds = (): IdOf => inject<IdOf>(IDS, () => undefined)
