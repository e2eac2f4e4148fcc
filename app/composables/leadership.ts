import { inLoft } from '~/db/loft'

/** Whether this window is the one of several that writes: it holds a lock until it closes, then another gets it. */
export function leadership(name: string): () => boolean {
  let leads = false
  void navigator.locks.request(inLoft(name), () => {
    leads = true
    return new Promise<void>(() => undefined)
  })
  return () => leads
}
