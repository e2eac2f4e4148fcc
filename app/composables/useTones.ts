import { useMutationObserver, usePreferredDark } from '@vueuse/core'
import { computed, ref } from 'vue'

const NAMES = [
  'ink',
  'muted',
  'line',
  'surface',
  'acid',
  'salt',
  'heat',
  'sweet',
  'body',
  'temperature',
  'fine',
  'act',
  'discard',
] as const
export type Tones = Record<(typeof NAMES)[number], string>

/** The theme's colours as values, for drawings on a canvas; follow light and dark. */
export function useTones() {
  const dark = usePreferredDark()
  const changes = ref(0)
  useMutationObserver(document.documentElement, () => changes.value++, {
    attributes: true,
    attributeFilter: ['data-theme'],
  })
  return computed(() => {
    void [dark.value, changes.value]
    const style = getComputedStyle(document.documentElement)
    return Object.fromEntries(NAMES.map((name) => [name, style.getPropertyValue(`--${name}`).trim()])) as Tones
  })
}
