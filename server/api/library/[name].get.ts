import { answering } from '../../http/answering'
import { shippedLibrary } from '../../files/shippedLibrary'

export default answering('GET /api/library/[name]', async ({ event, refuse }) => {
  const svg = (await shippedLibrary()).svg(getRouterParam(event, 'name') ?? '')
  if (!svg) throw refuse('not-found')
  setHeaders(event, { 'Content-Type': 'image/svg+xml', 'Cache-Control': 'private, max-age=86400' })
  return svg
})
