import { expose } from 'comlink'
import { GroupSearch, type Grouped, type GroupTask } from '~~/core/groups/search'
import { seeded } from '~~/core/layout/random'

export type GroupsAsked = Omit<GroupTask, 'random'> & { readonly seed: number }
const STEPS_AT_ONCE = 4000
let stopped = false

const api = {
  /** Looks to the end, or until it is stopped, and says now and then how far it is. */
  async look({ seed, ...task }: GroupsAsked, far: (progress: number) => void): Promise<Grouped> {
    stopped = false
    const search = new GroupSearch({ ...task, random: seeded(seed) })
    while (search.progress < 1 && !stopped) {
      search.run(STEPS_AT_ONCE)
      far(search.progress)
      // A word to stop comes in between.
      await new Promise(resolve => setTimeout(resolve))
    }
    return search.best
  },
  stop() {
    stopped = true
  },
}
export type GroupsWorker = typeof api
expose(api)
