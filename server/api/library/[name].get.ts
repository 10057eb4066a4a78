import { shippedLibrary } from '../../files/shippedLibrary'
import { refusal } from '../../http/refuse'
import { requireTeacher } from '../../http/session'

export default defineEventHandler(async (event) => {
  await requireTeacher(event)
  const svg = (await shippedLibrary()).svg(getRouterParam(event, 'name') ?? '')
  if (!svg) throw refusal('not-found')
  setHeaders(event, { 'Content-Type': 'image/svg+xml', 'Cache-Control': 'private, max-age=86400' })
  return svg
})
