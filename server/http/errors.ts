import { send, setResponseHeader, setResponseStatus, type H3Error, type H3Event } from 'h3'
import { log } from '../log'
import { TooManyPasswords } from './passwords'
import { STATUS_OF, type HttpRefusal } from '../../core/contract/refusals'

/**
 * The database is away, full, stopping, or out of connections: by the code of the system or of PostgreSQL (appendix A
 * of its documentation: classes 08, 53, 57 and 58, and 55P03), or by the words of the driver, which has no code for a
 * pool that gave up.
 */
const AWAY = /^(?:ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT|ENOTFOUND|08...|53...|57...|58...|55P03|25P0[1-4])$/
const AWAY_IN_WORDS =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/

export function isAway(error: unknown): boolean {
  const { code, message } = (error ?? {}) as { code?: unknown; message?: unknown }
  if (error instanceof AggregateError) return error.errors.some(isAway)
  return (typeof code === 'string' && AWAY.test(code)) || (typeof message === 'string' && AWAY_IN_WORDS.test(message))
}

/** What is said of an error that nobody threw on purpose. */
function codeFor(error: H3Error): HttpRefusal | null {
  if (error.cause instanceof TooManyPasswords) return 'busy'
  if (isAway(error.cause ?? error)) return 'trouble'
  return null
}

/**
 * Every error of a request is answered here, in JSON and with a code; one that nobody foresaw is logged once, without
 * what people sent.
 */
export default function answerError(error: H3Error, event: H3Event): Promise<void> {
  const code = error.unhandled ? codeFor(error) : null
  const status = code ? STATUS_OF[code] : error.unhandled ? 500 : error.statusCode
  if (error.unhandled && code !== 'busy') {
    const cause = (error.cause ?? error) as { message?: string; stack?: string; code?: unknown }
    const what = {
      method: event.method,
      route: event.context.matchedRoute?.path ?? 'none',
      code: cause.code,
      message: cause.message?.split('\n')[0],
      stack: cause.stack,
    }
    if (code) log.warn(what, 'the database could not be asked')
    else log.error(what, 'a request failed')
  }
  const data = code ? { code, detail: '' } : error.unhandled ? { code: 'trouble', detail: '' } : error.data
  if (event.node.res.headersSent) return Promise.resolve(void event.node.res.destroy())
  setResponseStatus(event, status, code ?? error.statusMessage)
  setResponseHeader(event, 'Content-Type', 'application/json')
  setResponseHeader(event, 'Cache-Control', 'no-store')
  // What was sent and not read is not waited for.
  if (status === 413 || status === 503) setResponseHeader(event, 'Connection', 'close')
  return send(
    event,
    JSON.stringify({ error: true, statusCode: status, statusMessage: code ?? error.statusMessage, data }),
  )
}
