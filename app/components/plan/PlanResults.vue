<script setup lang="ts">
import { computed } from 'vue'
import {
  acidityOf,
  amountCost,
  nearTarget,
  cautionsFor,
  costWorking,
  formatMass,
  formatNumber,
  formatShu,
  formatVolume,
  insurance,
  mapRange,
  phWorking,
  shuWorking,
  startWorking,
  styleById,
  yieldWorking,
  type Row,
} from '@lactofer/core'
import type { PlanForm } from '~/forms/planForm'
import { bottlesOf, type planResults } from '~/forms/planResults'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What the plan comes to, while it is typed. Every figure opens to its working. */
const { form, results } = defineProps<{ form: PlanForm; results: NonNullable<ReturnType<typeof planResults>> }>()
const book = useBook()
const preferences = usePreferences()
const found = computed(() => (results.figures ? { ...results.figures, waterG: results.waterG } : null))
const style = computed(() => styleById(form.style))
const acidity = computed(() =>
  found.value?.ph && style.value.ferments ? acidityOf(found.value.ph, found.value.parts) : null,
)
const near = computed(() =>
  found.value?.ph && style.value.judgedBy === 'acid' && form.targetPh !== null
    ? nearTarget(found.value.ph.low, form.targetPh)
    : null,
)
const SOURS = ['white-vinegar', 'lime-juice', 'citric-acid'] as const
const remedies = computed(() =>
  found.value && acidity.value && acidity.value.level !== 'fine'
    ? insurance(
        found.value.composition,
        SOURS.flatMap((id) => book.library.material(id) ?? []),
      )
    : [],
)
const heatParts = computed(() =>
  (found.value?.parts ?? [])
    .filter((part) => part.composition.massG > 0)
    .map(({ name, composition: { massG, pungency } }) => ({
      name,
      massG,
      shu: mapRange(pungency, (shuG) => shuG / massG),
    })),
)
const closed = computed(() => (style.value.closures[0] ?? '') === 'tight lid')
const cautions = computed(() =>
  found.value
    ? cautionsFor('pack', {
        hasHotPeppers: found.value.properties.shu.high > 500,
        closed: closed.value && style.value.ferments,
        allergens: found.value.composition.allergens,
        oily: form.rows.some(({ materialId }) => book.library.material(materialId)?.kind === 'oil'),
        honey: form.rows.some(({ materialId }) => materialId === 'honey'),
        ...(style.value.ferments &&
          style.value.saltPct && {
            saltPct: found.value.properties.saltPct,
            leastSaltPct: found.value.leastSaltPct,
          }),
        vessels: book.fermenting.reduce((sum, lot) => sum + lot.vessels.length, 0) + 1,
      })
    : [],
)
const bottles = computed(() => found.value && bottlesOf(found.value, form.bottleMl))
/** A lot costs what it cost to make; where some of that has no price it has none. */
function lotPrice(row: Row) {
  const { money, unpriced } = amountCost(book.book, { ...row, massG: 1000 })
  return unpriced.length ? null : money
}
const priceOf = (row: Row) =>
  row.pricePerKg ?? (row.lotId ? lotPrice(row) : (book.library.material(row.materialId)?.pricePerKg ?? null))
const priced = computed(() => (results.figures ? results.rows : []).some((row) => priceOf(row) !== null))
const money = (value: number) => `${preferences.currency} ${formatNumber(value, 2)}`
/** The answer in one sentence, for whoever listens. */
const told = computed(() => {
  if (!found.value) return results.problem ?? ''
  const { dose, ph } = found.value
  const salt = style.value.saltPct ? `Salt ${formatMass(dose.saltG, preferences.world)}. ` : ''
  return `${salt}${ph ? `Start pH ${ph.typical.toFixed(1)}.` : ''}`
})
const ACIDITY_WORDS = { fine: 'Sour enough', act: 'Low in acid', ask: 'As usual' } as const
</script>

<template>
  <aside class="sheet" aria-label="What it comes to">
    <SteadyStatus :text="told" />
    <p v-if="!found" class="problem" role="alert"><SaidText :text="results.problem ?? ''" /></p>
    <template v-else>
      <SaltResult v-if="style.saltPct" :form="form" :figures="found" />
      <div v-if="style.ferments && found.raw !== null">
        <h3>What starts it</h3>
        <p class="line" data-figure="start">
          <StateMark
            :level="found.remedy ? 'act' : 'fine'"
            :word="`${formatNumber(100 * found.raw)} % raw${found.starter ? ', and a starter' : ''}`"
          />
          {{ ' ' }}<SaidText :text="found.remedy ? found.remedy.sentence : `${found.startWords}.`" />
        </p>
        <ShowWorking :working="startWorking(found)" />
      </div>
      <div v-if="found.ph">
        <h3>{{ style.ferments ? 'Start pH' : 'pH of the mixture' }}</h3>
        <p>
          <strong class="acid" data-figure="start-ph">{{ found.ph.typical.toFixed(1) }}</strong>{{ ' '
          }}<span class="muted"
            >probably {{ found.ph.low.toFixed(1) }}–{{ found.ph.high.toFixed(1) }}; read it once it is mixed</span
          >
        </p>
        <p v-if="near" class="line small" data-figure="near-target">
          <StateMark level="ask" word="Near the target" /> Its own acid brings it to pH {{ found.ph.low.toFixed(1) }} to
          {{ found.ph.high.toFixed(1) }}; at a target of {{ form.targetPh?.toFixed(1) }} nothing shows that it
          fermented. Ready will want gas that came and went{{
            near.proposed === null
              ? '; it starts too sour for any target to show it'
              : `, or a target of ${near.proposed.toFixed(1)}`
          }}.
        </p>
        <p v-if="acidity" class="line small" data-figure="acidity">
          <StateMark :level="acidity.level" :word="ACIDITY_WORDS[acidity.level]" />
          {{ ' ' }}<SaidText :text="acidity.sentence" />
        </p>
        <details v-if="remedies.length" class="small disclose">
          <summary>To start at 4.6, if you want that insurance</summary>
          <ul>
            <li v-for="remedy in remedies" :key="remedy.material.id">
              <SaidText :text="remedy.sentence" />, which leaves the salt at {{ formatNumber(remedy.saltPct, 2) }} %
            </li>
          </ul>
          <p class="muted">
            One of them, not all. It helps against the wrong bacteria; the ferment still has to bring it lower.
          </p>
        </details>
        <ShowWorking :working="phWorking(found.parts, found.ph)" />
      </div>
      <div>
        <h3>Heat and sugar</h3>
        <p>
          <strong class="heat">{{ formatShu(found.properties.shu) }}</strong>{{ ' '
          }}<span class="muted">{{ preferences.heatWord(found.properties) }}</span>, sugar
          {{ formatNumber(found.properties.sugarPct.low, 1) }}–{{ formatNumber(found.properties.sugarPct.high, 1) }}
          %
        </p>
        <ShowWorking v-if="found.properties.shu.high > 0" :working="shuWorking(heatParts)" />
      </div>
      <div>
        <h3>What you get</h3>
        <p data-figure="yield">
          <MassText :mass-g="found.composition.massG" />,
          {{ formatVolume(found.properties.volumeMl, preferences.world) }}; pressed
          {{ formatMass(found.baseG.low, preferences.world) }} to {{ formatMass(found.baseG.high, preferences.world) }},
          {{ formatVolume(found.sauceMl.low, preferences.world) }} to
          {{ formatVolume(found.sauceMl.high, preferences.world) }} of sauce:
          <strong v-if="bottles">{{ bottles.words }} {{ bottles.noun }}</strong> of
          {{ formatVolume(form.bottleMl, preferences.world) }} before anything thins it.
        </p>
        <p v-if="priced" class="small" data-figure="cost">
          Cost {{ money(found.cost.known)
          }}<template v-if="found.cost.unpriced.length">, without {{ found.cost.unpriced.join(', ') }}</template>
        </p>
        <ShowWorking :working="yieldWorking(found, form.bottleMl)" />
        <ShowWorking v-if="priced && results.figures" :working="costWorking(results.rows, found, priceOf)" />
      </div>
      <ul class="plain-list own">
        <li v-for="caution in style.cautions" :key="caution" class="small">{{ caution }}</li>
      </ul>
      <CautionList :cautions="cautions" />
    </template>
  </aside>
</template>

<style scoped>
.acid {
  color: var(--acid);
  font-size: 20px;
}
.heat {
  color: var(--heat);
}
.line {
  display: block;
}
.line :deep(.mark) {
  margin-right: 4px;
}
h3 {
  margin-bottom: var(--s1);
}
.own {
  display: grid;
  gap: var(--s2);
  color: var(--muted);
  border-left: 3px solid var(--line);
  padding-left: var(--s3);
}
</style>
