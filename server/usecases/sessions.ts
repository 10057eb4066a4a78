import type { DeleteQueryBuilder, DeleteResult } from 'kysely'
import type { Database } from '../database/tables'
import { withNews } from '../news/wire'
import type { Services } from '../services'

type Ending = DeleteQueryBuilder<Database, 'sessions', DeleteResult>

/** Ends those sessions, and with them their sockets in every process. */
export async function endSessions(
  services: Pick<Services, 'db' | 'wire'>,
  which: (ends: Ending) => Ending,
): Promise<void> {
  await withNews(services, async (trx, news) => {
    const ended = await which(trx.deleteFrom('sessions')).returning('id').execute()
    news.push(...ended.map(({ id }) => ({ scope: 'session' as const, session: id })))
  })
}
