import { refusal } from '../http/refuse'
import { services } from '../services'

const READS = new Set(['GET', 'HEAD', 'OPTIONS'])

/** Before everything: the database is ready, changes come from our own pages, and the browser is told to trust nothing else. */
export default defineEventHandler(async (event) => {
  await services()
  setResponseHeaders(event, {
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'same-origin',
    'Permissions-Policy': 'camera=(), microphone=(), geolocation=()',
    'Content-Security-Policy': 'default-src \'self\'; script-src \'self\' \'unsafe-inline\'; style-src \'self\' \'unsafe-inline\'; img-src \'self\' data: blob:; frame-ancestors \'none\'; base-uri \'none\'; form-action \'self\'',
  })
  if (READS.has(event.method)) return
  const origin = getRequestHeader(event, 'origin')
  const own = origin === undefined || (URL.canParse(origin) && new URL(origin).host === getRequestHost(event))
  if (!own) throw refusal('not-yours', 'This request came from another site.')
})
