<script setup lang="ts">
import { computed, ref, shallowRef, useTemplateRef } from 'vue'
import { InvalidInput } from '@lactofer/core'
import { MODES, setShare, shareOut, totalOf, type Mode, type PartForm } from '~/forms/blendForm'
import { chosenPart } from '~/forms/choosePart'
import { focusLast } from '~/composables/focusLast'
import { usePartOptions } from '~/composables/usePartOptions'
import { useBook } from '~/stores/book'

/** What goes into the pot, part by part, in grams, percent or parts. */
const parts = defineModel<PartForm[]>({ required: true })
const mode = defineModel<Mode>('mode', { required: true })
const { remains, colourOf, ghosts, stepG } = defineProps<{
  /** What stays of each lot when every sauce of the bench is poured. */
  remains: (lotId: string) => number
  colourOf: (part: PartForm) => string
  /** What would bring the pot to its targets, g a part. */
  ghosts: readonly number[] | null
  /** What the scale can weigh, g: a ghost nearer than half of it is not shown. */
  stepG: number
}>()
const book = useBook()
const list = useTemplateRef<HTMLElement>('list')
const adding = ref('')
const problems = shallowRef<Record<string, string>>({})
/** The part whose details are open. */
const opened = ref('')

const options = usePartOptions()
const total = computed(() => totalOf({ parts: parts.value }))

function add(choice: string) {
  const key = `${choice}-${parts.value.length}-${Math.round(total.value)}`
  const chosen = chosenPart(choice, key, book, remains)
  adding.value = ''
  if (!chosen) return
  parts.value.push(chosen)
  void focusLast(list)
}
function attempt(part: PartForm, work: () => void) {
  try {
    work()
    problems.value = {}
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problems.value = { [part.key]: error.message }
  }
}
const share = (part: PartForm) =>
  total.value > 0 ? Number(((100 * (part.massG ?? 0)) / total.value).toFixed(2)) : null
function changeShare(part: PartForm, index: number, pct: number | null) {
  if (pct !== null && pct !== share(part)) attempt(part, () => setShare(parts.value, index, pct))
}
function changeRatio(part: PartForm, ratio: number | null) {
  part.ratio = ratio
  attempt(part, () => shareOut(parts.value, total.value || 1000))
}
/** Parts begin with what stands in the pot, the smallest of weight as one. */
function changeMode(next: Mode) {
  const least = Math.min(...parts.value.map((part) => part.massG ?? 0).filter((grams) => grams > total.value / 50))
  if (next === 'parts' && Number.isFinite(least))
    for (const part of parts.value) part.ratio = Number(((part.massG ?? 0) / least).toFixed(2))
  problems.value = {}
  mode.value = next
}
function ghostOf(part: PartForm, index: number): number | null {
  const ghost = ghosts?.[index]
  return ghost !== undefined && Math.abs(ghost - (part.massG ?? 0)) > stepG / 2 ? ghost : null
}
</script>

<template>
  <div class="stack" role="group" aria-label="In the pot">
    <TapField
      v-if="parts.length"
      :model-value="mode"
      label="Amounts in"
      hide-label
      :options="MODES.map((value) => ({ value, label: value }))"
      @update:model-value="(value) => value && changeMode(value)"
    />
    <p v-else class="muted">
      Start with a base from stock, then vinegar, water, fruit, salt. The rulers answer at once.
    </p>
    <ul ref="list" class="plain-list">
      <BlendPart
        v-for="(part, index) in parts"
        :key="part.key"
        v-model="parts[index]!"
        :opened="opened === part.key"
        :mode="mode"
        :total-g="total"
        :share="share(part)"
        :ghost-g="ghostOf(part, index)"
        :problem="problems[part.key]"
        :remains="remains"
        :colour="colourOf(part)"
        @update:opened="opened = $event ? part.key : ''"
        @share="changeShare(part, index, $event)"
        @ratio="changeRatio(part, $event)"
        @remove="parts.splice(index, 1)"
      />
    </ul>
    <PickField
      v-model="adding"
      label="Add to the pot"
      :options="options"
      placeholder="A base, vinegar, water, fruit, salt …"
      @update:model-value="add"
    />
  </div>
</template>
