<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { useIntersectionObserver } from '@vueuse/core'
import { usePrinting } from '~/composables/usePrinting'

/**
 * A piece of a long list: drawn while it is near the window and on paper; else it only keeps its place, as high as it
 * was or is taken to be.
 */
const {
  heightPx,
  first = false,
  few = false,
  rows = false,
} = defineProps<{
  /** How high it is taken to be before it was drawn, px. */
  heightPx: number
  /** It stands at the top, and is drawn at once. */
  first?: boolean
  /** The list is short: all of it is drawn. */
  few?: boolean
  /** It is of a table. */
  rows?: boolean
}>()
/** So far outside of the window it is drawn already: a quick scroll finds it there. */
const NEAR = '800px 0px'

const root = useTemplateRef<HTMLElement>('root')
const near = ref(first)
const printing = usePrinting()
const keptPx = ref<number | null>(null)
useIntersectionObserver(
  root,
  ([entry]) => {
    // Whoever is in it with the keyboard stays in it.
    if (!entry || (!entry.isIntersecting && root.value?.contains(document.activeElement))) return
    if (near.value && !entry.isIntersecting) keptPx.value = root.value?.offsetHeight ?? null
    near.value = entry.isIntersecting
  },
  { rootMargin: NEAR },
)
const drawn = computed(() => few || near.value || printing.value)
</script>

<template>
  <tbody v-if="rows" ref="root">
    <slot v-if="drawn" />
    <tr v-else aria-hidden="true">
      <td colspan="99" :style="{ height: `${keptPx ?? heightPx}px` }" />
    </tr>
  </tbody>
  <ul v-else ref="root" class="plain-list" :style="drawn ? undefined : { minHeight: `${keptPx ?? heightPx}px` }">
    <slot v-if="drawn" />
  </ul>
</template>
