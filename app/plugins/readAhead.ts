import { hadEntries } from '~/db/hadEntries'
import { readAhead } from '~/db/logStart'
import { fetchRules } from '~/rules/rules'
import { hasPrivateFiles, witness } from '~/workers/witness'

/** The log, and what it is read by or what stands in its place, are on their way before the first page is there. */
export default defineNuxtPlugin({
  name: 'read-ahead',
  enforce: 'pre',
  setup() {
    if (!globalThis.isSecureContext) return
    readAhead()
    // An empty log is called new only once its second copy was asked.
    if (hasPrivateFiles()) witness()
    // What goes wrong is told where it is wanted.
    const ahead = hadEntries()
      ? [fetchRules(), import('~/components/shelf/TodayWork.vue')]
      : [import('~/components/shelf/EmptyStart.vue')]
    Promise.all<unknown>(ahead).catch(() => undefined)
  },
})
