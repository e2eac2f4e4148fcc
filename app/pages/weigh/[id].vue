<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import {
  addStep,
  contentComposition,
  InvalidInput,
  isWeighed,
  planFigures,
  propertiesOf,
  returnTo,
  skipStep,
  styleById,
  USUAL_STYLE,
  substitute,
  weighedContent,
  type Draft,
  type Row,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { formOfPlan, freshPlan, freshRow, type PlanForm } from '~/forms/planForm'
import { checkDrafts } from '~/forms/planDraft'
import {
  emptyFillings,
  fillingProblem,
  freshWeighIn,
  packedVessels,
  WeighDraftSchema,
  withMoreSalt,
  type WeighDraft,
} from '~/forms/weighDraft'
import { useAtScale } from '~/composables/useAtScale'
import { useDraft } from '~/composables/useDraft'
import { usePlanVessels } from '~/composables/usePlanVessels'
import { useRecorder } from '~/composables/useRecorder'
import { useWeighedSalt } from '~/composables/useWeighedSalt'
import { useBook } from '~/stores/book'

/** Full screen at the scale: row by row, then water and salt for what was actually weighed, then into the vessels. */
const book = useBook()
const route = useRoute()
const router = useRouter()
const lot = computed(() => book.lot(String(route.params.id)))
const plan = computed(() => (lot.value?.made.kind === 'plan' ? lot.value.made : null))
const { draft, reset, save, loaded } = useDraft<WeighDraft | null>(
  `weigh:${String(route.params.id)}`,
  WeighDraftSchema,
  () => null,
)
const { busy, record } = useRecorder('Every weight is still here; try again.')
const ready = ref(false)
const choosing = ref<'instead' | 'more' | null>(null)

void loaded.then(() => {
  // A plan that was changed since is begun anew, unless something was weighed already.
  const stale =
    draft.value &&
    draft.value.planId !== plan.value?.id &&
    draft.value.weigh.steps.every((one) => one.state === 'waits')
  if (plan.value && (!draft.value || stale)) draft.value = freshWeighIn(plan.value, lot.value?.checked?.done ?? [])
  ready.value = true
})
const state = computed(() => draft.value?.weigh ?? null)
const { problem, change, take } = useAtScale(
  () => state.value,
  (next) => draft.value && (draft.value.weigh = next),
  save,
)
const step = computed(() => state.value?.steps[state.value.at] ?? null)
const weighed = computed(() => state.value !== null && isWeighed(state.value))

/** What was weighed so far, what waits counted as planned, in the plan's shape. */
const content = computed<ReturnType<typeof weighedContent> | null>(() => {
  if (!state.value || !weighed.value) return null
  try {
    return weighedContent(state.value)
  } catch (error) {
    if (error instanceof InvalidInput) return null
    throw error
  }
})
const { saltG, targetG, saltTakenG, saltOffG, saltOff } = useWeighedSalt(plan, state)

const figures = computed(() =>
  content.value && plan.value
    ? planFigures(book.book, {
        style: plan.value.style,
        rows: content.value.rows,
        waterG: content.value.waterG,
        saltPct: 0,
        saltBasis: plan.value.saltBasis,
      })
    : null,
)
/** The figures with the salt that was weighed, not the one that was planned. */
const packedFigures = computed(() => {
  const composition = content.value && contentComposition(book.book, content.value)
  return figures.value && composition ? { ...figures.value, composition, properties: propertiesOf(composition) } : null
})
const packForm = ref<PlanForm | null>(null)
watch(
  [content, plan],
  ([now, from]) => {
    packForm.value =
      now && from
        ? {
            ...formOfPlan(from),
            rows: now.rows.map((row) => ({ ...freshRow(row), massG: row.massG })),
            waterG: now.waterG,
          }
        : null
  },
  { immediate: true },
)
const vesselForm = computed(() => packForm.value ?? { ...freshPlan(), bowl: true })
const suggested = usePlanVessels(vesselForm, packedFigures)
watch(
  [suggested.uses, weighed],
  ([uses, all]) => {
    if (!all || !draft.value || draft.value.fillings.length || !uses.length || plan.value?.bowl) return
    const singles = uses.flatMap(({ vesselId, count }) => Array.from({ length: count }, () => vesselId))
    draft.value.fillings = emptyFillings(singles, (id) => book.library.vessel(id)?.tareG)
  },
  { immediate: true },
)

function chosen(row: Omit<Row, 'massG'>) {
  change((now) => (choosing.value === 'instead' ? substitute(now, row) : addStep(now, row)))
  choosing.value = null
}
const moreSalt = () => change((now) => withMoreSalt(now, saltOffG.value))

const style = computed(() => styleById(plan.value?.style ?? USUAL_STYLE))
const closure = computed(() => draft.value?.closure ?? suggested.closure.value)
const packProblem = computed(() => {
  if (!draft.value) return null
  if (!content.value) return 'Nothing was weighed in. Weigh at least one ingredient.'
  if (plan.value?.bowl) return null
  if (draft.value.fillings.length === 0) return 'Choose the vessels it goes into.'
  if (draft.value.fillings.some(fillingProblem)) return 'A vessel weighs no more full than empty.'
  return draft.value.place.trim() ? null : 'Say where it will stand.'
})
async function finish() {
  problem.value = packProblem.value ?? ''
  if (problem.value || !draft.value || !content.value || !plan.value || !packedFigures.value) return
  const { lotId, bowl } = plan.value
  const at = nowMoment()
  const { fillings, done, place } = draft.value
  const called = draft.value.called.trim()
  const weight = plan.value.intended?.weight
  const packed: Draft = {
    kind: 'pack',
    ...{ at, lotId, place: place.trim(), closure: closure.value },
    ...(called && { called }),
    ...(weight && { weight }),
    vessels: packedVessels(
      fillings,
      packedFigures.value.composition.massG,
      (id) => book.library.vessel(id)?.capacityMl ?? 0,
    ),
  }
  const jars = bowl ? [] : [...checkDrafts(style.value, done, lotId, at), packed]
  if (!(await record({ kind: 'weigh', at, lotId, ...content.value }, ...jars))) return
  reset()
  await router.push(bowl ? `/split/${lotId}` : `/ferment/${lotId}`)
}
</script>

<template>
  <div v-if="!lot || !plan" class="page">
    <h1>No such plan</h1>
    <p><NuxtLink to="/plan">Back to Plan</NuxtLink></p>
  </div>
  <div v-else-if="lot.packed" class="page">
    <h1>{{ lot.name }} is packed</h1>
    <p><NuxtLink :to="`/ferment/${lot.id}`">Open the lot</NuxtLink></p>
  </div>
  <AtScale
    v-else-if="ready && draft && state"
    :code="lot.code"
    :name="lot.name"
    :note="`${style.name}, ${plan.saltPct} % of the ${plan.saltBasis}`"
    leave="/plan"
    :problem="problem"
  >
    <template v-if="!weighed && step">
      <WeighScale
        :step="step"
        :target-g="targetG"
        :position="`${state.at + 1} of ${state.steps.length}`"
        @take="take"
        @skip="change(skipStep)"
        @instead="choosing = 'instead'"
        @more="choosing = 'more'"
      />
      <WeighList :state="state" :salt-g="saltG" @back="(index) => change((now) => returnTo(now, index))" />
    </template>
    <template v-else>
      <div class="stack">
        <WeighSalt v-if="saltOff" :wanted-g="saltG" :taken-g="saltTakenG" @more="moreSalt" />
        <section v-if="packedFigures" class="sheet" aria-label="Weighed in">
          <p class="sum">
            <span><MassText :mass-g="packedFigures.composition.massG" /> in the bowl</span
            ><span
              >salt
              <strong data-figure="weighed-salt"
                >{{ ((100 * packedFigures.composition.saltG) / packedFigures.composition.massG).toFixed(2) }} %</strong
              >
              of everything</span
            >
          </p>
        </section>
        <RestTimer v-if="style.liquid === 'own juice' && style.saltPct" :lot="lot" />
        <PackVessels v-if="packedFigures && !plan.bowl" v-model="draft.fillings" :figures="packedFigures" />
        <div v-if="!plan.bowl" class="fields">
          <ClosureField
            v-model:called="draft.called"
            :model-value="closure"
            :closures="style.closures"
            @update:model-value="(value) => draft && (draft.closure = value)"
          /><WordField v-model="draft.place" label="Where it stands" />
        </div>
        <PackingChecks v-if="!plan.bowl" v-model="draft.done" :style-id="plan.style" />
        <el-button type="primary" class="end" :loading="busy" @click="finish">{{
          plan.bowl ? 'Mixed: split it into jars' : 'Packed: start the lot'
        }}</el-button>
      </div>
      <WeighList :state="state" :salt-g="saltG" @back="(index) => change((now) => returnTo(now, index))" />
    </template>
    <el-dialog
      :model-value="choosing !== null"
      :title="choosing === 'instead' ? `Instead of ${step?.name}` : 'One thing more'"
      width="460px"
      @update:model-value="choosing = null"
    >
      <IngredientPicker label="What it is" @picked="chosen" />
    </el-dialog>
  </AtScale>
</template>

<style scoped>
.sum {
  display: flex;
  gap: var(--s5);
  flex-wrap: wrap;
  font-size: 18px;
}
html .end {
  min-height: 64px;
  font: 720 22px var(--display);
}
</style>
