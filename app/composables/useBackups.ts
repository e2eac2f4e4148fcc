import { watchDebounced } from '@vueuse/core'
import { computed } from 'vue'
import { useBackup } from '~/stores/backup'
import { useBook } from '~/stores/book'

/** An archive waits until the log has been quiet for so long, ms. */
const QUIET_MS = 8000

/** Writes archives by themselves where a folder was chosen: once a day and after every release. */
export function useBackups(): void {
  const backup = useBackup()
  const book = useBook()
  // What is due is told at rest: it may come later than the entries it is told of.
  const look = computed(() => [book.entries?.length, backup.folder, backup.due, Math.floor(book.nowMs / 3_600_000)])
  watchDebounced(look, () => void backup.runWhereDue(), { debounce: QUIET_MS, immediate: true })
}
