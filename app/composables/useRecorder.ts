import { ref } from 'vue'
import { say } from '~/composables/say'
import type { Draft } from '@lactofer/core'
import { PROBLEM_WORDS } from '~/words/keepingWords'
import { useBook } from '~/stores/book'
import { useKeeping } from '~/stores/keeping'

/**
 * Writes to the log for a form: busy while it does, and says in words when it could not. `kept` tells what is still
 * there.
 * Resolves to whether it was written; `written` then holds the ids, for an undo.
 */
export function useRecorder(kept = 'The form is as you left it; try again.') {
  const book = useBook()
  const keeping = useKeeping()
  const busy = ref(false)
  const written = ref<string[]>([])
  async function record(...drafts: Draft[]): Promise<boolean> {
    busy.value = true
    try {
      written.value = await book.record(...drafts)
      return true
    } catch (error) {
      const code = keeping.problem ?? keeping.codeOf(error)
      const why = code === 'unreadable' ? '' : ` ${PROBLEM_WORDS[code].what} ${PROBLEM_WORDS[code].todo}`
      say.problem(`This could not be written to the log.${why} ${kept}`)
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, record, written }
}
