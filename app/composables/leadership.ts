import { nowMs } from '~/clock/clock'

/** A window that leads by a note says so this often at least, or another one takes over. */
const NOTE_HOLDS_MS = 20_000

/**
 * Whether this window is the one of several that writes. By a lock; where a page is not served securely there are
 * none (plain http on a local network), and a note in the browser's storage stands in for it.
 * @param self what tells this window from others.
 */
export function leadership(name: string, self: string): () => boolean {
  if ('locks' in navigator) {
    let leads = false
    void navigator.locks.request(name, () => {
      leads = true
      // Held until this window closes.
      return new Promise<void>(() => undefined)
    })
    return () => leads
  }
  return () => {
    try {
      const [holder, sinceMs] = (localStorage.getItem(name) ?? '').split(' ')
      if (holder && holder !== self && nowMs() - Number(sinceMs) < NOTE_HOLDS_MS) return false
      localStorage.setItem(name, `${self} ${nowMs()}`)
    } catch {
      // Without storage nobody can be asked; this window writes.
    }
    return true
  }
}
