import { onKeyStroke } from '@vueuse/core'
import { ref } from 'vue'
import { STAGES } from '~/components/frame/stages'

/** Keys that work wherever nobody is typing: 1–7 for the stages, n for a new batch, r for a reading, / to find, ? for help. */
export function useStageKeys() {
  const router = useRouter()
  const helpOpen = ref(false)
  onKeyStroke((event) => {
    const target = event.target as HTMLElement | null
    if (
      event.ctrlKey ||
      event.metaKey ||
      event.altKey ||
      target?.closest('input, textarea, select, [role=slider], [role=combobox], [contenteditable]')
    )
      return
    const stage = STAGES[Number(event.key) - 1]
    if (stage) void router.push(stage.to)
    else if (event.key === 'n') void router.push('/plan')
    else if (event.key === 'r' && document.querySelector('form[aria-label=Reading]'))
      document.querySelector<HTMLElement>('form[aria-label=Reading] input')?.focus()
    else if (event.key === '?') helpOpen.value = true
    else if (event.key === '/') document.querySelector<HTMLElement>('[data-find] input')?.focus()
    else return
    event.preventDefault()
  })
  return { helpOpen }
}
