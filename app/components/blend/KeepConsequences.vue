<script setup lang="ts">
import { computed } from 'vue'
import {
  formatNumber,
  pressureOutlook,
  STOP_BAR,
  STORE_C,
  WARN_BAR,
  type Composition,
  type Range,
} from '@lactofer/core'

/** What sugar in a sauce means before anybody pours it: live on the shelf, live and cold, or cooked. */
const { composition, cooked } = defineProps<{ composition: Composition; cooked: boolean }>()
const pressures = computed(() => pressureOutlook(composition))
const bars = ({ low, high }: Range) =>
  low === high ? `${formatNumber(high, 1)} bar` : `${formatNumber(low, 1)}–${formatNumber(high, 1)} bar`
const daysWord = (days: Range | null) =>
  days === null
    ? 'it never gets there'
    : `after about ${formatNumber(Math.max(1, days.typical))} days (${days.low < 1 ? 'less than 1' : formatNumber(days.low)} to ${formatNumber(days.high)})`
const at = (tempC: number) => pressures.value.closed.find((one) => one.tempC === tempC)
const level = (bar: number) =>
  bar > STOP_BAR ? ('discard' as const) : bar > WARN_BAR ? ('act' as const) : ('fine' as const)
const WORD = { discard: 'Not like this', act: 'Only with care', fine: 'Goes' } as const
/** In the cold a live bottle may stand while its pressure is fine. */
const coldLevel = computed(() =>
  !composition.live || level(at(STORE_C.cold)?.bar.high ?? 0) === 'fine' ? 'fine' : 'act',
)
</script>

<template>
  <figure>
    <figcaption><h2>Live, cold or cooked?</h2></figcaption>
    <p>
      {{ formatNumber(pressures.sugarGPerL.typical) }} g of sugar in a litre ({{
        formatNumber(pressures.sugarGPerL.low)
      }}–{{ formatNumber(pressures.sugarGPerL.high) }}); all of it can come back as gas, up to
      {{ formatNumber(pressures.co2Volumes.high, 1) }} times the room of the sauce. Sauce bottles are not made for
      pressure.
    </p>
    <p v-if="!composition.live" class="muted">Nothing living goes in: it only ferments if something gets in later.</p>
    <div class="ways">
      <section data-way="shelf">
        <h3>Live, on the shelf</h3>
        <p>
          <StateMark
            :level="composition.live ? level(at(35)?.bar.high ?? 0) : 'fine'"
            :word="WORD[composition.live ? level(at(35)?.bar.high ?? 0) : 'fine']"
          />
        </p>
        <p>
          Closed at 20 °C up to <strong>{{ bars(at(20)!.bar) }}</strong>, in a warm car, 35 °C, {{ bars(at(35)!.bar) }}.
          Past {{ WARN_BAR }} bar: {{ daysWord(at(20)!.days) }}.
        </p>
      </section>
      <section data-way="cold">
        <h3>Live, kept cold</h3>
        <p>
          <StateMark
            :level="coldLevel"
            :word="WORD[composition.live && level(at(STORE_C.cold)?.bar.high ?? 0) !== 'fine' ? 'act' : 'fine']"
          />
        </p>
        <p>
          At {{ STORE_C.cold }} °C up to {{ bars(at(STORE_C.cold)!.bar) }}. Past {{ WARN_BAR }} bar:
          {{ daysWord(at(STORE_C.cold)!.days) }}. Cold only slows it: vent it, keep a plastic test bottle in view, and
          never leave it out.
        </p>
      </section>
      <section data-way="cook">
        <h3>Cooked</h3>
        <p><StateMark :level="cooked ? 'fine' : 'ask'" :word="cooked ? 'As planned' : 'Ends it'" /></p>
        <p>
          Its yeasts and bacteria die, the sugar stays, nothing is live any more. Part of the acid smell and of the
          freshness goes. Filled hot; your process authority sets time and temperature.
        </p>
      </section>
    </div>
    <details class="disclose small">
      <summary>How this is worked out</summary>
      <p>
        Gas: 0.489 g of CO₂ from a gram of sugar, pressure by Bunsen coefficients in a bottle with 5 % headspace. How
        soon: 0.1 to 2 g of sugar a litre and day at 20 °C, three times slower for every ten degrees less: judgement,
        since nobody knows the yeast. Every sugar counts, fermented or not.
      </p>
    </details>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s3);
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: var(--s3);
}
.ways section {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s3);
  display: grid;
  gap: var(--s1);
  align-content: start;
}
</style>
