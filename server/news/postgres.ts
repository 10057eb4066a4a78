import { randomBytes } from 'node:crypto'
import { sql } from 'kysely'
import pg from 'pg'
import { gathering } from './gathering'
import { decodeNews, encodeNews, type News } from './news'
import type { NewsEvents, NewsWire } from './wire'

const CHANNEL = 'dappled_slate'
const RECONNECT_MS = 500

/**
 * News by LISTEN and NOTIFY: nothing else is needed. It listens on a connection of its own and goes on listening after
 * that breaks; what was said meanwhile is lost, so each reconnection is a gap.
 */
export function postgresWire(url: string): NewsWire {
  const origin = randomBytes(6).toString('base64url')
  let client: pg.Client | null = null
  let speaking: Promise<pg.Client> | null = null
  let stopped = false

  async function open(events: NewsEvents): Promise<void> {
    const next = new pg.Client({ connectionString: url, keepAlive: true, application_name: 'dappled-slate news' })
    next.on('notification', ({ payload }) => {
      const news = decodeNews(origin, payload ?? '')
      if (news) events.news(news)
    })
    // Without a listener an error would end the process; the end that follows it makes a new connection.
    next.on('error', () => {})
    next.on('end', () => {
      if (client === next && !stopped) void reopen(events)
    })
    try {
      await next.connect()
      await next.query(`listen ${CHANNEL}`)
    } catch (error) {
      await next.end().catch(() => {})
      throw error
    }
    client = next
  }

  /** A second connection tells of moves. Nothing of that is worth waiting for the disk. */
  function speaker(): Promise<pg.Client> {
    speaking ??= (async () => {
      const next = new pg.Client({
        connectionString: url,
        keepAlive: true,
        application_name: 'dappled-slate telling',
        options: '-c synchronous_commit=off',
        statement_timeout: 5000,
      })
      const gone = () => void (speaking = null)
      next.on('error', gone)
      next.on('end', gone)
      await next.connect()
      return next
    })()
    speaking.catch(() => void (speaking = null))
    return speaking
  }

  async function speak(news: readonly News[]): Promise<void> {
    const payloads = news.map(n => encodeNews(origin, n))
    await (
      await speaker()
    ).query({
      name: 'tell',
      text: `select pg_notify('${CHANNEL}', payload) from unnest($1::text[]) as payload`,
      values: [payloads],
    })
  }

  async function reopen(events: NewsEvents): Promise<void> {
    while (!stopped) {
      await new Promise(resolve => setTimeout(resolve, RECONNECT_MS))
      if (
        await open(events).then(
          () => true,
          () => false,
        )
      )
        return events.gap()
    }
  }

  return {
    origin,
    tellMoves: gathering(speak),
    tellPassing: news => void speak(news).catch(() => {}),
    async within(trx, news) {
      if (news.length === 0) return
      const payloads = news.map(n => encodeNews(origin, n))
      await sql`select pg_notify(${CHANNEL}, payload) from unnest(${payloads}::text[]) as payload`.execute(trx)
    },
    async after() {},
    listen: open,
    async stop() {
      stopped = true
      await client?.end()
      await (await speaking?.catch(() => null))?.end()
    },
  }
}
