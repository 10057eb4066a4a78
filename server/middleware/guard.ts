import { refusal } from '../http/refuse'
import { services } from '../services'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Before everything: the database is ready, and changes come from our own pages. */
export default defineEventHandler(async event => {
  // Asked while the database is away, this must still answer.
  if (event.path === '/health') return
  await services()
  if (READS.has(event.method)) return
  const origin = getRequestHeader(event, 'origin')
  const own = origin === undefined || (URL.canParse(origin) && new URL(origin).host === getRequestHost(event))
  if (!own) throw refusal('not-yours', 'This request came from another site.')
})
