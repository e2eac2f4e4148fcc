<script setup lang="ts">
import { computed, ref } from 'vue'
import IconX from '~icons/lucide/x'
import { formatMass, formatNumber, type Lot } from '@lactofer/core'
import type { PartForm } from './blendForm'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** What goes into the pot: a slider and a figure each; stock limits are said, never forced. */
const parts = defineModel<PartForm[]>({ required: true })
const book = useBook()
const preferences = usePreferences()
const adding = ref('')

/** What is poured most stands first. */
const KINDS = ['water', 'vinegar', 'salt', 'sweetener', 'acid', 'fruit', 'vegetable', 'herb', 'pepper', 'seafood', 'starter'] as const
const stock = computed(() => book.lots.filter(lot => lot.state === 'in stock' && ['base', 'stock', 'pulp', 'ferment'].includes(lot.kind)))
const options = computed(() => [
  ...stock.value.map(lot => ({ value: `lot:${lot.id}`, label: `${lot.code} ${lot.name}, ${formatMass(lot.leftG, preferences.world)}` })),
  ...KINDS.flatMap(kind => book.library.materials.filter(material => material.kind === kind)).map(material => ({ value: `stuff:${material.id}`, label: material.name })),
])
const total = computed(() => parts.value.reduce((sum, part) => sum + (part.massG ?? 0), 0))
const lotOf = (part: PartForm): Lot | undefined => part.lotId ? book.lot(part.lotId) : undefined
const colour = (part: PartForm) => lotOf(part)?.color ?? book.library.material(part.materialId ?? '')?.color ?? '#9aa58c'
/** A slider reaches the stock, or a kilo (100 g for salt and acid); past its end it stretches with the figure. */
function reach(part: PartForm) {
  const kind = book.library.material(part.materialId ?? '')?.kind
  const natural = lotOf(part)?.leftG ?? (kind === 'salt' || kind === 'acid' ? 100 : 1000)
  return Math.max(Math.ceil(natural), Math.ceil((part.massG ?? 0) * 1.25), 10)
}
function add(choice: string) {
  const [kind, id = ''] = choice.split(':')
  const lot = kind === 'lot' ? book.lot(id) : undefined
  const material = kind === 'stuff' ? book.library.material(id) : undefined
  const key = `${choice}-${parts.value.length}-${Math.round(total.value)}`
  if (lot) parts.value.push({ key, lotId: lot.id, name: lot.name, massG: Math.round(lot.leftG / 2), ph: null })
  if (material) parts.value.push({ key, materialId: material.id, name: material.name, massG: material.kind === 'salt' || material.kind === 'acid' ? 5 : 100, ph: null })
  adding.value = ''
}
const over = (part: PartForm) => {
  const lot = lotOf(part)
  return lot && part.massG !== null && part.massG > lot.leftG + 0.5 ? `Only ${formatMass(lot.leftG, preferences.world)} in stock.` : part.lotId && !lot ? 'This lot is no longer in the log. Take it out.' : null
}
const hasOwnPh = (part: PartForm) => book.library.material(part.materialId ?? '')?.ph !== null && part.materialId !== undefined
</script>

<template>
  <section class="sheet parts" aria-label="In the pot">
    <div class="bar" aria-hidden="true"><span v-for="part in parts" :key="part.key" :style="{ flexGrow: part.massG ?? 0, background: colour(part) }" /></div>
    <p v-if="parts.length === 0" class="muted">Start with a base from stock, then vinegar, water, fruit, salt. Every move of a slider redraws the rulers; nothing is poured until you record it.</p>
    <ul class="plain-list">
      <li v-for="(part, index) in parts" :key="part.key">
        <span class="chip" :style="{ background: colour(part) }" aria-hidden="true" />
        <span class="what"><strong>{{ part.name }}</strong><span class="muted small">{{ lotOf(part) ? `${lotOf(part)?.code}, ${formatMass(lotOf(part)?.leftG ?? 0, preferences.world)} in stock` : hasOwnPh(part) ? 'pH from the table, unless read' : 'off the shelf' }}</span></span>
        <span class="share small">{{ total > 0 ? formatNumber(100 * (part.massG ?? 0) / total, 1) : '–' }} %</span>
        <el-button text :aria-label="`Take out ${part.name}`" @click="parts.splice(index, 1)"><IconX aria-hidden="true" /></el-button>
        <el-slider class="slide" :model-value="part.massG ?? 0" :max="reach(part)" :step="reach(part) > 400 ? 5 : 1" :show-tooltip="false" :aria-label="`${part.name}, grams`" :format-value-text="(grams: number) => formatMass(grams, preferences.world)" @update:model-value="(grams: number | number[]) => (part.massG = Number(grams))" />
        <div class="numbers">
          <QuantityField v-model="part.massG" kind="mass" :label="`${part.name}, weight`" hide-label />
          <QuantityField v-if="hasOwnPh(part)" v-model="part.ph" kind="ph" :label="`${part.name}, its own pH`" hide-label optional :placeholder="book.library.material(part.materialId ?? '')?.ph?.typical.toFixed(1)" />
        </div>
        <p v-if="over(part)" class="problem" role="alert">{{ over(part) }}</p>
      </li>
    </ul>
    <PickField v-model="adding" label="Add to the pot" :options="options" placeholder="A base, vinegar, water, fruit, salt …" @update:model-value="add" />
  </section>
</template>

<style scoped>
.bar { display: flex; height: 24px; border: 1px solid var(--outline); border-radius: var(--radius); overflow: hidden; background: var(--enamel); }
.bar span { transition: flex-grow .12s; }
.parts li { display: grid; grid-template-columns: 12px 1fr auto 40px; gap: 0 var(--s3); align-items: center; padding: 6px 0; border-bottom: 1px solid var(--line); }
.chip { height: 34px; border-radius: 3px; border: 1px solid #0003; }
.what { display: grid; line-height: 1.25; }
.slide { grid-column: 2; margin: 0 10px; width: auto; min-width: 100px; height: var(--touch); }
.numbers { grid-column: 3 / -1; width: 118px; display: grid; gap: var(--s1); }
.problem { grid-column: 2 / -1; }
</style>
