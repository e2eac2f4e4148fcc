<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import {
  factorForAtHand,
  factorToFill,
  factorToYield,
  factorWords,
  InvalidInput,
  type PlanFigures,
} from '@lactofer/core'
import type { PlanForm } from '~/forms/planForm'
import { scaledForm } from '~/forms/planResults'
import { useBook } from '~/stores/book'

/**
 * Makes a plan larger or smaller: by a factor, to fill a vessel, for so many bottles, or by what is at hand. The
 * percentages stay.
 */
const form = defineModel<PlanForm>({ required: true })
const { figures } = defineProps<{ figures: PlanFigures | null }>()
const book = useBook()
const WAYS = [
  { value: 'factor', label: 'by a factor' },
  { value: 'vessel', label: 'to fill a vessel' },
  { value: 'yield', label: 'for so many bottles' },
  { value: 'hand', label: 'by what I have' },
] as const
const way = ref<(typeof WAYS)[number]['value']>('factor')
const factor = ref<number | null>(2)
const vesselId = ref('')
const bottles = ref<number | null>(60)
const rowKey = ref('')
const atHandG = ref<number | null>(null)
const problem = ref('')
const before = ref<Pick<PlanForm, 'rows' | 'waterG' | 'waterSaid' | 'waterBetweenG' | 'saltSaid'> | null>(null)

const vessels = computed(() => book.library.vessels.map(({ id, name }) => ({ value: id, label: name })))
const rows = computed(() => form.value.rows.map((row) => ({ value: row.key, label: row.name })))

function factorNow(): number {
  if (way.value === 'factor') return factor.value ?? NaN
  if (way.value === 'vessel') {
    const vessel = book.library.vessel(vesselId.value || vessels.value[0]?.value || '')
    if (!vessel) throw new InvalidInput('Choose the vessel to fill.')
    return factorToFill(figures?.properties.volumeMl ?? 0, vessel.capacityMl, figures?.fillLimit ?? 0.75)
  }
  if (way.value === 'yield') {
    if (bottles.value === null) throw new InvalidInput('Say how many bottles.')
    return factorToYield(figures?.sauceMl.typical ?? 0, bottles.value, form.value.bottleMl)
  }
  const row = form.value.rows.find((one) => one.key === (rowKey.value || rows.value[0]?.value))
  if (!row) throw new InvalidInput('Put the ingredient into the plan first.')
  if (atHandG.value === null) throw new InvalidInput(`Say how much ${row.name} you have.`)
  return factorForAtHand(row, atHandG.value)
}
function scaleRows() {
  try {
    const by = factorNow()
    const { waterG, waterSaid, waterBetweenG, saltSaid } = form.value
    before.value = { rows: form.value.rows.map((row) => ({ ...row })), waterG, waterSaid, waterBetweenG, saltSaid }
    form.value = scaledForm(form.value, book.book, by)
    problem.value = ''
    say.done(`Everything ${factorWords(by)}. The percentages are the same.`)
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
  }
}
function undo() {
  if (before.value) form.value = { ...form.value, ...before.value }
  before.value = null
}
</script>

<template>
  <section class="sheet" aria-label="Scale">
    <div class="row scale">
      <PickField v-model="way" class="way" label="Make it" :options="WAYS" />
      <QuantityField
        v-if="way === 'factor'"
        v-model="factor"
        kind="number"
        label="Factor"
        :limits="{ low: 0.0001, high: 10_000 }"
        no-take
      />
      <PickField
        v-else-if="way === 'vessel'"
        :model-value="vesselId || vessels[0]?.value || ''"
        label="Vessel to fill"
        :options="vessels"
        @update:model-value="vesselId = $event"
      />
      <template v-else-if="way === 'yield'">
        <QuantityField v-model="bottles" kind="count" label="Bottles" :limits="{ low: 1 }" />
        <QuantityField
          :model-value="form.bottleMl"
          kind="volume"
          label="of"
          :limits="{ low: 10, high: 5000 }"
          no-take
          @update:model-value="(value) => value !== null && (form.bottleMl = value)"
        />
      </template>
      <template v-else>
        <PickField
          :model-value="rowKey || rows[0]?.value || ''"
          label="Ingredient at hand"
          :options="rows"
          @update:model-value="rowKey = $event"
        />
        <QuantityField v-model="atHandG" kind="mass" label="I have" :limits="{ low: 0.1 }" />
      </template>
      <el-button class="low" @click="scaleRows">Scale it</el-button>
      <el-button v-if="before" class="low" text @click="undo">Undo</el-button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.scale > :not(.el-button) {
  flex: 1 1 140px;
}
</style>
