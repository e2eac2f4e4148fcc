import { ref } from 'vue'
import { usePreferences } from '~/stores/preferences'
import { printPaper, type PaperJob } from '~/workers/paperPress'
import { say } from './say'
import { saveFile } from './saveFile'

/** Paper given as a file; one at a time. */
export function usePaper() {
  const preferences = usePreferences()
  const busy = ref(false)
  /** Makes a paper and hands it to the downloads; says so where it could not be made. Returns whether it was. */
  async function give(name: string, job: () => PaperJob): Promise<boolean> {
    busy.value = true
    try {
      const bytes = await printPaper(job(), preferences.dates)
      saveFile(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `${name}.pdf`)
      return true
    } catch {
      say.problem('The paper could not be made. Reload the page and try again; the log is as it was.')
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, give }
}
