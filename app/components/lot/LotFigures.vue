<script setup lang="ts">
import { computed } from 'vue'
import {
  coldSinceMs,
  evensOutMs,
  formatNumber,
  formatShu,
  historyOf,
  lookAgainBy,
  measuredPhs,
  phsOf,
  propertiesOf,
  saltAt,
  type Lot,
  type ToldJudgement,
} from '@lactofer/core'
import { fullDay, shortDay } from '~/clock/moments'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What is in a lot: pH, salt, heat, amount; how sour that is, and how long it keeps as it is. */
const { lot, stand } = defineProps<{ lot: Lot; stand: ToldJudgement | null }>()
const book = useBook()
const preferences = usePreferences()
const figures = computed(() => {
  const composition = book.composition(lot.id)
  return composition ? propertiesOf(composition) : null
})
/** Between what the salt lies where not all was weighed; `null` where it was, or was read. */
const saltBetween = computed(() => {
  const salt = saltAt(historyOf(book.book, lot), book.nowMs)
  if (!salt || salt.highPct - salt.lowPct < 0.05 || salt.lowPct === salt.saltPct) return null
  return `${formatNumber(salt.lowPct, 1)}–${formatNumber(salt.highPct, 1)}`
})
/** When the salt will have reached the pieces. */
const evensOn = computed(() => {
  const ms = evensOutMs(book.book, lot, book.nowMs)
  return ms ? shortDay(ms) : ''
})
/** A jar kept cold as it is: when to look at it again; nothing is promised of what was not measured. */
const keepWords = computed(() => {
  if (coldSinceMs(lot) === null) return ''
  const ms = lookAgainBy(book.book, lot, stand)
  if (ms !== null) return `Kept cold as it is: look again by ${fullDay(ms)} (common practice).`
  return book.homeMark(lot.id) === 'not measured'
    ? 'Kept cold, not measured: no day is told. Look it over every ten days.'
    : ''
})
/** The first reading of the same kind of sample as the newest: liquid and pieces are two things. */
const firstPh = computed(() => {
  const read = phsOf(book.book, lot)
  return read.find(({ of }) => of === read.at(-1)?.of)?.ph
})
const lastPh = computed(() => measuredPhs(lot).at(-1)?.ph)
</script>

<template>
  <section v-if="figures" class="sheet" aria-label="What is in it">
    <dl>
      <div>
        <dt>pH</dt>
        <dd class="figure acid" data-figure="ph">{{ lastPh === undefined ? '–' : lastPh.toFixed(2) }}</dd>
      </div>
      <div>
        <dt>Salt</dt>
        <dd class="figure salt" data-figure="salt">{{ figures.saltPct.toFixed(2) }} %</dd>
        <dd v-if="evensOn" class="small muted">Too salty now? It evens out by about {{ evensOn }}.</dd>
        <dd v-if="saltBetween" class="small muted" data-figure="salt-range">
          {{ saltBetween }} % by spoon and cup; measured, it is known
        </dd>
      </div>
      <div class="wide">
        <dt>Heat</dt>
        <dd>
          <strong class="heat">{{ formatShu(figures.shu) }}</strong>
          {{ preferences.heatWord(figures) }}
        </dd>
      </div>
      <div class="wide">
        <dt>Amount</dt>
        <dd>
          <MassText :mass-g="lot.leftG" /><template v-if="lot.usedG">
            left of <MassText :mass-g="lot.madeG"
          /></template>
        </dd>
      </div>
    </dl>
    <p v-if="keepWords" class="small" data-figure="look-again">{{ keepWords }}</p>
    <template v-if="lastPh !== undefined">
      <SourRuler :ph="lastPh" />
      <SourDifference v-if="firstPh !== lastPh" :from="firstPh ?? lastPh" :to="lastPh" />
    </template>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 1fr 1fr;
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
.wide {
  grid-column: 1 / -1;
}
.acid {
  color: var(--acid);
}
.salt {
  color: var(--salt);
}
.heat {
  color: var(--heat);
}
</style>
