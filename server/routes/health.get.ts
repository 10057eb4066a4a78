import { setResponseStatus } from 'h3'
import { sql } from 'kysely'
import { services } from '../services'

const WITHIN_MS = 2000

/**
 * Whether this process can do its work: it reaches its database, in time. For whoever watches or balances processes;
 * says nothing else.
 */
export default defineEventHandler(async event => {
  const asked = (async () => {
    const { db } = await services()
    await sql`select 1`.execute(db)
    return true
  })().catch(() => false)
  const healthy = await Promise.race([
    asked,
    new Promise<boolean>(resolve => setTimeout(() => resolve(false), WITHIN_MS).unref()),
  ])
  if (!healthy) setResponseStatus(event, 503)
  setResponseHeader(event, 'Cache-Control', 'no-store')
  return { healthy }
})
