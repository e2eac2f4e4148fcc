import { onScopeDispose, watch } from 'vue'
import { useDocumentVisibility, useEventListener } from '@vueuse/core'
import { useBook } from '~/stores/book'
import { useLink } from '~/stores/link'
import { leadership } from './leadership'

/** How long after an exchange the next one begins, ms: while the page is looked at, while not, while nobody answers. */
const APART_MS = 3000
const HIDDEN_MS = 20_000
const AWAY_MS = 6000
/** What was recorded goes out so soon, ms: a round's taps go together. */
const SOON_MS = 400

/** Exchanges with the other devices as long as one of the ways is switched on; of several windows one does. */
export function useLinking(): void {
  const link = useLink()
  const book = useBook()
  const leads = leadership('lactofer-link')
  const seen = useDocumentVisibility()
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false
  let again = false

  const soon = (ms: number) => {
    clearTimeout(timer)
    timer = setTimeout(() => void run(), ms)
  }
  async function run(): Promise<void> {
    again = busy
    if (busy || !link.on) return
    busy = true
    let pause = AWAY_MS
    try {
      if (leads()) {
        const { more, away } = await link.exchange()
        pause = more ? 0 : away ? AWAY_MS : APART_MS
      }
    } catch {
      // What exchanges could not be fetched from the server, or broke; it is begun anew.
      await link.tellAway((book.entries ?? []).filter(({ origin }) => origin === 'maker').length)
    }
    busy = false
    if (again) return void run()
    soon(seen.value === 'hidden' ? Math.max(pause, HIDDEN_MS) : pause)
  }
  watch([() => link.on, () => link.asked, () => book.entries?.length, seen], () => soon(SOON_MS), { immediate: true })
  useEventListener('online', () => soon(0))
  onScopeDispose(() => clearTimeout(timer))
}
