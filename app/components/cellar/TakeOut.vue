<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElMessage } from 'element-plus'
import { formatNumber, refusalOf, type Draft, type Lot, type WayOut } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'

/**
 * What leaves a lot, or goes to another place: bottles counted, stock weighed. The log is asked before it is written.
 */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const { thingOf } = useThings()
const { busy, record } = useRecorder()
type Act = WayOut | 'moved'
const ANYWHERE = '*'
const how = ref<Act>(lot.bottles ? 'sold' : 'used')
const count = ref<number | null>(null)
const massG = ref<number | null>(null)
const from = ref(ANYWHERE)
const to = ref('')
const asked = ref(false)
const ACTS = computed(
  () =>
    [
      ...(lot.bottles
        ? [
            { value: 'sold', label: 'Sold' },
            { value: 'given', label: 'Given away' },
          ]
        : []),
      { value: 'used', label: 'Used here' },
      ...(lot.bottles
        ? []
        : [
            { value: 'sold', label: 'Sold' },
            { value: 'given', label: 'Given away' },
          ]),
      { value: 'broken', label: lot.bottles ? 'Broken or thrown away' : 'Spilled or thrown away' },
      { value: 'moved', label: 'To another place' },
    ] as { value: Act; label: string }[],
)
const TO: Record<Act, string> = {
  sold: 'To whom',
  given: 'To whom',
  used: 'What for',
  broken: 'What happened',
  moved: 'To which place',
}
const places = computed(() => lot.bottles?.places ?? [])
/** Given away or used although it was not released: a fact, with its mark. */
const unreleased = computed(() => lot.bottles !== null && how.value !== 'moved' && lot.release?.decision !== 'released')
const problem = computed(() => {
  if (lot.bottles && count.value === null) return 'Count the bottles.'
  if (!lot.bottles && how.value !== 'moved' && massG.value === null) return 'Weigh it.'
  if (!to.value.trim()) return `${TO[how.value]}?`
  return refusalOf(book.book, book.judge, draft())
})
function draft(): Draft {
  const base = { at: nowMoment(), lotId: lot.id }
  if (how.value === 'moved')
    return {
      kind: 'move',
      ...base,
      place: to.value.trim(),
      ...(from.value !== ANYWHERE && { from: from.value }),
      ...(lot.bottles && { count: count.value ?? 0 }),
    }
  return lot.bottles
    ? {
        kind: 'send',
        ...base,
        count: count.value ?? 0,
        to: to.value.trim(),
        how: how.value,
        ...(unreleased.value && { unreleased: true }),
        ...(from.value !== ANYWHERE && { place: from.value }),
      }
    : { kind: 'use', ...base, massG: massG.value ?? 0, how: how.value, to: to.value.trim() }
}
async function confirm(event: Event) {
  asked.value = true
  if (focusInvalid(event) || problem.value) return
  if (!(await record(draft()))) return
  ElMessage.success('Recorded.')
  count.value = massG.value = null
  to.value = ''
  asked.value = false
}
const fromOptions = computed(() => [
  { value: ANYWHERE, label: 'anywhere' },
  ...places.value.map(({ place, count: here }) => ({ value: place, label: `${place} (${here})` })),
])
</script>

<template>
  <form class="stack" novalidate aria-label="Take out or move" @submit.prevent="confirm">
    <h3>Take out or move</h3>
    <div class="fields">
      <PickField v-model="how" label="How" :options="ACTS" />
      <QuantityField
        v-if="lot.bottles"
        v-model="count"
        kind="count"
        label="Bottles"
        :limits="{ low: 1 }"
        :hint="`${formatNumber(lot.bottles.left)} are here`"
      />
      <QuantityField
        v-else-if="how !== 'moved'"
        v-model="massG"
        kind="mass"
        label="Amount"
        :thing="thingOf({ lotId: lot.id, name: lot.name })"
      />
      <PickField v-if="places.length > 1" v-model="from" label="From" :options="fromOptions" />
      <WordField v-model="to" :label="TO[how]" :placeholder="how === 'sold' ? 'Saturday market' : ''" />
    </div>
    <p v-if="unreleased" class="small">
      <StateMark level="ask" word="Not released" />
      {{
        how === 'sold'
          ? 'It is not cleared for sale yet.'
          : 'It is written down with that mark, so that a recall finds it.'
      }}
      <NuxtLink :to="`/release/${lot.id}`">Release or hold it</NuxtLink>
    </p>
    <p v-if="asked && problem" class="problem" role="alert">{{ problem }}</p>
    <div><el-button type="primary" native-type="submit" :loading="busy">Record it</el-button></div>
  </form>
</template>
