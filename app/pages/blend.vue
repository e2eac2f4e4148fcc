<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { BOTTLES, bottlesFilled, cautionsFor, forecastBlend, formatNumber, formatVolume, LotCodeSchema, ofMaterial, phWorking, saltWorking, shuWorking, type Composition } from '@lactofer/core'
import { BlendFormSchema, freshBlend, partOnBench, partsForLog } from '~/components/blend/blendForm'
import { headline, PROPERTIES, valueOf } from '~/components/measure/rulers'
import { useDraft } from '~/composables/useDraft'
import { useRecorder } from '~/composables/useRecorder'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const router = useRouter()
const { draft: form, reset } = useDraft('blend', BlendFormSchema, freshBlend)
const asked = ref(false)
const { busy, record } = useRecorder('The bench is as you left it; try again.')

const poured = computed(() => form.value.parts.flatMap((part) => {
  const composition = partOnBench(part, book.composition, book.library)
  return composition ? [{ name: part.name, composition }] : []
}))
const forecast = computed(() => forecastBlend(poured.value.map(part => part.composition)))
const bottles = computed(() => bottlesFilled(forecast.value.volumeMl, form.value.bottleMl))
const water = computed(() => book.library.material('water'))
const additions = computed<{ name: string, composition: Composition }[]>(() => {
  const distinct = poured.value.filter((part, index, all) => part.composition.waterG > 0 && all.findIndex(other => other.name === part.name) === index).slice(0, 5)
  return distinct.some(part => part.name === 'Water') || !water.value ? distinct : [...distinct, { name: 'Water', composition: ofMaterial(water.value, 100) }]
})
const live = computed(() => !form.value.cooked && forecast.value.composition.live)
const cautions = computed(() => cautionsFor('blend', {
  hasHotPeppers: forecast.value.shu.high > 500, cooked: form.value.cooked, liveSugar: live.value && forecast.value.sugarPct.high > 0.3, allergens: forecast.value.composition.allergens,
  honey: form.value.parts.some(part => part.materialId === 'honey' && (part.massG ?? 0) > 0),
}))
const suggestedCode = computed(() => book.nextCode('S'))
const code = computed(() => form.value.code.trim() || suggestedCode.value)
const missing = computed(() => form.value.parts.filter(part => part.massG === null || (part.lotId && !book.lot(part.lotId))))
const short = computed(() => form.value.parts.filter(part => part.lotId && (part.massG ?? 0) > (book.lot(part.lotId)?.leftG ?? 0) + 0.5))
const problems = computed(() => {
  const parsed = LotCodeSchema.safeParse(code.value)
  return {
    name: form.value.name.trim() ? form.value.name.length > 80 ? 'Keep the name under 80 characters.' : null : 'Give the sauce its name.',
    code: parsed.success ? book.codeTaken(code.value) ? 'This code is on another lot.' : null : parsed.error.issues[0]?.message ?? null,
    parts: poured.value.length === 0 ? 'Put something into the pot.' : missing.value.length ? 'A part has no weight, or its lot is gone. Weigh it or take it out.' : short.value.length ? `There is not enough ${short.value[0]?.name}.` : null,
  }
})
const shown = (problem: string | null) => asked.value ? problem : null

async function confirm(event: Event) {
  asked.value = true
  if (focusInvalid(event)) return
  if (Object.values(problems.value).some(Boolean)) return
  const biggest = [...form.value.parts].sort((a, b) => (b.massG ?? 0) - (a.massG ?? 0))[0]
  const color = (biggest?.lotId && book.lot(biggest.lotId)?.color) || book.library.material(biggest?.materialId ?? '')?.color || '#c4402a'
  const lotId = newLotId()
  const written = await record({ kind: 'blend', at: new Date().toISOString(), lotId, code: code.value, name: form.value.name.trim(), color, parts: partsForLog(form.value.parts), cooked: form.value.cooked, ...(forecast.value.ph && { predictedPh: forecast.value.ph }) })
  if (!written) return
  reset()
  asked.value = false
  ElMessage.success('Blended. Let it stand 24 hours, then read the finished pH.')
  await router.push({ path: '/bottle', query: { lot: lotId } })
}
</script>

<template>
  <div class="page">
    <header><h1>Blend</h1><p>Move a slider; every figure answers at once. Nothing is poured until you record it.</p></header>
    <p v-if="forecast.massG" class="digest" aria-hidden="true"><span v-for="property in PROPERTIES.slice(0, 4)" :key="property" :style="{ color: `var(--${property})` }">{{ headline(property, valueOf(property, forecast)) }}</span></p>
    <div class="bench">
      <form class="stack" novalidate @submit.prevent="confirm">
        <BlendParts v-model="form.parts" />
        <p v-if="shown(problems.parts)" class="problem" role="alert">{{ problems.parts }}</p>
        <section class="sheet">
          <div class="fields">
            <WordField v-model="form.name" label="Name of the sauce" placeholder="Quay Red" :problem="shown(problems.name)" />
            <WordField v-model="form.code" label="Lot code" :placeholder="suggestedCode" :problem="form.code || asked ? problems.code : null" />
            <div><span class="field-label">Kept</span><el-checkbox v-model="form.cooked">It will be cooked</el-checkbox></div>
          </div>
          <div class="row"><el-button type="primary" native-type="submit" :loading="busy">Poured: record the blend</el-button><el-button text @click="reset">Clear the bench</el-button></div>
        </section>
      </form>
      <div class="stack">
        <section class="rulers" aria-label="What it will be" aria-live="polite">
          <p class="pot"><span class="figure" data-figure="mass"><MassText :mass-g="forecast.massG" /></span> in the pot, <span data-figure="volume">{{ formatVolume(forecast.volumeMl, preferences.world) }},</span>
            <span class="figure" data-figure="bottles">{{ bottles.count }}</span> bottles of
            <el-select v-model="form.bottleMl" class="size" aria-label="Bottle size"><el-option v-for="bottle in BOTTLES" :key="bottle.id" :value="bottle.fillMl" :label="`${bottle.fillMl} mL`" /></el-select>
            <template v-if="bottles.count"> and {{ formatNumber(bottles.restMl) }} mL over</template></p>
          <PropertyRuler v-for="property in PROPERTIES" :key="property" :property="property" :value="forecast.massG ? valueOf(property, forecast) : null" :target="form.targets[property]" />
          <div v-if="poured.length" class="row"><span class="small muted">Water-phase salt {{ forecast.waterPhaseSaltPct === null ? '–' : `${formatNumber(forecast.waterPhaseSaltPct, 2)} %` }} · {{ live ? 'live' : 'no living ferment, or cooked' }}</span></div>
          <div v-if="poured.length" class="workings">
            <ShowWorking :working="phWorking(poured, forecast.ph)" />
            <ShowWorking :working="saltWorking(poured)" />
            <ShowWorking :working="shuWorking(poured.map(({ name, composition }) => ({ name, massG: composition.massG, shu: { low: composition.heat.low / composition.massG, typical: composition.heat.typical / composition.massG, high: composition.heat.high / composition.massG } })))" />
          </div>
        </section>
        <CautionList :cautions="cautions" />
        <LazyAnswerChart v-if="forecast.ph" :base="forecast.composition" :additions="additions" :target="form.targets.acid" />
        <TargetFields v-model="form.targets" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.bench { display: grid; grid-template-columns: minmax(360px, 430px) minmax(0, 1fr); gap: var(--s5); align-items: start; }
/* On a phone the sliders come first; the figures ride along at the top. */
.digest { display: none; position: sticky; top: 0; z-index: 4; gap: var(--s1) var(--s3); justify-content: space-between; flex-wrap: wrap; margin: 0 calc(-1 * var(--s3)); padding: var(--s2) var(--s3); background: var(--enamel); border-bottom: 1px solid var(--line); font: 700 16px var(--display); font-stretch: 82%; }
.pot { display: flex; flex-wrap: wrap; align-items: baseline; gap: 0 6px; }
.size { width: 104px; align-self: center; }
.workings { display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: var(--s3); }
@media (max-width: 1000px) { .bench { grid-template-columns: minmax(0, 1fr); } .digest { display: flex; } }
</style>
