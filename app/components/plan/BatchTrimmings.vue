<script setup lang="ts">
import { computed, ref } from 'vue'
import { exactly, formatNumber, sharesTrimmings } from '@lactofer/core'
import type { FormRow } from '~/forms/planForm'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * What was bought and trimmed, weighed once for the whole batch: said either way, shared by weight over the rows that
 * have no trim of their own.
 */
const { rows } = defineProps<{ rows: readonly FormRow[] }>()
const trimmed = defineModel<number | null>({ required: true })
const book = useBook()
const preferences = usePreferences()
const sharing = computed(() => rows.filter((row) => row.massG && sharesTrimmings(book.library, row)))
const goesInG = computed(() => sharing.value.reduce((sum, row) => sum + (row.massG ?? 0), 0))
const problem = ref<string | null>(null)
const bought = computed({
  get: () => (trimmed.value === null ? null : goesInG.value + trimmed.value),
  set: (value: number | null) => {
    problem.value =
      value !== null && value < goesInG.value
        ? `${preferences.amountWords(exactly(goesInG.value), 'mass')} go in: no less can have been bought.`
        : null
    trimmed.value = value === null || problem.value ? null : value - goesInG.value
  },
})
const words = computed(() => {
  if (!trimmed.value || sharing.value.length === 0) return 'shared by weight over what has no trim of its own'
  const share = formatNumber((100 * trimmed.value) / (goesInG.value + trimmed.value), 1)
  return `${share} % of ${sharing.value.map(({ name }) => name.toLowerCase()).join(', ')}`
})
</script>

<template>
  <details class="disclose">
    <summary>Bought and trimmed, once for the whole batch</summary>
    <div class="fields">
      <QuantityField v-model="trimmed" kind="mass" label="Trimmed off in all" optional :hint="words" />
      <QuantityField v-model="bought" kind="mass" label="Bought in all" optional hint="or say this" />
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </details>
</template>
