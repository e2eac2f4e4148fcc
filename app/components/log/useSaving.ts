import { ref } from 'vue'
import { counted } from '@lactofer/core'
import { sizeWords } from '~/words/backupWords'
import { useBackup } from '~/stores/backup'

/** Saves or shares an archive for a button: busy while it does, and says what was saved or why it was not. */
export function useSaving() {
  const backup = useBackup()
  const busy = ref(false)
  const problem = ref('')
  const report = ref('')
  async function save(share: boolean) {
    busy.value = true
    problem.value = report.value = ''
    try {
      const { entries, pictures, bytes } = await backup.save(share)
      report.value = `${counted(entries, 'entry', 'entries')} and ${counted(pictures, 'picture')}, ${sizeWords(bytes)}.`
    } catch (error) {
      // Who closes the list of places to share to has changed their mind.
      const left = error instanceof DOMException && error.code === DOMException.ABORT_ERR
      problem.value = left ? '' : 'The archive could not be written. Is the disk full? The log is as it was.'
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, report, save }
}
