<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatShu, mapRange, type Forecast, type Lot } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** Heat as it is and on dry matter, in the maker's words; which lot of the pot to taste for a second estimate. */
const { forecast, lots } = defineProps<{ forecast: Forecast; lots: readonly Lot[] }>()
const book = useBook()
const preferences = usePreferences()
const dryShare = computed(() => (forecast.massG > 0 ? 1 - forecast.composition.waterG / forecast.massG : 0))
const dry = computed(() => mapRange(forecast.shu, (shu) => (dryShare.value > 0 ? shu / dryShare.value : 0)))
const chosen = ref('')
const lot = computed(() => lots.find((one) => one.id === (chosen.value || lots[0]?.id)))
const expected = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  return composition && composition.massG > 0
    ? mapRange(composition.pungency, (heat) => heat / composition.massG)
    : null
})
</script>

<template>
  <div class="stack">
    <h2>How hot is it?</h2>
    <dl>
      <div>
        <dt>as it is</dt>
        <dd><strong class="figure">{{ formatShu(forecast.shu) }}</strong> {{ preferences.heatWord(forecast) }}</dd>
      </div>
      <div>
        <dt>on dry matter, as peppers are published</dt>
        <dd>
          <strong>{{ formatShu(dry) }}</strong>{{ ' '
          }}<span class="muted small">{{ (100 * dryShare).toFixed(0) }} % is dry matter</span>
        </dd>
      </div>
    </dl>
    <details v-if="lots.length" class="disclose">
      <summary>Taste a lot for a second estimate</summary>
      <PickField
        v-if="lots.length > 1"
        v-model="chosen"
        label="Which lot"
        :options="lots.map((one) => ({ value: one.id, label: `${one.code} ${one.name}` }))"
      />
      <HeatTasting v-if="lot && expected" :key="lot.id" :lot="lot" :expected="expected" />
    </details>
    <details class="disclose">
      <summary>Your own five words</summary>
      <HeatWords />
    </details>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: var(--s3);
  margin: 0;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
}
.figure {
  color: var(--heat);
}
</style>
