import { useEventListener } from '@vueuse/core'
import { shallowRef } from 'vue'

type InstallEvent = Event & { prompt: () => Promise<unknown> }

/** The browser's offer to install this page, kept until somebody takes it. */
const offered = shallowRef<InstallEvent | null>(null)

/** Waits for the offer, from the start on. */
export function useInstallOffer(): void {
  useEventListener(window, 'beforeinstallprompt', (event) => {
    event.preventDefault()
    offered.value = event as InstallEvent
  })
  useEventListener(window, 'appinstalled', () => (offered.value = null))
}

/** Whether it can be installed here and now, and doing it. */
export function useInstall() {
  async function install() {
    const offer = offered.value
    offered.value = null
    await offer?.prompt()
  }
  return { offered, install }
}
