<script setup lang="ts">
import { computed, watch } from 'vue'
import {
  formatNumber,
  formatShu,
  ofKnown,
  propertiesOf,
  spoonsG,
  thinnedBy,
  type CameOut,
  type Composition,
} from '@lactofer/core'
import IconMinus from '~icons/lucide/minus'
import IconPlus from '~icons/lucide/plus'
import { useBook } from '~/stores/book'
import { OWN_BRINE } from '~/forms/pressForm'

/** A base thinned by the spoon: one press a spoon, and its figures run along. */
const { base, own, unread, cameOut } = defineProps<{
  base: Composition
  /** The brine that was let off and is kept; `null` without any. */
  own: Composition | null
  /** Nobody read a pH in it: then none is shown. */
  unread: boolean
  /** How it came out, where somebody said. */
  cameOut?: CameOut | undefined
}>()
const liquidId = defineModel<string>('with', { required: true })
const spoons = defineModel<number>('spoons', { required: true })
const emit = defineEmits<{ liquid: [liquid: { id: string; composition: Composition } | null] }>()
const book = useBook()
const options = computed(() => [
  ...(own ? [{ value: OWN_BRINE, label: 'its own brine' }] : []),
  { value: 'water', label: 'water' },
  ...book.library.materials
    .filter(({ kind, acidsPct }) => kind === 'vinegar' && (acidsPct.acetic?.typical ?? 0) >= 5)
    .map(({ id, name }) => ({ value: id, label: name })),
])
/** Brine that is not kept thins nothing. */
const chosen = computed(() => (liquidId.value === OWN_BRINE && !own ? 'water' : liquidId.value))
const liquid = computed(() => {
  if (chosen.value === OWN_BRINE) return own
  return ofKnown(book.library.materialOrUnknown(chosen.value), 100, {})
})
watch([chosen, liquid], ([id, composition]) => emit('liquid', composition && { id, composition }), { immediate: true })
/** No more of its own brine than there is. */
const most = computed(() =>
  chosen.value === OWN_BRINE && own ? Math.floor(own.massG / Math.max(1, spoonsG(own, 1).typical)) : 400,
)
watch(most, (now) => (spoons.value = Math.min(spoons.value, now)))
const before = computed(() => propertiesOf(base))
const by = (count: number) => liquid.value && thinnedBy(base, liquid.value, count, cameOut)
const after = computed(() => by(spoons.value))
const asItIs = computed(() => by(0))
const FLOWS = { pours: 'pours', thick: 'thick', sticks: 'sticks to the spoon' } as const
const rows = computed(() => {
  const now = after.value
  if (!now) return []
  const ph = now.ph ? `${now.ph.typical.toFixed(2)} (${now.ph.low.toFixed(1)}–${now.ph.high.toFixed(1)})` : '–'
  return [
    { name: 'It', was: FLOWS[asItIs.value?.flows ?? now.flows], is: FLOWS[now.flows] },
    { name: 'Solids', was: `${formatNumber(before.value.bodyPct, 1)} %`, is: `${formatNumber(now.bodyPct, 1)} %` },
    { name: 'Salt', was: `${formatNumber(before.value.saltPct, 2)} %`, is: `${formatNumber(now.saltPct, 2)} %` },
    ...(unread ? [] : [{ name: 'pH', was: before.value.pH?.toFixed(2) ?? '–', is: ph }]),
    { name: 'Heat', was: formatShu(before.value.shu), is: formatShu(now.shu) },
  ]
})
</script>

<template>
  <section class="sheet" aria-label="Thin it by the spoon">
    <h2>Thin it by the spoon</h2>
    <PickField :model-value="chosen" label="With" :options="options" @update:model-value="liquidId = $event" />
    <div class="count">
      <el-button aria-label="One spoon less" :disabled="spoons === 0" @click="spoons -= 1"
        ><IconMinus aria-hidden="true"
      /></el-button>
      <p><span class="figure" data-figure="spoons">{{ spoons }}</span> tablespoons</p>
      <el-button aria-label="One spoon more" :disabled="spoons >= most" @click="spoons += 1"
        ><IconPlus aria-hidden="true"
      /></el-button>
    </div>
    <SteadyStatus :text="spoons ? rows.map((row) => `${row.name} ${row.is}`).join(', ') : ''" />
    <table class="plain">
      <thead>
        <tr>
          <th />
          <th class="number">as it is</th>
          <th class="number">thinned</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name" :data-row="row.name">
          <td>{{ row.name }}</td>
          <td class="number muted">{{ row.was }}</td>
          <td class="number">{{ row.is }}</td>
        </tr>
      </tbody>
    </table>
    <SourDifference
      v-if="!unread && before.pH && after?.ph && before.pH.toFixed(1) !== after.ph.typical.toFixed(1)"
      :from="before.pH"
      :to="after.ph.typical"
    />
    <p class="small muted">
      A spoon by eye is off by a tenth. Every spoon takes salt, sourness and heat along: stir, taste, and read it again
      once it has stood.
    </p>
  </section>
</template>

<style scoped>
.count {
  display: grid;
  grid-template-columns: auto 1fr auto;
  align-items: center;
  text-align: center;
}
html .count .el-button {
  min-width: 64px;
  min-height: 52px;
}
</style>
