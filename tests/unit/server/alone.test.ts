import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { alone } from '../../../server/database/alone'
import { connect, type Connection } from '../../../server/database/connect'
import { migratedDatabase } from '../../database'

let here: Connection
let there: Connection
beforeAll(async () => {
  here = await migratedDatabase()
  there = connect(here.url)
})
afterAll(async () => {
  await there.close()
  await here.close()
})

describe('work that no two may do at once', () => {
  it('is done by the first; whoever comes meanwhile is told so, and what is called otherwise waits for nothing', async () => {
    let end: () => void = () => {}
    let doing: () => void = () => {}
    const begun = new Promise<void>(resolve => (doing = resolve))
    const first = alone(here.db, 'unpack a', () => {
      doing()
      return new Promise<void>(resolve => (end = resolve))
    })
    await begun
    let done = 0
    const count = () => Promise.resolve(done++)
    expect(await alone(there.db, 'unpack a', count)).toBe(false)
    expect(await alone(there.db, 'unpack b', count)).toBe(true)
    expect(done).toBe(1)
    end()
    expect(await first).toBe(true)
    expect(await alone(there.db, 'unpack a', count)).toBe(true)
    expect(done).toBe(2)
  })

  it('is free again after it failed', async () => {
    const failing = alone(here.db, 'unpack a', () => Promise.reject(new Error('no')))
    await expect(failing).rejects.toThrow('no')
    expect(await alone(there.db, 'unpack a', () => Promise.resolve())).toBe(true)
  })
})
