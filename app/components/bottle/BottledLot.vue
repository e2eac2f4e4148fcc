<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { makeLabel, mayRelease, releaseCaseOf, releaseChecks, RELEASE_PH, type Lot } from '@lactofer/core'
import { labelSheet } from '~/labels/labelSheet'
import { SHEETS, type SheetId } from '~/labels/paper'
import { useBook } from '~/stores/book'

/** A bottled lot: its release, its labels. */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const made = computed(() => lot.made.kind === 'bottle' ? lot.made : null)
const source = computed(() => made.value ? book.lot(made.value.fromLotId) : undefined)
const limitPh = ref<number | null>(RELEASE_PH.usual)
const releasing = ref(false)
const sheet = ref<SheetId>('a4')
const busy = ref(false)
const composition = computed(() => book.composition(lot.id))
const checks = computed(() => made.value && source.value && limitPh.value !== null
  ? releaseChecks(releaseCaseOf(book.book, source.value, { treatment: made.value.treatment, limitPh: limitPh.value, lastFillTempC: made.value.lastFillTempC ?? null }))
  : [])
const free = computed(() => checks.value.length > 0 && mayRelease(checks.value))
const STATE = { released: { level: 'fine', word: 'Released' }, held: { level: 'ask', word: 'Held' } } as const

async function decide(decision: 'released' | 'held') {
  const reason = decision === 'released' ? 'Every check passed or was looked at.' : checks.value.find(check => check.verdict !== 'pass')?.sentence ?? 'Held by hand.'
  try {
    await book.record({ kind: 'release', at: new Date().toISOString(), lotId: lot.id, decision, limitPh: limitPh.value ?? RELEASE_PH.usual, reason })
    releasing.value = false
  } catch {
    ElMessage.error('This could not be written to the log. Try again.')
  }
}
async function print() {
  if (!made.value) return
  busy.value = true
  try {
    const label = makeLabel({ name: lot.name, ingredients: book.ingredients(lot.id), allergens: composition.value?.allergens ?? [], bottleMl: made.value.bottleMl, lotCode: lot.code, bestBefore: made.value.bestBefore, treatment: made.value.treatment })
    const bytes = await labelSheet(label, made.value.count, sheet.value, `${location.origin}/cellar?lot=${lot.id}`)
    saveFile(new Blob([bytes as BlobPart], { type: 'application/pdf' }), `labels-${lot.code}.pdf`)
  } catch (error) {
    ElMessage.error(error instanceof Error ? error.message : 'The labels could not be made.')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section v-if="made" class="sheet" :aria-label="`${lot.code} ${lot.name}`" :data-bottled="lot.code">
    <div class="head">
      <h3><span class="code">{{ lot.code }}</span> {{ lot.name }}</h3>
      <StateMark v-if="lot.release" v-bind="STATE[lot.release.decision]" /><StateMark v-else level="ask" word="Not released yet" />
    </div>
    <p>{{ lot.bottles?.left }} of {{ made.count }} bottles of {{ made.bottleMl }} mL here; best before {{ made.bestBefore }}. <span v-if="lot.release" class="muted">{{ lot.release.reason }}</span></p>
    <div class="row">
      <el-button type="primary" :loading="busy" @click="print">Labels as PDF</el-button>
      <el-select v-model="sheet" class="paper" aria-label="Label sheet"><el-option v-for="(one, id) in SHEETS" :key="id" :value="id" :label="one.name" /></el-select>
      <el-button @click="releasing = true">Release or hold …</el-button>
    </div>
    <el-dialog v-model="releasing" :title="`Release ${lot.code} ${lot.name}`" width="620px">
      <div class="stack">
        <QuantityField v-model="limitPh" kind="ph" label="Release limit" :limits="{ low: 2.5, high: RELEASE_PH.highest }" :hint="`usually ${RELEASE_PH.usual.toFixed(1)}, never over ${RELEASE_PH.highest}`" no-take />
        <ReleaseChecks :checks="checks" />
        <p class="muted small">Lactofer keeps the record; it approves nothing. Local rules and your process authority have the last word.</p>
        <div class="row"><el-button type="primary" :disabled="!free" @click="decide('released')">Release it</el-button><el-button @click="decide('held')">Hold it</el-button><el-button text @click="releasing = false">Not now</el-button></div>
        <p v-if="!free" class="problem">A check stops the release. Hold it until that is mended.</p>
      </div>
    </el-dialog>
  </section>
</template>

<style scoped>
.head { display: flex; justify-content: space-between; gap: var(--s3); flex-wrap: wrap; }
.paper { width: 170px; }
</style>
