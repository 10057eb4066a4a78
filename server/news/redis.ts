import { randomBytes } from 'node:crypto'
import { Redis } from 'ioredis'
import { gathering } from './gathering'
import { decodeNews, encodeNews, type News } from './news'
import type { NewsWire } from './wire'

const CHANNEL = 'dappled-slate'
const LONGEST_WAIT_MS = 2000

/**
 * News through a Redis-compatible server, for many processes before one database: NOTIFY takes a lock that all commits
 * share. What is said while the connection is away is lost, on either side, so coming back is a gap.
 */
export function redisWire(url: string): NewsWire {
  const origin = randomBytes(6).toString('base64url')
  const client = () => {
    const made = new Redis(url, {
      lazyConnect: true,
      maxRetriesPerRequest: 1,
      enableOfflineQueue: false,
      retryStrategy: times => Math.min(100 * times, LONGEST_WAIT_MS),
    })
    made.on('error', () => {})
    return made
  }
  const [speaker, hearer] = [client(), client()]
  let missed = false
  let gap = () => {}

  async function publish(news: readonly News[]): Promise<void> {
    const told = await Promise.allSettled(news.map(n => speaker.publish(CHANNEL, encodeNews(origin, n))))
    if (!told.some(t => t.status === 'rejected')) return
    // Nobody heard it, this process neither. When the connection is back, everybody looks for themselves.
    missed = true
    gap()
  }

  return {
    origin,
    tellMoves: gathering(publish),
    // Not worth a look round by everybody where it is lost.
    tellPassing: news => news.forEach(n => void speaker.publish(CHANNEL, encodeNews(origin, n)).catch(() => {})),
    async within() {},
    after: publish,
    async listen(events) {
      gap = events.gap
      hearer.on('message', (_, text) => {
        const news = decodeNews(origin, text)
        if (news) events.news(news)
      })
      await Promise.all([speaker.connect(), hearer.connect()])
      await hearer.subscribe(CHANNEL)
      // From here on each readiness is a return: the client subscribes again by itself.
      hearer.on('ready', () => events.gap())
      speaker.on('ready', () => {
        if (!missed) return
        missed = false
        void speaker.publish(CHANNEL, `${origin} gap`).catch(() => {})
        events.gap()
      })
      hearer.on('message', (_, text) => {
        if (text.endsWith(' gap') && !text.startsWith(`${origin} `)) events.gap()
      })
    },
    async stop() {
      speaker.disconnect()
      hearer.disconnect()
    },
  }
}
