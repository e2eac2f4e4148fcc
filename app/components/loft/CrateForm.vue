<script setup lang="ts">
import { computed } from 'vue'
import { STYLES, type Row } from '@lactofer/core'
import { fieldOfDay } from '~/clock/moments'
import { dayProblem, type LoftForm } from '~/forms/loftForm'
import { useBook } from '~/stores/book'

/** From the crate: what comes, how much, on which day, and what it is to become. */
const form = defineModel<LoftForm>({ required: true })
const book = useBook()
const thing = computed(() => {
  const id = form.value.comes.replace(/^material:/, '')
  return form.value.comes ? book.library.materialOrUnknown(id) : undefined
})
function comes(row: Omit<Row, 'massG'>, amount: string | null) {
  form.value = { ...form.value, comes: `material:${row.materialId}`, massG: null, said: amount ?? undefined, moves: {} }
}
const styles = STYLES.filter(({ saltPct }) => saltPct).map(({ id, name }) => ({ value: id, label: name }))
</script>

<template>
  <div class="stack">
    <IngredientPicker
      label="What comes"
      :kinds="['pepper', 'vegetable', 'fruit']"
      :lots="false"
      placeholder="18 kg ripe cayenne, tomatoes …"
      @picked="comes"
    />
    <div v-if="thing" class="fields">
      <QuantityField
        :key="form.comes"
        v-model="form.massG"
        v-model:between="form.between"
        v-model:said="form.said"
        kind="mass"
        :label="`${thing.name}, amount`"
        hint="ready to go in: without stems"
        :thing="thing"
        :typed="form.massG === null ? form.said : undefined"
        :limits="{ low: 1 }"
      />
      <WordField
        v-model="form.comesOn"
        type="date"
        label="Comes on"
        :problem="dayProblem(form.comesOn, fieldOfDay(book.nowMs))"
      />
      <PickField v-model="form.style" label="Becomes" :options="styles" />
      <QuantityField
        :model-value="form.lots"
        kind="count"
        label="In so many lots"
        :limits="{ low: 1, high: 12 }"
        no-take
        @update:model-value="(value) => value !== null && (form.lots = value)"
      />
      <WordField v-model="form.place" label="Where it stands" />
    </div>
  </div>
</template>
