import { sql, type Kysely } from 'kysely'
import pg from 'pg'
import * as v from 'valibot'
import { SLATE_STATUSES } from '../../core/slate/status'
import type { Database } from '../database/tables'

const CHANNEL = 'dappled_slate'
const RECONNECT_MS = 500

const common = { slate: v.string(), handout: v.string() }
const NewsSchema = v.variant('what', [
  v.object({ what: v.literal('moves'), ...common, number: v.number() }),
  v.object({ what: v.literal('status'), ...common, status: v.picklist(SLATE_STATUSES) }),
  v.object({ what: v.literal('margin'), ...common }),
])

/** What one process tells all: only ids and numbers, since PostgreSQL refuses a payload of 8,000 bytes; the rest is read. */
export type News = v.InferOutput<typeof NewsSchema>

/** Tells every process, this one too, once the transaction has committed. */
export async function announce(db: Kysely<Database>, news: readonly News[]): Promise<void> {
  if (news.length === 0) return
  await sql`select pg_notify(${CHANNEL}, payload) from unnest(${news.map(n => JSON.stringify(n))}::text[]) as payload`.execute(db)
}

export interface Listening { stop: () => Promise<void> }

/**
 * Listens on a connection of its own, and goes on listening after it breaks. What was said meanwhile is lost, so
 * `onGap` is called after each reconnection: the listener must then look for itself.
 */
export async function listen(url: string, onNews: (news: News) => void, onGap: () => void): Promise<Listening> {
  let client: pg.Client | null = null
  let stopped = false

  async function open(): Promise<void> {
    const next = new pg.Client({ connectionString: url, keepAlive: true })
    next.on('notification', ({ payload }) => {
      const news = v.safeParse(NewsSchema, JSON.parse(payload ?? 'null'))
      if (news.success) onNews(news.output)
    })
    next.on('error', () => {})
    next.on('end', () => {
      if (client === next && !stopped) void reopen()
    })
    await next.connect()
    await next.query(`listen ${CHANNEL}`)
    client = next
  }

  async function reopen(): Promise<void> {
    while (!stopped) {
      await new Promise(resolve => setTimeout(resolve, RECONNECT_MS))
      const opened = await open().then(() => true, () => false)
      if (opened) return onGap()
    }
  }

  await open()
  return {
    async stop() {
      stopped = true
      await client?.end()
    },
  }
}
