/**
 * An address of the web as a browser writes it out (its host in ASCII), with nobody's name or password in front of the
 * host:
 * what stands there is made to look like another place.
 */
const WEB_ADDRESS =
  /^https?:\/\/((?:[a-z0-9](?:[a-z0-9-]*[a-z0-9])?\.)*[a-z0-9](?:[a-z0-9-]*[a-z0-9])?)(?::\d{1,5})?(?:[/?#]\S*)?$/

export const isWebAddress = (address: string): boolean => WEB_ADDRESS.test(address)

/** Where an address leads, as a reader should see it: its host without "www.". Empty for what is none. */
export const hostOf = (address: string): string => WEB_ADDRESS.exec(address)?.[1]?.replace(/^www\./, '') ?? ''

/**
 * What was typed or pasted, written out as a browser does it; null for what leads nowhere. Without a scheme the secure
 * web is meant.
 */
export function readWebAddress(typed: string): string | null {
  const text = typed.trim()
  if (!text || text.length > 2000 || /\s/.test(text)) return null
  const whole = /^[a-z][a-z0-9+.-]*:/i.test(text) && !/^[^/]*:\d+(?:\/|$)/.test(text) ? text : `https://${text}`
  try {
    const { href, hostname } = new URL(whole)
    return isWebAddress(href) && href.length <= 2000 && hostname.includes('.') ? href : null
  } catch {
    return null
  }
}
