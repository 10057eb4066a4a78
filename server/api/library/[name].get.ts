import { shippedLibrary } from '../../files/shippedLibrary'
import { refusal } from '../../http/refuse'
import { requireSomebody } from '../../http/session'

export default defineEventHandler(async event => {
  await requireSomebody(event)
  const svg = (await shippedLibrary()).svg(getRouterParam(event, 'name') ?? '')
  if (!svg) throw refusal('not-found')
  setHeaders(event, { 'Content-Type': 'image/svg+xml', 'Cache-Control': 'private, max-age=86400' })
  return svg
})
