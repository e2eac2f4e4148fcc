<script setup lang="ts">
import { computed } from 'vue'
import { cautionsFor, doseWorking, formatNumber, formatShu, formatVolume, heatWord, phBand, ofMaterial, ofSalt, materialById, SALTS, shuWorking, styleById, teaspoons, UNKNOWN_PRODUCE } from '@lactofer/core'
import { planResults, type PlanForm } from './planForm'
import { usePreferences } from '~/stores/preferences'

/** What the plan comes to, while it is typed. */
const { form } = defineProps<{ form: PlanForm }>()
const preferences = usePreferences()
const results = computed(() => planResults(form))
const found = computed(() => results.value && results.value.problem === null ? results.value : null)
const salt = computed(() => SALTS.find(kind => kind.id === form.saltId) ?? SALTS[0])
const spoons = computed(() => found.value && salt.value ? teaspoons(found.value.dose.saltG, salt.value) : null)
const parts = computed(() => (found.value?.rows ?? []).map(row => ({ name: row.name, ...ofMaterial(materialById(row.materialId) ?? UNKNOWN_PRODUCE, row.massG, row) })))
const band = computed(() => found.value ? phBand([...parts.value, ofMaterial(materialById('water') ?? UNKNOWN_PRODUCE, found.value.waterG), ofSalt(found.value.dose.saltG)]) : null)
const heatParts = computed(() => parts.value.map(part => ({ name: part.name, massG: part.massG, shu: { low: part.heat.low / part.massG, typical: part.heat.typical / part.massG, high: part.heat.high / part.massG } })))
const cautions = computed(() => found.value ? cautionsFor('pack', { hasHotPeppers: found.value.properties.shu.high > 500, closed: styleById(form.style).closure === 'tight lid' }) : [])
const pct = (value: number | null) => value === null ? '–' : `${formatNumber(value, 2)} %`
</script>

<template>
  <aside class="sheet" aria-label="What it comes to" aria-live="polite">
    <p v-if="!results" class="muted">Weigh something in and the salt, the fill and the heat stand here at once.</p>
    <p v-else-if="!found" class="problem" role="alert">{{ results.problem }}</p>
    <template v-else>
      <div class="salt">
        <h2>Salt to weigh in</h2>
        <p class="figure big" data-figure="salt">{{ formatNumber(found.dose.saltG, 1) }} g</p>
        <p v-if="spoons && salt" class="small muted">about {{ formatNumber(spoons.low, 0) }}–{{ formatNumber(spoons.high, 0) }} level tsp of {{ salt.name }}; weigh it when you can</p>
        <table class="plain small"><tbody>
          <tr><td>of the ingredients</td><td class="number">{{ pct(found.dose.ofIngredientsPct) }}</td></tr>
          <tr v-if="found.waterG > 0"><td>of the brine</td><td class="number">{{ pct(found.dose.ofBrinePct) }}</td></tr>
          <tr><td><strong>of everything, evened out</strong></td><td class="number"><strong data-figure="evened">{{ pct(found.dose.ofEverythingPct) }}</strong></td></tr>
          <tr><td>in the water phase</td><td class="number">{{ pct(found.properties.waterPhaseSaltPct) }}</td></tr>
        </tbody></table>
        <p v-if="found.tooWeak" class="line"><StateMark level="act" word="Too weak" /> Below 2 % of everything the wrong bacteria can win.</p>
        <ShowWorking :working="doseWorking(form.saltBasis, form.saltPct ?? 0, { ingredientG: found.ingredientG, waterG: found.waterG })" />
      </div>
      <div>
        <h3>Fill</h3>
        <p><MassText :mass-g="found.composition.massG" />, {{ formatVolume(found.properties.volumeMl, preferences.world) }} without trapped air</p>
        <p v-if="found.fill && found.vessel" class="line" data-figure="fill"><StateMark :level="found.fill.verdict === 'fits' ? 'fine' : found.fill.verdict === 'too much' ? 'discard' : 'act'" :word="found.fill.verdict" /> {{ found.vessel.name }}. {{ found.fill.sentence }}</p>
      </div>
      <div v-if="found.raw !== null">
        <h3>Living share</h3>
        <p class="line"><StateMark :level="found.raw >= 0.5 ? 'fine' : 'act'" :word="`${formatNumber(100 * found.raw)} % raw`" /> {{ found.raw >= 0.5 ? 'Enough to start on its own.' : 'Less than half is raw. Add raw produce, or a few spoons of living brine.' }}</p>
      </div>
      <div v-if="band">
        <h3>Start pH</h3>
        <p><strong>{{ band.typical.toFixed(1) }}</strong> <span class="muted">probably {{ band.low.toFixed(1) }}–{{ band.high.toFixed(1) }}; read it once it is mixed</span></p>
      </div>
      <div>
        <h3>Heat</h3>
        <p><strong>{{ formatShu(found.properties.shu) }}</strong> <span class="muted">{{ heatWord(found.properties.shu.typical) }}</span></p>
        <ShowWorking v-if="found.properties.shu.high > 0" :working="shuWorking(heatParts)" />
      </div>
      <CautionList :cautions="cautions" />
    </template>
  </aside>
</template>

<style scoped>
.big { font-size: 44px; color: var(--salt); }
.line { display: block; }
.line :deep(.mark) { margin-right: 4px; }
h3 { margin-bottom: var(--s1); }
</style>
