import { until } from '@vueuse/core'
import { replaceDemo } from '~/db/journal'
import { useBook } from '~/stores/book'

/** Loads the invented loft's log, dated from now; what is loaded already is replaced. */
export async function loadDemo(): Promise<void> {
  const { demoEntries } = await import('#demo/scenario')
  await replaceDemo(demoEntries(Date.now()))
}

/** Takes the demo out again. The maker's own entries stay. */
export const removeDemo = (): Promise<void> => replaceDemo([])

/** With the demo command, an empty log starts with the demo in it. */
export function useDemoOnStart(): void {
  const book = useBook()
  if (!useRuntimeConfig().public.demo) return
  void until(() => book.ready).toBe(true).then(() => book.entries?.length === 0 ? loadDemo() : undefined)
}
