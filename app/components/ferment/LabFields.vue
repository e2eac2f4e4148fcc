<script setup lang="ts">
import type { ReadingDraft } from '~/forms/readingDraft'

/** What a laboratory measured. */
const form = defineModel<ReadingDraft>({ required: true })
</script>

<template>
  <fieldset>
    <legend>From a laboratory</legend>
    <div class="fields">
      <QuantityField v-model="form.aw" kind="number" label="Water activity" :limits="{ low: 0.3, high: 1 }" optional />
      <QuantityField
        v-model="form.histamineMgKg"
        kind="number"
        label="Histamine"
        :limits="{ low: 0, high: 10000, unit: 'mg/kg' }"
        optional
      />
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  margin: 0;
  padding: 0;
  border: 0;
}
.fields {
  grid-template-columns: repeat(auto-fill, minmax(140px, 1fr));
}
</style>
