<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import {
  forecastBlend,
  isWeighed,
  PROPERTIES,
  returnTo,
  skipStep,
  valueOf,
  WeighInSchema,
  type WeighIn,
  type WeighStep,
} from '@lactofer/core'
import { partsForLog } from '~/forms/blendForm'
import { headline } from '~/components/measure/rulers'
import { useBlendDraft } from '~/composables/useBlendDraft'
import { useAtScale } from '~/composables/useAtScale'
import { useDraft } from '~/composables/useDraft'
import { useStops } from '~/composables/useStops'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** A blend at the scale: one part after the other, and the figures of what was really poured. */
const book = useBook()
const route = useRoute()
const router = useRouter()
const id = String(route.params.id)
const { draft, loaded, entryOf, removeSauce } = useBlendDraft()
const {
  draft: state,
  reset,
  save,
  loaded: stateLoaded,
} = useDraft<WeighIn | null>(`pour:${id}`, WeighInSchema.nullable(), () => null)
const stops = useStops()
const { busy, record } = useRecorder('Every weight is still here; try again.')
const ready = ref(false)
const sauce = computed(() => draft.value.sauces.find((one) => one.id === id))

/** The steps of what is on the bench now; what was weighed of a part before stays with that part. */
void Promise.all([loaded, stateLoaded]).then(() => {
  const before = (state.value?.steps ?? []).filter((one) => one.state !== 'waits')
  const steps = (sauce.value?.parts ?? []).flatMap((part): WeighStep[] => {
    const known = before.findIndex(({ name }) => name === part.name)
    const done = known < 0 ? undefined : before.splice(known, 1)[0]
    return part.massG
      ? [
          {
            kind: 'row',
            row: null,
            name: part.name,
            plannedG: part.massG,
            takenG: done?.takenG ?? null,
            state: done?.state ?? 'waits',
            how: 'planned',
          },
        ]
      : []
  })
  const next = steps.findIndex((one) => one.state === 'waits')
  state.value = { lotId: id, at: next < 0 ? steps.length : next, steps }
  ready.value = true
})
const { problem, change, take } = useAtScale(
  () => state.value,
  (next) => (state.value = next),
  save,
)
const step = computed(() => state.value?.steps[state.value.at] ?? null)
const weighed = computed(() => state.value !== null && isWeighed(state.value))
/** What was weighed so far, what waits counted as planned. */
const parts = computed(() => {
  const planned = sauce.value?.parts.filter((part) => part.massG) ?? []
  return planned.map((part, index) => {
    const one = state.value?.steps[index]
    return { ...part, massG: one?.state === 'skipped' ? null : (one?.takenG ?? part.massG) }
  })
})
const forecast = computed(() => forecastBlend(partsForLog(parts.value).flatMap((part) => book.part(part, id) ?? [])))
async function finish() {
  if (!sauce.value || partsForLog(parts.value).length === 0) {
    problem.value = 'Nothing was weighed in. Go back to a step and weigh it.'
    return
  }
  const stopped = sauce.value.parts.find((part) => part.massG && stops(part.lotId))
  if (stopped) {
    problem.value = `${stopped.name} stops where it stands. ${stops(stopped.lotId)}`
    return
  }
  if (!(await record(entryOf(sauce.value, parts.value, sauce.value.code || book.nextCode('S'))))) return
  reset()
  removeSauce(draft.value.sauces.findIndex((one) => one.id === id))
  say.done('Blended. Read it now, and again in 24 hours.')
  await router.push(`/blend/${id}`)
}
const headlines = computed(() =>
  PROPERTIES.slice(0, 3)
    .map((property) => headline(property, valueOf(property, forecast.value)))
    .join(', '),
)
</script>

<template>
  <div v-if="ready && !sauce" class="page">
    <h1>No such blend on the bench</h1>
    <p>
      <NuxtLink v-if="book.lot(id)" :to="`/blend/${id}`">It is poured: open it</NuxtLink
      ><NuxtLink v-else to="/blend">Back to the bench</NuxtLink>
    </p>
  </div>
  <AtScale
    v-else-if="ready && sauce && state"
    :code="sauce.code"
    :name="sauce.name || 'Sauce'"
    leave="/blend"
    :problem="problem"
  >
    <WeighScale
      v-if="!weighed && step"
      fixed
      :step="step"
      :target-g="step.plannedG"
      :position="`${state.at + 1} of ${state.steps.length}`"
      @take="take"
      @skip="change(skipStep)"
    />
    <section v-else class="sheet" aria-label="Poured">
      <h2>Everything is in</h2>
      <p>
        As weighed:
        <strong
          v-for="property in PROPERTIES"
          :key="property"
          class="said"
          :style="{ color: `var(--${property})` }"
          :data-figure="`poured-${property}`"
          >{{ headline(property, valueOf(property, forecast)) }}</strong
        >
      </p>
      <el-button type="primary" class="end" :loading="busy" @click="finish">Stirred: record the blend</el-button>
    </section>
    <div class="stack">
      <WeighList :state="state" :salt-g="0" @back="(index) => change((now) => returnTo(now, index))" />
      <p v-if="!weighed" class="small muted">With what was weighed so far: {{ headlines }}.</p>
    </div>
  </AtScale>
</template>

<style scoped>
.said {
  margin-right: var(--s4);
  white-space: nowrap;
}
html .end {
  min-height: 64px;
  font: 720 22px var(--display);
}
</style>
