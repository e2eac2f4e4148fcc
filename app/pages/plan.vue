<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { LotCodeSchema, SALTS, STYLES, styleById, VESSELS, type Draft, type EntryOf, type Lot, type SaltBasis } from '@lactofer/core'
import { colourOf, freshPlan, planResults, PlanFormSchema } from '~/components/plan/planForm'
import { useDraft } from '~/composables/useDraft'
import { newLotId, useBook } from '~/stores/book'

const book = useBook()
const router = useRouter()
const { draft: form, reset } = useDraft('plan', PlanFormSchema, freshPlan)
const asked = ref(false)
const busy = ref(false)

const results = computed(() => planResults(form.value))
const style = computed(() => styleById(form.value.style))
const suggestedCode = computed(() => book.nextCode('LF'))
const code = computed(() => form.value.code.trim() || suggestedCode.value)
const problems = computed(() => {
  const parsed = LotCodeSchema.safeParse(code.value)
  return {
    name: form.value.name.trim() ? form.value.name.length > 80 ? 'Keep the name under 80 characters.' : null : 'Give it a name, as it should stand on the tape.',
    code: parsed.success ? book.codeTaken(code.value, form.value.lotId) ? 'This code is on another lot. Choose a new one.' : null : parsed.error.issues[0]?.message ?? null,
    place: form.value.place.trim() ? null : 'Say where it will stand.',
    rows: results.value === null ? form.value.rows.some(row => row.massG === null) || form.value.rows.length === 0 ? 'Weigh in at least one ingredient; every row wants its weight.' : 'Some figure is missing.' : results.value.problem
      ?? (form.value.rows.some(row => row.massG === null) ? 'A row has no weight. Weigh it in, or take the row out.' : null),
    figures: form.value.targetPh === null || form.value.vesselCount === null ? 'Target pH and the number of vessels are needed.' : null,
    fill: results.value && results.value.problem === null && results.value.fill?.verdict === 'too much' ? 'It does not fit. Choose a larger vessel, or more of them.' : null,
  }
})
const shown = (problem: string | null) => asked.value ? problem : null

function chooseStyle() {
  form.value.saltBasis = style.value.basis
  form.value.saltPct = style.value.saltPct.usual
  if (style.value.usesWater && !form.value.waterG) form.value.waterG = Math.round(form.value.rows.reduce((sum, row) => sum + (row.massG ?? 0), 0) * 0.9)
}
const bases: { value: SaltBasis, label: string }[] = [
  { value: 'ingredients', label: 'the ingredients' }, { value: 'everything', label: 'everything, evened out' }, { value: 'brine', label: 'the brine' }, { value: 'water', label: 'the water' },
]

function open(lot: Lot) {
  if (lot.made.kind !== 'plan') return
  const { made } = lot
  form.value = { ...freshPlan(), lotId: lot.id, replaces: made.id, code: lot.code, name: lot.name, color: lot.color, style: made.style, rows: made.rows.map(row => ({ ...row })), waterG: made.waterG, saltPct: made.saltPct, saltBasis: made.saltBasis, saltId: made.saltId, targetPh: made.targetPh }
}

/** Records the plan and, with `pack`, that it was packed: both or neither. */
async function confirm(event: Event, pack: boolean) {
  asked.value = true
  if (focusInvalid(event)) return
  const found = results.value
  const { name, fill, ...needed } = problems.value
  const { targetPh, vesselCount, saltPct, replaces } = form.value
  if (name || Object.values(needed).some(Boolean) || (pack && fill) || !found || found.problem !== null || targetPh === null || vesselCount === null || saltPct === null) return
  busy.value = true
  const at = new Date().toISOString()
  const lotId = form.value.lotId || newLotId()
  const plan: Omit<EntryOf<'plan'>, 'id' | 'by' | 'origin'> = {
    kind: 'plan', at, lotId, code: code.value, name: form.value.name.trim(), color: colourOf(form.value), style: form.value.style, rows: found.rows, waterG: found.waterG,
    saltG: Math.round(found.dose.saltG * 10) / 10, saltId: form.value.saltId, saltBasis: form.value.saltBasis, saltPct, targetPh, ...(replaces && { replaces }),
  }
  const each = found.composition.massG / vesselCount
  const marks = vesselCount === 1 ? [''] : Array.from({ length: vesselCount }, (_, index) => String.fromCharCode(97 + index % 26))
  const packed: Draft = { kind: 'pack', at, lotId, place: form.value.place.trim(), closure: style.value.closure, vessels: marks.map(mark => ({ vesselId: form.value.vesselId, mark, massG: each, hot: form.value.hot })) }
  try {
    await book.record(plan, ...(pack ? [packed] : []))
    reset()
    asked.value = false
    if (pack) await router.push(`/ferment/${lotId}`)
    else ElMessage.success('The plan is in the log. Pack it when the jars are clean.')
  } catch {
    ElMessage.error('This could not be written to the log. The form is as you left it; try again.')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div class="page">
    <header><h1>Plan and pack</h1><p>Weigh it in; the salt follows.</p></header>
    <p v-if="book.planned.length" class="row">
      <span class="muted">Planned, not packed:</span>
      <el-button v-for="lot in book.planned" :key="lot.id" @click="open(lot)"><span class="code">{{ lot.code }}</span>&nbsp;{{ lot.name }}</el-button>
    </p>
    <div class="split">
      <form class="stack" novalidate @submit.prevent="confirm($event, true)">
        <section class="sheet" aria-label="What it is">
          <div class="fields identity">
            <WordField v-model="form.name" label="Name on the tape" placeholder="Fresno mash" :problem="shown(problems.name)" />
            <WordField v-model="form.code" label="Lot code" :placeholder="suggestedCode" :problem="form.code || asked ? problems.code : null" />
            <PickField v-model="form.style" label="Style" :options="STYLES.map(({ id, name }) => ({ value: id, label: name }))" :hint="`usually ${style.usualDays}`" @update:model-value="chooseStyle" />
            <QuantityField v-model="form.targetPh" kind="ph" label="Target pH" :limits="{ low: 2.5, high: 4.2 }" hint="at or under 4.2" no-take />
          </div>
        </section>
        <PlanRows v-model="form.rows" />
        <p v-if="shown(problems.rows)" class="problem" role="alert">{{ problems.rows }}</p>
        <section class="sheet" aria-label="Salt">
          <h2>Salt</h2>
          <div class="fields">
            <QuantityField v-model="form.saltPct" kind="percent" label="Strength" :limits="{ high: 20 }" :hint="`${style.name}: usually ${style.saltPct.low}–${style.saltPct.high} %`" />
            <PickField v-model="form.saltBasis" label="as a share of" :options="bases.filter(basis => style.usesWater || basis.value === 'ingredients' || basis.value === 'everything')" />
            <QuantityField v-if="style.usesWater" v-model="form.waterG" kind="mass" label="Water" hint="enough to cover the pieces; no chlorine" />
            <PickField v-model="form.saltId" label="The salt in use" :options="SALTS.map(({ id, name }) => ({ value: id, label: name }))" />
          </div>
        </section>
        <section class="sheet" aria-label="Vessel">
          <h2>Vessel</h2>
          <div class="fields">
            <PickField v-model="form.vesselId" label="Vessel" :options="VESSELS.map(({ id, name }) => ({ value: id, label: name }))" />
            <QuantityField v-model="form.vesselCount" kind="count" label="How many" :limits="{ low: 1, high: 26 }" />
            <WordField v-model="form.place" label="Where it stands" :problem="shown(problems.place)" />
            <div><span class="field-label">Mark</span><el-checkbox v-model="form.hot">HOT on the tape</el-checkbox></div>
          </div>
          <p v-if="shown(problems.fill)" class="problem" role="alert">{{ problems.fill }}</p>
          <p v-if="shown(problems.figures)" class="problem" role="alert">{{ problems.figures }}</p>
        </section>
        <div class="row">
          <el-button type="primary" native-type="submit" :loading="busy">Packed: start the lot</el-button>
          <el-button :loading="busy" @click="confirm($event, false)">Keep as a plan</el-button>
          <el-button text @click="reset">Clear the form</el-button>
        </div>
      </form>
      <PlanResults :form="form" class="results" />
    </div>
  </div>
</template>

<style scoped>
.results { position: sticky; top: var(--s4); }
.row { align-items: center; }
@media (min-width: 901px) { .identity { grid-template-columns: 2.2fr 1fr 1.4fr 1fr; } }
@media (max-width: 900px) { .results { position: static; } }
</style>
