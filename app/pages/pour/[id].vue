<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { forecastBlend, InvalidInput, isWeighed, PROPERTIES, returnTo, skipStep, takeWeight, valueOf, WeighInSchema, type WeighIn } from '@lactofer/core'
import { partsForLog } from '~/components/blend/blendForm'
import { headline } from '~/components/measure/rulers'
import { useBench } from '~/composables/useBench'
import { useDraft } from '~/composables/useDraft'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'

/** A blend at the scale: one part after the other, and the figures of what was really poured. */
const book = useBook()
const instruments = useInstruments()
const route = useRoute()
const router = useRouter()
const id = String(route.params.id)
const { bench, loaded, removeSauce } = useBench()
const { draft: state, reset, save, loaded: stateLoaded } = useDraft<WeighIn | null>(`pour:${id}`, WeighInSchema.nullable(), () => null)
const { busy, record } = useRecorder('Every weight is still here; try again.')
const ready = ref(false)
const problem = ref('')
const sauce = computed(() => bench.value.sauces.find(one => one.id === id))

void Promise.all([loaded, stateLoaded]).then(() => {
  const parts = sauce.value?.parts.filter(part => part.massG) ?? []
  const stale = state.value && (state.value.steps.length !== parts.length || (state.value.steps.every(step => step.state === 'waits') && state.value.steps.some((step, index) => step.plannedG !== parts[index]?.massG)))
  if (!state.value || stale) state.value = { lotId: id, at: 0, steps: parts.map(part => ({ kind: 'row', row: null, name: part.name, plannedG: part.massG ?? 0, takenG: null, state: 'waits', how: 'planned' })) }
  ready.value = true
})
const step = computed(() => state.value?.steps[state.value.at] ?? null)
const weighed = computed(() => state.value !== null && isWeighed(state.value))
/** What was weighed so far, what waits counted as planned. */
const parts = computed(() => {
  const planned = sauce.value?.parts.filter(part => part.massG) ?? []
  return planned.map((part, index) => {
    const one = state.value?.steps[index]
    return { ...part, massG: one?.state === 'skipped' ? null : one?.takenG ?? part.massG }
  })
})
const forecast = computed(() => forecastBlend(partsForLog(parts.value).flatMap(part => book.part(part, id) ?? [])))
function change(next: (now: WeighIn) => WeighIn) {
  if (!state.value) return
  problem.value = ''
  try {
    state.value = next(state.value)
    // What was weighed is kept before anything else can happen.
    void save()
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
function take(massG: number) {
  change(now => takeWeight(now, massG))
  // The next thing starts from zero.
  if (instruments.reading('mass')) void instruments.command({ do: 'tare' })
}
async function finish() {
  const poured = partsForLog(parts.value)
  if (!sauce.value || poured.length === 0) {
    problem.value = 'Nothing was weighed in. Go back to a step and weigh it.'
    return
  }
  const biggest = [...poured].sort((a, b) => b.massG - a.massG)[0]
  const color = book.lot(biggest?.lotId ?? '')?.color ?? book.library.material(biggest?.materialId ?? '')?.color ?? '#c4402a'
  const { name, code, cooked, targets } = sauce.value
  if (!await record({ kind: 'blend', at: new Date().toISOString(), lotId: id, code: code || book.nextCode('S'), name: name.trim() || 'Sauce', color, parts: poured, cooked, targets: JSON.parse(JSON.stringify(targets)), ...(forecast.value.ph && { predictedPh: forecast.value.ph }) })) return
  reset()
  removeSauce(bench.value.sauces.findIndex(one => one.id === id))
  ElMessage.success('Blended. Read it now, and again in 24 hours.')
  await router.push(`/blend/${id}`)
}
</script>

<template>
  <div v-if="ready && !sauce" class="page"><h1>No such blend on the bench</h1><p><NuxtLink v-if="book.lot(id)" :to="`/blend/${id}`">It is poured: open it</NuxtLink><NuxtLink v-else to="/blend">Back to the bench</NuxtLink></p></div>
  <AtScale v-else-if="ready && sauce && state" :code="sauce.code" :name="sauce.name || 'Sauce'" leave="/blend" :problem="problem">
    <WeighScale v-if="!weighed && step" fixed :step="step" :target-g="step.plannedG" :position="`${state.at + 1} of ${state.steps.length}`" @take="take" @skip="change(skipStep)" />
    <section v-else class="sheet" aria-label="Poured">
      <h2>Everything is in</h2>
      <p>As weighed: <strong v-for="property in PROPERTIES" :key="property" class="said" :style="{ color: `var(--${property})` }" :data-figure="`poured-${property}`">{{ headline(property, valueOf(property, forecast)) }}</strong></p>
      <el-button type="primary" class="end" :loading="busy" @click="finish">Stirred: record the blend</el-button>
    </section>
    <div class="stack">
      <WeighList :state="state" :salt-g="0" @back="index => change(now => returnTo(now, index))" />
      <p v-if="!weighed" class="small muted">With what was weighed so far: {{ PROPERTIES.slice(0, 3).map(property => headline(property, valueOf(property, forecast))).join(', ') }}.</p>
    </div>
  </AtScale>
</template>

<style scoped>
.said { margin-right: var(--s4); white-space: nowrap; }
html .end { min-height: 64px; font: 720 22px var(--display); }
</style>
