import { getRequestHeader, type H3Event } from 'h3'

/** How many proxies of ours stand before the application; each adds the address that it saw at the end of the list. */
const proxies = Number(process.env.TRUSTED_PROXIES ?? 0)

/** Where a request comes from. What a sender writes into the header by itself is never believed. */
export function addressOf(event: H3Event): string {
  const direct = event.node.req.socket.remoteAddress ?? 'unknown'
  if (!(proxies > 0)) return direct
  const forwarded = (getRequestHeader(event, 'x-forwarded-for') ?? '')
    .split(',')
    .map(part => part.trim())
    .filter(Boolean)
  return forwarded.at(-proxies)?.slice(0, 64) ?? direct
}
