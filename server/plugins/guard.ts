import { refusalOf } from '../guard'
import { policyHeader } from '../policy'
import { refuse } from '../refuse'

/** On every answer, files too; a page's own policy, with its nonce, takes the place of this one. */
const HEADERS = {
  'content-security-policy': policyHeader(),
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'referrer-policy': 'no-referrer',
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
}

/** Stands before everything else, files included. */
export default defineNitroPlugin((nitro) => {
  // Unless told otherwise it listens on this machine only; this runs before the server looks where to listen.
  process.env.NITRO_HOST ||= process.env.HOST || '127.0.0.1'
  const hosts = String(useRuntimeConfig().hosts)
    .split(',')
    .map((name) => name.trim().toLowerCase())
    .filter(Boolean)
  nitro.h3App.stack.unshift({
    route: '/',
    handler: defineEventHandler((event) => {
      setResponseHeaders(event, HEADERS)
      const header = (name: string) => getRequestHeader(event, name)
      const asked = { path: event.path, host: header('host'), origin: header('origin'), site: header('sec-fetch-site') }
      const refusal = refusalOf(asked, hosts)
      return refusal ? refuse(event, refusal) : undefined
    }),
  })
})
