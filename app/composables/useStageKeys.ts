import { onKeyStroke } from '@vueuse/core'
import { ref } from 'vue'
import { KEY_BINDINGS } from '~/words/keys'
import { useRound } from '~/stores/round'

/** Where somebody types, or a widget has keys of its own. */
const TYPING = 'input, textarea, select, [role=slider], [role=combobox], [contenteditable]'

/** Keys that work wherever nobody is typing, as the table says. */
export function useStageKeys() {
  const router = useRouter()
  const helpOpen = ref(false)
  const round = useRound()
  onKeyStroke((event) => {
    const target = event.target as HTMLElement | null
    if (target?.closest(TYPING)) return
    if ((event.ctrlKey || event.metaKey) && event.key === 'z' && (round.last || round.busy)) {
      event.preventDefault()
      void round.undo()
      return
    }
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const binding = KEY_BINDINGS.find(
      ({ keys, go, focus, press, help }) => keys.includes(event.key) && (go ?? focus ?? press ?? help),
    )
    if (!binding) return
    const page = binding.go?.(event.key)
    const wanted = binding.focus ?? binding.press
    const found = wanted ? document.querySelector<HTMLElement>(wanted) : null
    // A key whose field or button is not on this page stays the browser's own.
    if (wanted && !found) return
    if (page) void router.push(page)
    if (binding.press) found?.click()
    else found?.focus()
    if (binding.help) helpOpen.value = true
    event.preventDefault()
  })
  return { helpOpen }
}
