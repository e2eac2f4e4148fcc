<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import {
  AIMS,
  figureOf,
  forecastBlend,
  formatMass,
  mix,
  ofMass,
  ofMaterial,
  SCALE_STEPS,
  type Composition,
  type Lot,
  type MixPart,
  type MixSet,
  type Row,
  type Targets,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { missedWords, namedValue, reachWords } from './limitWords'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'
import { askForMix } from '~/workers/blender'

/** The least that brings a finished blend to its targets, from what is at hand. */
const { lot, composition, targets } = defineProps<{ lot: Lot; composition: Composition; targets: Targets }>()
const book = useBook()
const preferences = usePreferences()
const { busy, record } = useRecorder()
const CORRECTORS = [
  'white-vinegar',
  'cider-vinegar',
  'citric-acid',
  'lactic-acid-88',
  'lime-juice',
  'salt',
  'water',
  'sugar',
] as const
const chosen = ref<string[]>(['white-vinegar', 'salt', 'water'])
const stepG = ref(0.1)
const working = ref(false)
const problem = ref('')
const found = ref<{ put: { materialId: string; name: string; massG: number }[]; after: string; note: string } | null>(
  null,
)
const off = computed(() =>
  AIMS.filter((aim) => {
    const now = figureOf(aim, composition)
    const { low, high } = targets[aim]
    return now !== null && ((high !== null && now > high) || (low !== null && now < low))
  }),
)
/** Twice the blend is the most a correction may make of it. */
const MOST = 2

async function work() {
  problem.value = chosen.value.length ? '' : 'Choose what is at hand.'
  found.value = null
  if (problem.value) return
  const part = (key: string, name: string, made: Composition, change: Partial<MixPart>): MixPart => ({
    key,
    name,
    composition: made,
    nowG: 0,
    lowG: 0,
    highG: Infinity,
    lowShare: 0,
    highShare: 1,
    locked: false,
    role: 'other',
    pricePerKg: null,
    stock: null,
    ...change,
  })
  const massG = lot.leftG
  const set: MixSet = {
    stockG: {},
    objective: 'least',
    stepG: stepG.value,
    mixes: [
      {
        name: lot.name,
        phMargin: 0,
        massG: { low: massG, high: massG * MOST },
        targets: JSON.parse(JSON.stringify(targets)),
        parts: [
          part('now', lot.name, ofMass(composition, 1000), { locked: true, nowG: massG }),
          ...chosen.value.flatMap((id) => {
            const material = book.library.material(id)
            return material
              ? [
                  part(id, material.name, ofMaterial(material, 1000), {
                    highShare: material.kind === 'acid' ? 0.01 : 1,
                  }),
                ]
              : []
          }),
        ],
      },
    ],
  }
  working.value = true
  try {
    const answer = await askForMix(set)
    if (answer.status === 'infeasible') {
      const acid = answer.reach.find(({ aim }) => aim === 'acid')
      problem.value = `With these it cannot be brought there${acid ? `: ${reachWords(acid, set)}` : ''}.${answer.missed.length ? ` The nearest has ${answer.missed.map((one) => missedWords(one, set)).join('; ')}.` : ''} Choose something more, or change the wish.`
      return
    }
    const parts = set.mixes[0]?.parts ?? []
    const masses = answer.massesG[0] ?? []
    const put = parts.flatMap(({ key, name }, index) =>
      key !== 'now' && (masses[index] ?? 0) > 0
        ? [{ materialId: key, name, massG: Number((masses[index] ?? 0).toFixed(2)) }]
        : [],
    )
    const forecast = forecastBlend([mix(parts.map((one, index) => ofMass(one.composition, masses[index] ?? 0)))])
    found.value = {
      put,
      after: AIMS.filter((aim) => targets[aim].low !== null || targets[aim].high !== null)
        .map((aim) => namedValue(aim, figureOf(aim, forecast.composition) ?? NaN))
        .join(', '),
      note: answer.missed.length
        ? `Rounding leaves ${answer.missed.map((one) => missedWords(one, set)).join('; ')}.`
        : '',
    }
  } catch {
    problem.value = 'The solver could not be started here.'
  } finally {
    working.value = false
  }
}
async function did() {
  if (!found.value) return
  const weight = (id: string) =>
    found.value?.put.filter(({ materialId }) => materialId === id).reduce((sum, { massG }) => sum + massG, 0) ?? 0
  const rows: Row[] = found.value.put
    .filter(({ materialId }) => materialId !== 'water' && materialId !== 'salt')
    .map(({ materialId, name, massG }) => ({ materialId, name, massG, preparation: 'raw', seedsOut: false }))
  if (
    !(await record({
      kind: 'add',
      at: nowMoment(),
      lotId: lot.id,
      rows,
      waterG: weight('water'),
      saltG: weight('salt'),
      reason: 'Correction of the finished blend.',
    }))
  )
    return
  found.value = null
  ElMessage.success('Recorded. Stir it through, read it now and again in 24 hours.')
}
/** What is to be put in: "12 g sugar, 1.2 kg water". */
const putWords = computed(
  () =>
    found.value?.put
      .map(
        ({ name, massG }) =>
          `${massG < 100 ? `${massG} g` : formatMass(massG, preferences.world)} ${name.toLowerCase()}`,
      )
      .join(', ') || 'nothing',
)
</script>

<template>
  <section class="sheet" aria-label="Correct it">
    <h2>Smallest correction</h2>
    <p v-if="off.length">
      <StateMark level="act" word="Off its target" />
      {{ off.map((aim) => namedValue(aim, figureOf(aim, composition) ?? NaN)).join(', ') }}.
    </p>
    <p v-else><StateMark level="fine" word="On target" /> By its last readings everything lies where it should.</p>
    <p v-if="off.length && lot.usedG > 0">
      Part of it is bottled or used already, so this pot is no longer the lot.
      <NuxtLink to="/blend">Put what is left on the bench</NuxtLink> as a part of a new blend, and the bottles keep
      their own history.
    </p>
    <template v-else-if="off.length">
      <el-checkbox-group v-model="chosen" aria-label="At hand" class="hand"
        ><el-checkbox v-for="id in CORRECTORS" :key="id" :value="id">{{
          book.library.material(id)?.name
        }}</el-checkbox></el-checkbox-group
      >
      <div class="row">
        <PickField
          v-model="stepG"
          label="Scale weighs to"
          hide-label
          :options="SCALE_STEPS.map((value) => ({ value, label: `scale of ${value} g` }))"
        /><el-button type="primary" :loading="working" @click="work">Work it out</el-button>
      </div>
      <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
      <template v-if="found"
        ><p data-figure="correction">
          <strong>Put in {{ putWords }}</strong
          >: then {{ found.after }}. {{ found.note }}
        </p>
        <p class="small muted">Put in three quarters first, stir, read, then the rest: a pot has no way back.</p>
        <div v-if="found.put.length">
          <el-button :loading="busy" @click="did">Done: I put it in</el-button>
        </div></template
      >
    </template>
  </section>
</template>

<style scoped>
.hand {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s4);
}
.row > :first-child {
  width: 150px;
}
</style>
