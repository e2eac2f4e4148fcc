<script setup lang="ts">
import { computed, watch } from 'vue'
import { say } from '~/composables/say'
import {
  FILL_LEVEL,
  fillVessel,
  inVessels,
  propertiesOf,
  refusalOf,
  styleById,
  type Draft,
  type Lot,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useForm, type Problems } from '~/composables/useForm'
import { useBook } from '~/stores/book'

/** A jar that pushes out, or is too full, shared into one more: the same lot, in two. */
const { lot } = defineProps<{ lot: Lot }>()
const open = defineModel<boolean>({ required: true })
const book = useBook()
const { form, problem, busy, confirm, reset } = useForm({
  fresh: () => ({ from: '', vesselId: '', massG: null as number | null }),
  problems: (): Problems<'jar'> => ({ jar: problemOf() }),
  kept: 'What you said is still here; try again.',
})
const held = computed(() => inVessels(lot))
const source = computed(() => held.value.find(({ mark }) => mark === form.value.from) ?? held.value[0])
watch(open, (now) => {
  if (!now) return
  reset()
  form.value.from = held.value[0]?.mark ?? ''
  form.value.massG = Math.round((source.value?.massG ?? 0) / 2)
  form.value.vesselId = fitting.value[0]?.id ?? ''
})
/** What may take it: of the style's kinds, the smallest that holds the half first. */
const fitting = computed(() => {
  if (lot.made.kind !== 'plan') return []
  const { vesselShapes: shapes, fillLimit } = styleById(lot.made.style)
  const needs = (form.value.massG ?? 0) / density.value / fillLimit
  return book.freeVessels
    .filter(({ shape, count }) => shapes.includes(shape) && count > 0)
    .sort((a, b) => Number(a.capacityMl < needs) - Number(b.capacityMl < needs) || a.capacityMl - b.capacityMl)
})
const density = computed(() => {
  const composition = book.composition(lot.id)
  return composition ? propertiesOf(composition).densityGPerMl : 1
})
/** The next letter that is free. */
const mark = computed(() => {
  const taken = new Set([...(lot.packed?.vessels ?? []), ...lot.vessels].map((vessel) => vessel.mark || 'a'))
  return [...'abcdefghijklmnopqrstuvwxyz'].find((letter) => !taken.has(letter)) ?? 'z'
})
const fills = computed(() => {
  if (lot.made.kind !== 'plan' || !source.value || form.value.massG === null) return []
  const style = styleById(lot.made.style)
  const jars = [
    {
      name: `Jar ${source.value.mark || 'a'}`,
      vesselId: source.value.vesselId,
      grams: source.value.massG - form.value.massG,
    },
    { name: `Jar ${mark.value}`, vesselId: form.value.vesselId, grams: form.value.massG },
  ]
  return jars.flatMap(({ name, vesselId: id, grams }) => {
    const capacityMl = book.library.vessel(id)?.capacityMl
    if (!capacityMl || grams <= 0) return []
    return [{ name, ...fillVessel(grams, density.value, capacityMl, style.fillLimit, style.fillLeast) }]
  })
})
const draft = (): Draft => ({
  ...{ kind: 'share', at: nowMoment(), lotId: lot.id, from: source.value?.mark ?? '' },
  ...{ vesselId: form.value.vesselId, mark: mark.value, massG: form.value.massG ?? 0 },
})
function problemOf(): string | null {
  if (!form.value.vesselId) return 'Choose the jar it goes into.'
  if (!form.value.massG) return 'Say how much goes over.'
  return refusalOf(book.book, book.judge, draft())
}
async function share(event: Event) {
  if (!(await confirm(event, () => [draft()]))) return
  say.done(`${lot.code}${mark.value} is the new jar: label it. Read or taste each by itself from now on.`)
  open.value = false
}
</script>

<template>
  <el-dialog v-model="open" :title="`Share into one more jar: ${lot.code}`" width="560px">
    <form class="stack" novalidate @submit.prevent="share">
      <p class="small">
        Pieces and liquid alike go over, so that both stay what they are. What is not covered then wants brine of the
        strength inside, never water.
      </p>
      <div class="fields">
        <PickField
          v-if="lot.vessels.length > 1"
          v-model="form.from"
          label="From"
          :options="held.map((vessel) => ({ value: vessel.mark, label: `jar ${vessel.mark}` }))"
        />
        <PickField
          v-model="form.vesselId"
          label="Into"
          :options="fitting.map(({ id, name }) => ({ value: id, label: name }))"
        />
        <QuantityField v-model="form.massG" kind="mass" label="Goes over" :limits="{ low: 1 }" />
      </div>
      <ul class="plain-list" aria-live="polite">
        <li v-for="fill in fills" :key="fill.name">
          <StateMark :level="FILL_LEVEL[fill.verdict]" :word="fill.name" /> <SaidText :text="fill.sentence" />
        </li>
      </ul>
      <p v-if="problem" class="problem" role="alert"><SaidText :text="problem" /></p>
      <div class="row">
        <el-button type="primary" native-type="submit" :loading="busy">Shared: record it</el-button>
        <el-button @click="open = false">Not yet</el-button>
      </div>
    </form>
  </el-dialog>
</template>
