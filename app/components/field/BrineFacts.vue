<script setup lang="ts">
import type { Row } from '@lactofer/core'
import { useBook } from '~/stores/book'

/**
 * What is known of a whey or of an old brine that is no lot of the log: its salt and its pH; where nothing is said it
 * is taken as such things usually are.
 */
const row = defineModel<Pick<Row, 'ph' | 'saltPct' | 'materialId' | 'name'>>({ required: true })
const book = useBook()
const set = (change: Partial<Pick<Row, 'ph' | 'saltPct'>>) => Object.assign(row.value, change)
const material = () => book.library.materialOrUnknown(row.value.materialId)
</script>

<template>
  <div class="fields">
    <QuantityField
      :model-value="row.saltPct ?? null"
      kind="percent"
      :label="`${row.name}, its salt`"
      :limits="{ high: 26 }"
      optional
      no-take
      :hint="`not said: taken as ${material().saltPct.typical} %`"
      @update:model-value="set({ saltPct: $event ?? undefined })"
    />
    <QuantityField
      :model-value="row.ph ?? null"
      kind="ph"
      :label="`${row.name}, its pH`"
      optional
      :hint="`not said: taken as ${material().ph?.typical.toFixed(1)}; a strip tells`"
      @update:model-value="set({ ph: $event ?? undefined })"
    />
  </div>
</template>
