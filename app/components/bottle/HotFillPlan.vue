<script setup lang="ts">
import { computed } from 'vue'
import {
  coolingMinutes,
  filledBottleC,
  formatNumber,
  glassFor,
  lostToGlassC,
  shrinkPct,
  type BottleFormat,
} from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'
import type { RunForm } from '~/forms/runForm'

/** Plans a hot filling: what cold glass costs, how warm it must be. A plan only: nothing here counts as measured. */
const { format, densityGPerMl } = defineProps<{ format: BottleFormat; densityGPerMl: number }>()
const preferences = usePreferences()
const form = defineModel<RunForm>({ required: true })
const fill = computed(() =>
  form.value.fillC === null || form.value.glassC === null
    ? null
    : {
        fillC: form.value.fillC,
        glassC: form.value.glassC,
        sauceG: format.fillMl * densityGPerMl,
        glassG: format.emptyG,
      },
)
const inside = computed(() => fill.value && filledBottleC(fill.value))
const glassC = computed(() =>
  fill.value && form.value.wantedC !== null ? glassFor(form.value.wantedC, fill.value) : null,
)
/** What the cold glass takes from the fill, in the degrees of the maker's world. */
const lostToGlass = computed(() =>
  fill.value ? formatNumber(lostToGlassC(fill.value) * (preferences.world === 'us' ? 1.8 : 1), 0) : '',
)
</script>

<template>
  <details class="disclose">
    <summary>Plan it: what cold glass costs</summary>
    <div class="stack">
      <div class="fields">
        <QuantityField
          v-model="form.fillC"
          kind="temperature"
          label="Sauce goes in at"
          :limits="{ low: 40, high: 105 }"
          no-take
        />
        <QuantityField
          v-model="form.glassC"
          kind="temperature"
          label="Glass stands at"
          :limits="{ low: -5, high: 105 }"
          no-take
        />
        <QuantityField
          v-model="form.wantedC"
          kind="temperature"
          label="Wanted in the bottle"
          :limits="{ low: 40, high: 105 }"
          no-take
        />
      </div>
      <template v-if="fill && inside !== null">
        <p data-figure="in-the-bottle">
          In the bottle it will be about <strong><TemperatureText :temp-c="inside" /></strong>: the glass takes
          {{ lostToGlass }} degrees of it.
          <template v-if="glassC !== null && glassC > fill.glassC"
            >Warm the glass to <strong><TemperatureText :temp-c="glassC" /></strong> to keep
            <TemperatureText :temp-c="form.wantedC ?? 0" />.</template
          >
          <template v-else-if="glassC === null">The sauce is cooler than what you want.</template
          ><template v-else>That is enough.</template>
        </p>
        <p class="small muted">
          Glass of {{ formatNumber(format.emptyG) }} g, sauce of {{ formatNumber(fill.sauceG) }} g. A standing bottle
          loses two thirds of its lead over the room in {{ formatNumber(coolingMinutes(format.fillMl)) }} min. It
          shrinks by {{ formatNumber(shrinkPct(fill.fillC), 1) }} % until it is cold: fill by weight, not to the line.
          Warm glass slowly; cold glass bursts.
        </p>
      </template>
    </div>
  </details>
</template>
