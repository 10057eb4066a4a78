import { device } from '~/sync/device'

/** Pictures that the server hasn't got yet, kept on this device by slate, like the moves that lay them. */
export const pictureStore = {
  async keep(slate: string, id: string, bytes: Blob): Promise<void> {
    await (await device()).put('pictures', { slate, id, bytes }, `${slate} ${id}`)
  },
  async of(slate: string): Promise<{ id: string; bytes: Blob }[]> {
    return (await device()).getAllFromIndex('pictures', 'slate', slate)
  },
  async forget(slate: string, id: string): Promise<void> {
    await (await device()).delete('pictures', `${slate} ${id}`)
  },
}
