/** What a page, a worker or any other file of ours may load and do: itself only. A page has its nonce beside it. */
export const POLICY = {
  'default-src': ["'self'"],
  'base-uri': ["'none'"],
  'object-src': ["'none'"],
  'script-src': ["'self'", "'wasm-unsafe-eval'"],
  'script-src-attr': ["'none'"],
  'style-src': ["'self'", "'unsafe-inline'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'font-src': ["'self'"],
  'media-src': ["'self'", 'blob:'],
  'connect-src': ["'self'"],
  'worker-src': ["'self'"],
  'manifest-src': ["'self'"],
  'form-action': ["'self'"],
  'frame-ancestors': ["'none'"],
}

/** The policy as a header says it. */
export const policyHeader = (): string =>
  Object.entries(POLICY)
    .map(([name, sources]) => `${name} ${sources.join(' ')}`)
    .join('; ')
