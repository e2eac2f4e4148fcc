<script setup lang="ts">
import { computed } from 'vue'
import {
  formatNumber,
  pressureOutlook,
  STOP_BAR,
  STORE_C,
  storeRefusal,
  WARN_BAR,
  type Composition,
  type KeepCase,
  type Range,
  type Store,
  type Treatment,
} from '@lactofer/core'

/**
 * What a live sauce does closed: gas, pressure at three temperatures, days to the warning line; and why it may not
 * stand on the shelf.
 */
const { composition, known, treatment } = defineProps<{
  composition: Composition
  known: KeepCase
  treatment: Treatment
}>()
const store = defineModel<Store>({ required: true })
const emit = defineEmits<{ keep: [treatment: Treatment] }>()
const pressures = computed(() => pressureOutlook(composition, known.headspace))
const refusal = computed(() => storeRefusal(treatment, store.value, known))
const PLACES = [
  { value: 'cold', label: 'in the cold' },
  { value: 'frozen', label: 'frozen' },
  { value: 'shelf', label: 'on the shelf' },
] as const
const where = computed(() => PLACES.find(({ value }) => value === store.value)?.label)
const bars = ({ low, high }: Range) =>
  formatNumber(high, 1) === formatNumber(low, 1)
    ? `${formatNumber(high, 1)} bar`
    : `${formatNumber(low, 1)}–${formatNumber(high, 1)} bar`
const days = (range: Range | null) =>
  range === null
    ? 'never'
    : range.high < 1
      ? 'within a day'
      : `${range.low < 1 ? 'under 1' : formatNumber(range.low)} to ${formatNumber(range.high)} days`
const level = (bar: number) =>
  bar > STOP_BAR ? ('discard' as const) : bar > WARN_BAR ? ('act' as const) : ('fine' as const)
/** What it does where it is to stand, as the release judges it; frozen nothing works. */
const chosen = computed(() =>
  store.value === 'frozen' ? null : pressures.value.closed.find(({ tempC }) => tempC === STORE_C[store.value]),
)
const WORD = { discard: 'Bottles burst', act: 'Past the line', fine: 'Under the line' } as const
</script>

<template>
  <section class="sheet" aria-label="Pressure watch">
    <div class="head">
      <h2>Pressure watch</h2>
      <PickField v-model="store" label="Where the bottles stand" :options="PLACES" />
    </div>
    <template v-if="composition.live">
      <p>
        Up to {{ formatNumber(pressures.sugarGPerL.high, 1) }} g of sugar a litre can come back as gas of
        {{ formatNumber(pressures.co2Volumes.high, 1) }} times the room of the sauce. Sauce bottles are not made for
        pressure: {{ WARN_BAR }} bar is the line here.
      </p>
      <div class="sideways">
        <table class="plain" data-figure="pressure">
          <thead>
            <tr>
              <th>Closed at</th>
              <th class="end">Pressure in the end</th>
              <th class="number">Line reached after</th>
            </tr>
          </thead>
          <tbody>
            <tr
              v-for="one in pressures.closed"
              :key="one.tempC"
              :data-temp="one.tempC"
              :class="{ chosen: one === chosen }"
            >
              <td class="at"><TemperatureText :temp-c="one.tempC" /></td>
              <td class="end">
                <StateMark :level="level(one.bar.high)" :word="WORD[level(one.bar.high)]" />{{ ' '
                }}<strong>{{ bars(one.bar) }}</strong>
              </td>
              <td class="number">{{ days(one.days) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p data-figure="at-store">
        <template v-if="chosen?.days"
          ><strong
            >Closed and {{ where }}: {{ WARN_BAR }} bar {{ chosen.days.high < 1 ? '' : 'after '
            }}{{ days(chosen.days) }}.</strong
          ></template
        ><template v-else-if="chosen">There is too little sugar in it to reach {{ WARN_BAR }} bar.</template
        ><template v-else>Frozen it stands still; the days begin when it thaws.</template>
      </p>
      <p class="small muted">
        The range is what is not known of its sugar; the days, how quick its yeasts are. Cold only slows it.
      </p>
    </template>
    <p v-else>Nothing alive in it by what is logged, so no gas is expected. Keep one bottle in view all the same.</p>
    <div v-if="refusal" class="refusal" role="alert" data-refusal>
      <p><StateMark level="discard" word="Not for the shelf" /> {{ refusal.reason }}</p>
      <div class="row">
        <el-button v-for="offer in refusal.offers" :key="offer.to" type="primary" @click="emit('keep', offer.to)">{{
          offer.words
        }}</el-button>
      </div>
      <p v-if="refusal.lessSugarPct !== null" class="small">
        Or leave out {{ formatNumber(refusal.lessSugarPct) }} % of its sugar: so much less fruit, in the
        <NuxtLink to="/blend">blend</NuxtLink>.
      </p>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  flex-wrap: wrap;
  align-items: start;
}
.head > :last-child {
  width: 200px;
}
.at,
.end strong {
  white-space: nowrap;
}
.end {
  text-align: right;
}
.end strong {
  display: inline-block;
  min-width: 7em;
}
.chosen {
  background: var(--wash);
  box-shadow: inset 4px 0 0 var(--bottle);
}
.refusal {
  display: grid;
  gap: var(--s3);
  border-left: 4px solid var(--discard);
  padding-left: var(--s3);
}
@media (max-width: 600px) {
  td,
  th {
    padding-inline: 4px;
    font-size: 14px;
  }
}
</style>
