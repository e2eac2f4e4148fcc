<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { ElMessage } from 'element-plus'
import { BOTTLES, bottlesFilled, cautionsFor, EVENING_OUT_H, formatVolume, LotCodeSchema, propertiesOf, releaseCaseOf, releaseChecks, RELEASE_PH, type Treatment } from '@lactofer/core'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const blends = computed(() => book.lots.filter(lot => lot.kind === 'blend' && lot.state === 'in stock').reverse())
const bottled = computed(() => book.lots.filter(lot => lot.bottles && lot.bottles.left > 0).reverse())
const lotId = ref(typeof route.query.lot === 'string' ? route.query.lot : '')
const lot = computed(() => blends.value.find(blend => blend.id === lotId.value))

const bottleMl = ref<number>(150)
const count = ref<number | null>(null)
const lossMl = ref<number | null>(0)
const code = ref('')
const treatment = ref<Treatment>('live-cold')
const lastFillTempC = ref<number | null>(null)
const bestBefore = ref('')
const asked = ref(false)
const busy = ref(false)

const properties = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  return composition ? propertiesOf(composition) : null
})
const leftMl = computed(() => lot.value && properties.value ? Math.max(0, lot.value.leftG) / properties.value.densityGPerMl : 0)
const most = computed(() => bottlesFilled(leftMl.value, bottleMl.value, lossMl.value ?? 0))
watch(lot, (chosen) => {
  treatment.value = chosen?.made.kind === 'blend' && chosen.made.cooked ? 'cooked-hot-fill' : 'live-cold'
  code.value = chosen ? book.nextCode(`${chosen.code.slice(0, 10)}-${dayjs(book.nowMs).format('MMDD')}`) : ''
}, { immediate: true })
watch([most, lot], ([now], [, before]) => {
  if (count.value === null || count.value > now.count || before !== lot.value) count.value = now.count || null
}, { immediate: true })
watch(treatment, kind => (bestBefore.value = dayjs(book.nowMs).add(kind === 'live-cold' ? 6 : 12, 'month').format('YYYY-MM-DD')), { immediate: true })

const checks = computed(() => lot.value ? releaseChecks(releaseCaseOf(book.book, lot.value, { treatment: treatment.value, limitPh: RELEASE_PH.usual, lastFillTempC: treatment.value === 'cooked-hot-fill' ? lastFillTempC.value : null })) : [])
const composition = computed(() => lot.value ? book.composition(lot.value.id) : null)
const cautions = computed(() => lot.value ? cautionsFor('bottle', {
  allergens: composition.value?.allergens ?? [], liveSugar: treatment.value === 'live-cold' && (composition.value?.live ?? true) && (properties.value?.sugarPct.high ?? 1) > 0.3,
  honey: book.ingredients(lot.value.id).some(part => part.name === 'Honey'),
}) : [])
const problems = computed(() => {
  const parsed = LotCodeSchema.safeParse(code.value)
  const date = dayjs(bestBefore.value)
  return {
    lot: lot.value ? null : 'Choose the blend to bottle.',
    count: count.value === null ? 'Count the bottles.' : count.value > most.value.count ? `There is enough for ${most.value.count}.` : null,
    code: parsed.success ? book.codeTaken(code.value) ? 'This code is on another lot.' : null : parsed.error.issues[0]?.message ?? null,
    date: /^\d{4}-\d{2}-\d{2}$/.test(bestBefore.value) && date.isValid() ? date.isBefore(dayjs(book.nowMs)) ? 'This day is past.' : null : 'Enter a day, 2027-05-31.',
  }
})
const shown = (problem: string | null) => asked.value ? problem : null

async function confirm(event: Event) {
  asked.value = true
  if (focusInvalid(event)) return
  const from = lot.value
  if (!from || !properties.value || count.value === null || Object.values(problems.value).some(Boolean)) return
  busy.value = true
  try {
    const usedG = Math.min(from.leftG, (count.value * bottleMl.value + (lossMl.value ?? 0)) * properties.value.densityGPerMl)
    await book.record({
      kind: 'bottle', at: new Date().toISOString(), lotId: newLotId(), code: code.value.trim(), name: from.name, color: from.color, fromLotId: from.id, bottleMl: bottleMl.value, count: count.value, usedG,
      treatment: treatment.value, bestBefore: bestBefore.value, ...(treatment.value === 'cooked-hot-fill' && lastFillTempC.value !== null && { lastFillTempC: lastFillTempC.value }),
    })
    ElMessage.success(`${count.value} bottles recorded. Release them below when every check stands.`)
    lotId.value = ''
    asked.value = false
    lastFillTempC.value = null
  } catch {
    ElMessage.error('This could not be written to the log. The form is as you left it; try again.')
  } finally {
    busy.value = false
  }
}
const TREATMENTS = [{ value: 'live-cold', label: 'Live, kept cold' }, { value: 'cooked-hot-fill', label: 'Cooked, filled hot' }] as const
</script>

<template>
  <div class="page">
    <header><h1>Bottle</h1><p>Finished pH first, then count, then release.</p></header>
    <p v-if="blends.length === 0" class="sheet">No blend waits to be bottled. <NuxtLink to="/blend">Blend one</NuxtLink>; it stands here once it is recorded.</p>
    <div v-else class="split">
      <div class="stack">
        <section class="sheet">
          <PickField v-model="lotId" label="Blend" :options="blends.map(blend => ({ value: blend.id, label: `${blend.code} ${blend.name}` }))" :problem="shown(problems.lot)" />
          <p v-if="lot && properties"><MassText :mass-g="lot.leftG" /> left, {{ formatVolume(leftMl, preferences.world) }}; blended {{ dayjs(lot.made.at).format('D MMM HH:mm') }}. <NuxtLink :to="`/blend/${lot.id}`">Readings, drift and correction</NuxtLink></p>
        </section>
        <section v-if="lot" class="sheet"><h2>Finished pH</h2><p class="muted">Stir, cool to room temperature, and read it {{ EVENING_OUT_H }} hours after blending or later.</p><ReadingForm :key="lot.id" :lot="lot" /></section>
        <form v-if="lot" class="sheet" novalidate @submit.prevent="confirm">
          <h2>Fill and count</h2>
          <div class="fields">
            <PickField :model-value="String(bottleMl)" label="Bottle" :options="BOTTLES.map(({ fillMl, name }) => ({ value: String(fillMl), label: name }))" @update:model-value="value => (bottleMl = Number(value))" />
            <QuantityField v-model="count" kind="count" label="Bottles filled" :limits="{ low: 1 }" :hint="`enough for ${most.count}`" />
            <QuantityField v-model="lossMl" kind="volume" label="Left in pot and funnel" />
            <WordField v-model="code" label="Lot code" :problem="shown(problems.code)" />
            <PickField v-model="treatment" label="How it is kept" :options="TREATMENTS" />
            <QuantityField v-if="treatment === 'cooked-hot-fill'" v-model="lastFillTempC" kind="temperature" label="Measured in the last bottle" :limits="{ low: 20, high: 105 }" optional />
            <WordField v-model="bestBefore" label="Best before" :problem="shown(problems.date)" />
          </div>
          <p v-if="shown(problems.count)" class="problem" role="alert">{{ problems.count }}</p>
          <div><el-button type="primary" native-type="submit" :loading="busy">Bottled: record the count</el-button></div>
        </form>
      </div>
      <aside class="stack">
        <section class="sheet" aria-label="Release checks" aria-live="polite"><h2>Release checks</h2><ReleaseChecks v-if="lot" :checks="checks" /><p v-else class="muted">Choose a blend; what stands between it and a release is listed here.</p></section>
        <CautionList :cautions="cautions" />
      </aside>
    </div>
    <section v-if="bottled.length" class="stack"><h2>Bottled</h2><div class="bottled"><BottledLot v-for="one in bottled" :key="one.id" :lot="one" /></div></section>
  </div>
</template>

<style scoped>
.bottled { display: grid; grid-template-columns: repeat(auto-fill, minmax(min(100%, 440px), 1fr)); gap: var(--s4); }
</style>
