import type { IncomingMessage } from 'node:http'
import { clearSession, parseCookies, unsealSession, updateSession, type H3Event, type SessionConfig } from 'h3'

const DAYS = 14
const NAME = 'dappled-slate'

/**
 * The secret seals the cookie; the same for all processes. A classroom on plain http sets
 * NUXT_SESSION_COOKIE_SECURE=false, knowingly.
 */
const config = (secure = true): SessionConfig => ({
  name: NAME,
  password: process.env.NUXT_SESSION_PASSWORD ?? '',
  maxAge: DAYS * 24 * 3600,
  cookie: { sameSite: 'lax', httpOnly: true, path: '/', secure },
})

const LOOPBACK_HOST = /^(?:localhost|127(?:\.\d{1,3}){3}|\[::1\])(?::\d+)?$/i
const LOOPBACK_ADDRESS = /^(?:::ffff:)?127\.|^::1$/
/**
 * Of an application that is opened on this very machine, over plain http, the cookie crosses no network; there some
 * browsers (those of WebKit) keep none that is `Secure`. Whoever stands behind a proxy is somewhere else.
 */
export function mayBePlain({ headers, socket }: IncomingMessage): boolean {
  return (
    LOOPBACK_HOST.test(headers.host ?? '')
    && LOOPBACK_ADDRESS.test(socket.remoteAddress ?? '')
    && headers['x-forwarded-proto'] === undefined
    && headers['x-forwarded-for'] === undefined
    && headers.forwarded === undefined
  )
}
const configFor = (event: H3Event) =>
  config(process.env.NUXT_SESSION_COOKIE_SECURE !== 'false' && !mayBePlain(event.node.req))

export const SESSION_MS = DAYS * 24 * 3600 * 1000

/** The session that the cookie names; null without one, or for one that can't be unsealed. Reading sets no cookie. */
export async function readSessionCookie(
  event: H3Event | { readonly node: { readonly req: IncomingMessage } },
): Promise<string | null> {
  const sealed = parseCookies(event as H3Event)[NAME]
  if (!sealed) return null
  try {
    const { data } = await unsealSession(event as H3Event, config(), sealed)
    const session = (data as { user?: { session?: unknown } } | undefined)?.user?.session
    return typeof session === 'string' ? session : null
  } catch {
    return null
  }
}

/**
 * The cookie holds no more than the session's id; who it is, and whether the session still stands, the database says.
 */
export async function writeSessionCookie(event: H3Event, session: string): Promise<void> {
  await updateSession(event, configFor(event), { user: { session } })
}

export async function clearSessionCookie(event: H3Event): Promise<void> {
  await clearSession(event, configFor(event))
}
