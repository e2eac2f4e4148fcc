<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { formatNumber, heldBack, refusalOf, type Draft, type Lot, type WayOut } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useForm, type Problems } from '~/composables/useForm'
import { useThings } from '~/composables/useThings'
import { useBook } from '~/stores/book'

/**
 * What leaves a lot, or goes to another place: bottles counted, stock weighed. The log is asked before it is written.
 */
const { lot } = defineProps<{ lot: Lot }>()
const book = useBook()
const { thingOf } = useThings()
type Act = WayOut | 'moved'
const ANYWHERE = '*'
const { form, problem, busy, confirm, reset } = useForm({
  fresh: () => ({
    // What is held back is not sold: what the log would refuse is not chosen beforehand.
    how: (heldBack(lot) ? 'moved' : lot.bottles ? 'sold' : 'used') as Act,
    count: null as number | null,
    massG: null as number | null,
    from: ANYWHERE,
    to: '',
  }),
  problems: (): Problems<'act'> => ({ act: problemOf() }),
})
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
const unreleased = computed(() => form.value.how !== 'moved' && heldBack(lot) !== null)
function problemOf(): string | null {
  const { how, count, massG, to } = form.value
  if (lot.bottles && count === null) return 'Count the bottles.'
  if (!lot.bottles && how !== 'moved' && massG === null) return 'Weigh it.'
  return to.trim() ? refusalOf(book.book, book.judge, draft()) : `${TO[how]}?`
}
function draft(): Draft {
  const base = { at: nowMoment(), lotId: lot.id }
  const { how, from, massG } = form.value
  const to = form.value.to.trim()
  const count = form.value.count ?? 0
  if (how === 'moved')
    return { kind: 'move', ...base, place: to, ...(from !== ANYWHERE && { from }), ...(lot.bottles && { count }) }
  if (!lot.bottles) return { kind: 'use', ...base, massG: massG ?? 0, how, to }
  return {
    ...{ kind: 'send', ...base, count, to, how },
    ...(unreleased.value && { unreleased: true }),
    ...(from !== ANYWHERE && { place: from }),
  }
}
/** What leaves next is often the same way, from the same place. */
async function takeOut(event: Event) {
  if (!(await confirm(event, () => [draft()]))) return
  say.done('Recorded.')
  const { how, from } = form.value
  reset()
  Object.assign(form.value, { how, from })
}
const fromOptions = computed(() => [
  { value: ANYWHERE, label: 'anywhere' },
  ...places.value.map(({ place, count: here }) => ({ value: place, label: `${place} (${here})` })),
])
</script>

<template>
  <form class="stack" novalidate aria-label="Take out or move" @submit.prevent="takeOut">
    <h3>Take out or move</h3>
    <div class="fields">
      <PickField v-model="form.how" label="How" :options="ACTS" />
      <QuantityField
        v-if="lot.bottles"
        v-model="form.count"
        kind="count"
        label="Bottles"
        :limits="{ low: 1 }"
        :hint="`${formatNumber(lot.bottles.left)} are here`"
      />
      <QuantityField
        v-else-if="form.how !== 'moved'"
        v-model="form.massG"
        kind="mass"
        label="Amount"
        :thing="thingOf({ lotId: lot.id, name: lot.name })"
      />
      <PickField v-if="places.length > 1" v-model="form.from" label="From" :options="fromOptions" />
      <WordField v-model="form.to" :label="TO[form.how]" :placeholder="form.how === 'sold' ? 'Saturday market' : ''" />
    </div>
    <p v-if="unreleased" class="small">
      <StateMark level="ask" word="Not released" />
      {{
        form.how === 'sold'
          ? 'It is not cleared for sale yet.'
          : 'It is written down with that mark, so that a recall finds it.'
      }}
      <NuxtLink :to="`/release/${lot.id}`">Release or hold it</NuxtLink>
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div><el-button type="primary" native-type="submit" :loading="busy">Record it</el-button></div>
  </form>
</template>
