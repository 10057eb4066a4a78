import { join } from 'node:path'
import { afterEach, expect, it, vi } from 'vitest'
import { Pool } from '../../../server/labour/pool'

afterEach(() => vi.unstubAllEnvs())

it('a process that reads what strangers send knows no address of a database and no secret', async () => {
  for (const name of ['DATABASE_URL', 'REDIS_URL', 'NUXT_SESSION_PASSWORD', 'MAIL_URL', 'RECORDS_SECRET'])
    vi.stubEnv(name, 'a secret')
  const pool = new Pool(join(import.meta.dirname, '../../environment.mjs'), {
    processes: 1,
    waiting: 1,
    milliseconds: 10_000,
    megabytes: 200,
  })
  const told = await pool.do('picture', Buffer.alloc(0) as never)
  pool.stop()
  if (!told.ok) throw new Error(told.reason)
  const names = told.value as unknown as string[]
  expect(names).toContain('PATH')
  expect(names.filter(name => /URL|SECRET|PASSWORD|TOKEN|KEY/.test(name))).toEqual([])
})
