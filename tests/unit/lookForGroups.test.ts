import { describe, expect, it } from 'vitest'
import { lookForGroups } from '../../app/workers/lookForGroups'
import type { GroupsAsked } from '../../app/workers/groups'

const TASK: GroupsAsked = {
  students: 2,
  sizes: [2],
  wishes: [],
  levels: [null, null],
  likeness: 'any',
  past: [],
  seed: 1,
}
const FOUND = { groups: [[0, 1]], notKept: [], contradiction: [], repeated: 0 }

describe('looking for groups in a worker', () => {
  it('says how far it is until there is an answer, and nothing after it', async () => {
    const heard: number[] = []
    let say: (progress: number) => void = () => {}
    const worker = {
      look: async (_: GroupsAsked, far: (progress: number) => void) => {
        say = far
        say(0.5)
        return FOUND
      },
    }
    await expect(lookForGroups(worker as never, TASK, progress => heard.push(progress))).resolves.toEqual(FOUND)
    say(1)
    expect(heard).toEqual([0.5])
  })

  it('says nothing after a fault either', async () => {
    const heard: number[] = []
    let say: (progress: number) => void = () => {}
    const worker = {
      look: async (_: GroupsAsked, far: (progress: number) => void) => {
        say = far
        throw new Error('broken')
      },
    }
    await expect(lookForGroups(worker as never, TASK, progress => heard.push(progress))).rejects.toThrow('broken')
    say(1)
    expect(heard).toEqual([])
  })
})
