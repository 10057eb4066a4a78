import { proxy, type Remote } from 'comlink'
import type { Grouped } from '~~/core/groups/search'
import type { GroupsAsked, GroupsWorker } from './groups'

/**
 * Asks the worker for groups. How far it is comes through a port of its own and can arrive after the answer itself:
 * once there is an answer, nothing more is said of how far the search is.
 */
export async function lookForGroups(
  worker: Pick<Remote<GroupsWorker>, 'look'>,
  task: GroupsAsked,
  far: (progress: number) => void,
): Promise<Grouped> {
  let looking = true
  try {
    return await worker.look(
      task,
      proxy((progress: number) => {
        if (looking) far(progress)
      }),
    )
  } finally {
    looking = false
  }
}
