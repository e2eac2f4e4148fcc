<script setup lang="ts">
import { computed } from 'vue'
import { formatMass, formatNumber, spoonWords, type PlanFigures } from '@lactofer/core'
import type { PlanForm } from '~/forms/planForm'
import { isRoughSalt, saltWorkingOf, slipOf, spoonsOf, swapsOf } from '~/forms/saltAnswer'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** The salt of a plan: how much, on every basis, how sure, and which weighing would tell most. */
const { form, figures } = defineProps<{ form: PlanForm; figures: PlanFigures & { waterG: number } }>()
const book = useBook()
const preferences = usePreferences()
/** Something was said by measure: the salt of everything is then a range. */
const ranges = computed(() => figures.evenedPct.high - figures.evenedPct.low > 0.005)
const working = computed(() => saltWorkingOf(book.book, form, figures))
const salt = computed(() => book.library.salts.find(({ id }) => id === form.saltId))
/** What was said in spoons needs no second count of them. */
const spoons = computed(() => (isRoughSalt(book.book, form) ? null : spoonsOf(figures, salt.value)))
const swaps = computed(() => swapsOf(figures, book.library.salts, form.saltId))
/** Fine and coarse are told apart in the open: that slip happens. */
const pairs = computed(() => swaps.value.filter(({ always }) => always))
const others = computed(() => swaps.value.filter(({ always }) => !always))
const slip = computed(() => slipOf(book.book, form, figures))
const mass = (grams: number) => formatMass(grams, preferences.world, preferences.world === 'metric')
const pct = (value: number | null) => (value === null ? '–' : `${formatNumber(value, 2)} %`)
</script>

<template>
  <div>
    <h2>How salty that is</h2>
    <p v-if="spoons && salt" class="small" data-figure="spoons">
      <strong>{{ spoonWords(spoons) }}</strong> of {{ salt.name }}, level. Weigh it when you can.
    </p>
    <table class="plain small">
      <tbody>
        <tr>
          <td>of the ingredients</td>
          <td class="number">{{ pct(figures.dose.ofIngredientsPct) }}</td>
        </tr>
        <tr v-if="figures.waterG > 0">
          <td>of the water</td>
          <td class="number">{{ pct(figures.dose.ofWaterPct) }}</td>
        </tr>
        <tr v-if="figures.waterG > 0">
          <td>of the brine</td>
          <td class="number">{{ pct(figures.dose.ofBrinePct) }}</td>
        </tr>
        <tr>
          <td><strong>of everything, evened out</strong></td>
          <td class="number">
            <strong data-figure="evened">{{ pct(figures.dose.ofEverythingPct) }}</strong>
          </td>
        </tr>
        <tr v-if="ranges">
          <td>probably</td>
          <td class="number" data-figure="evened-range">
            {{ formatNumber(figures.evenedPct.low, 2) }}–{{ pct(figures.evenedPct.high) }}
          </td>
        </tr>
        <tr>
          <td>in the water phase</td>
          <td class="number">{{ pct(figures.properties.waterPhaseSaltPct) }}</td>
        </tr>
      </tbody>
    </table>
    <p v-if="figures.tooWeak" class="line">
      <StateMark level="act" word="Too weak" /> Below {{ figures.leastSaltPct }} % of everything the wrong bacteria can
      win.
    </p>
    <p v-else-if="figures.mayBeWeak" class="line">
      <StateMark level="ask" word="May be too weak" /> At its low end it is under {{ figures.leastSaltPct }} % of
      everything. Weigh the salt, or what it salts.
    </p>
    <p v-if="slip" class="line small" data-figure="slip">
      <StateMark level="act" word="A slip?" /> <SaidText :text="slip.sentence" />
    </p>
    <p v-if="ranges && figures.toWeigh" class="small" data-figure="to-weigh">
      Weigh the {{ figures.toWeigh.name.toLowerCase() }}: the salt is then known within
      {{ formatNumber((figures.toWeigh.saltPct.high - figures.toWeigh.saltPct.low) / 2, 2) }} %.
    </p>
    <ShowWorking :working="working" />
    <p v-for="pair in pairs" :key="pair.id" class="small" data-figure="pair">
      The same spoons of {{ pair.name.toLowerCase() }}: {{ mass(pair.saltG) }}, {{ formatNumber(pair.evened, 2) }} %.
    </p>
    <details v-if="others.length" class="small disclose">
      <summary>The same spoons of another salt</summary>
      <ul class="plain-list swaps">
        <li v-for="swap in others" :key="swap.id">
          <span>{{ swap.name }}</span
          ><span class="number">{{ mass(swap.saltG) }}, × {{ formatNumber(swap.times, 2) }}</span
          ><span class="number">{{ formatNumber(swap.evened, 2) }} %</span>
        </li>
      </ul>
      <p class="muted">The last column: of everything, evened out.</p>
    </details>
  </div>
</template>

<style scoped>
.swaps li {
  display: grid;
  grid-template-columns: 1.4fr 1.3fr 64px;
  gap: var(--s2);
  padding: 3px 0;
  border-bottom: 1px solid var(--line);
}
.number {
  text-align: right;
}
.line {
  display: block;
}
.line :deep(.mark) {
  margin-right: 4px;
}
</style>
