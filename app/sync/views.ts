import { device } from '~/sync/device'

/** What is kept of whoever is signed in at this device. */
const WHO = 'who'
const PICTURES = 'pictures'

/** A view is kept under who saw it: on a shared device nobody is shown what is somebody else's. */
const nameOf = (reader: string, path: string) => `${reader} ${path}`

/** A device that is full, or that keeps nothing, only can't show it again without a connection. */
async function orNothing<T>(work: () => Promise<T>): Promise<T | undefined> {
  try {
    return await work()
  } catch {
    return undefined
  }
}

/**
 * Kept only while its reader is the one who is signed in here, which is looked up in the same transaction: what is
 * written in passing, when a view is left, must not come after signing out.
 */
export const keepView = (reader: string, path: string, view: unknown) =>
  orNothing(async () => {
    const transaction = (await device()).transaction('views', 'readwrite')
    const who = (await transaction.store.get(WHO)) as { id?: string } | string | undefined
    if (typeof who === 'object' && who.id === reader) await transaction.store.put(view, nameOf(reader, path))
    await transaction.done
  })
export const viewOf = <View>(reader: string, path: string) =>
  orNothing(async () => (await device()).get('views', nameOf(reader, path)) as Promise<View | undefined>)

/**
 * Who is signed in as far as this device knows; `leaving` for somebody who signed out while there was no connection.
 */
export const keepWho = (who: unknown) => orNothing(async () => (await device()).put('views', who, WHO))
export const whoWasHere = <Who>() =>
  orNothing(async () => (await device()).get('views', WHO) as Promise<Who | undefined>)

/** Nothing of what was seen is left on the device. */
export async function forgetViews(): Promise<void> {
  await orNothing(async () => (await device()).clear('views'))
  await orNothing(async () => caches.delete(PICTURES))
}
