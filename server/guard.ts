import { isIP } from 'node:net'

/* Who may ask this server, and for what. A page of another site, open in the same browser, is nobody it listens to. */

/** A refusal: its status and the sentence. */
export interface Refusal {
  status: 400 | 403 | 404 | 405 | 410 | 413 | 415 | 421 | 422 | 429 | 503 | 507
  message: string
}

/** What is known of a request before it is answered. Header values as they came. */
export interface Request {
  path: string
  host: string | undefined
  origin: string | undefined
  /** `Sec-Fetch-Site`: where the browser says that the request came from. */
  site: string | undefined
}

/** The name in a `Host` header, without its port: `[::1]:3000` → `::1`. */
function nameOf(host: string): string {
  const bracketed = /^\[([^\]]*)\](:\d+)?$/.exec(host)
  return (bracketed?.[1] ?? host.replace(/:\d+$/, '')).toLowerCase()
}

/**
 * Why a request is not answered, or `null`. An address in figures cannot be bent to us by another site's name server, a
 * name can: so names are listed.
 * @param hosts names this server goes by beside "localhost".
 */
export function refusalOf({ path, host, origin, site }: Request, hosts: readonly string[]): Refusal | null {
  const name = nameOf(host ?? '')
  if (name !== 'localhost' && !isIP(name) && !hosts.includes(name))
    return { status: 421, message: 'This server does not go by that name. NUXT_HOSTS lists those it does.' }
  if (!path.startsWith('/api/')) return null
  const own = origin === undefined || origin === `http://${host}` || origin === `https://${host}`
  if (!own || site === 'cross-site' || site === 'same-site')
    return { status: 403, message: 'Only pages of this server may ask for this.' }
  return null
}
