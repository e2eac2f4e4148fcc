import { until } from '@vueuse/core'
import { nowMs } from '~/clock/clock'
import { allEntries, replaceDemo } from '~/db/journal'
import { fetchRules } from '~/rules/rules'
import { useBook } from '~/stores/book'
import { useKeeping } from '~/stores/keeping'

/** Loads the invented loft's log, dated from now; what is loaded already is replaced. */
export async function loadDemo(): Promise<void> {
  const [{ demoEntries }, { DEMO_PICTURES }] = await Promise.all([
    import('#demo/scenario'),
    import('#demo/pictures'),
    fetchRules(),
  ])
  await replaceDemo(
    demoEntries(nowMs()),
    DEMO_PICTURES.map(({ id, svg }) => ({ id, origin: 'demo', blob: new Blob([svg], { type: 'image/svg+xml' }) })),
  )
}

/** Takes the demo out again. The maker's own entries stay; returns how many of them spoke of the demo's lots. */
export async function removeDemo(): Promise<number> {
  await replaceDemo([])
  const { fold } = await fetchRules()
  return fold(await allEntries()).orphans.length
}

/** With the demo command, an empty log starts with the demo in it. */
export function useDemoOnStart(): void {
  const book = useBook()
  if (!useRuntimeConfig().public.demo) return
  void until(() => book.ready && book.whole)
    .toBe(true)
    .then(() => (book.lots.length === 0 && !useKeeping().problem ? loadDemo() : undefined))
}
