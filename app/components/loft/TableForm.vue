<script setup lang="ts">
import { computed } from 'vue'
import IconX from '~icons/lucide/x'
import { fieldOfDay } from '~/clock/moments'
import { dayProblem, type LoftForm } from '~/forms/loftForm'
import { useBook } from '~/stores/book'

/** From the table: so many bottles of each sort, sold on a day. */
const form = defineModel<LoftForm>({ required: true })
const book = useBook()
const options = computed(() => [
  ...book.recipes.map(({ id, name }) => ({ value: `recipe:${id}`, label: `recipe: ${name}` })),
  ...book.library.materials
    .filter(({ kind }) => kind === 'pepper')
    .map(({ id, name }) => ({ value: `material:${id}`, label: `${name}, as a mash` })),
])
function add() {
  const used = form.value.sorts.map(({ from }) => from)
  const from = options.value.find(({ value }) => !used.includes(value))?.value ?? ''
  const number = 1 + Math.max(0, ...form.value.sorts.map(({ key }) => Number(key.slice(1))))
  form.value.sorts = [...form.value.sorts, { key: `s${number}`, from, bottles: form.value.sorts[0]?.bottles ?? 60 }]
}
function drop(key: string) {
  form.value.sorts = form.value.sorts.filter((sort) => sort.key !== key)
}
</script>

<template>
  <div class="stack">
    <div class="fields">
      <WordField
        v-model="form.soldOn"
        type="date"
        label="Sold on"
        :problem="dayProblem(form.soldOn, fieldOfDay(book.nowMs))"
      />
      <QuantityField
        :model-value="form.bottleMl"
        kind="volume"
        label="Bottles of"
        :limits="{ low: 10, high: 5000 }"
        no-take
        @update:model-value="(value) => value !== null && (form.bottleMl = value)"
      />
      <QuantityField
        v-model="form.basePct"
        kind="percent"
        label="Pressed base in them"
        :limits="{ low: 5, high: 100 }"
        hint="vinegar, water and fruit make the rest"
        no-take
      />
      <WordField v-model="form.place" label="Where it stands" />
    </div>
    <ul v-if="form.sorts.length" class="plain-list sorts">
      <li v-for="(sort, index) in form.sorts" :key="sort.key">
        <PickField v-model="sort.from" :label="`Sort ${index + 1}`" :options="options" />
        <QuantityField
          v-model="sort.bottles"
          kind="count"
          label="Bottles"
          :limits="{ low: 1, high: 100_000 }"
          no-take
        />
        <el-button text :aria-label="`Take out sort ${index + 1}`" @click="drop(sort.key)"
          ><IconX aria-hidden="true"
        /></el-button>
      </li>
    </ul>
    <p v-else class="muted small">A hot one and a mild one: each sort is a recipe of yours, or one pepper as a mash.</p>
    <div><el-button @click="add">Add a sort</el-button></div>
  </div>
</template>

<style scoped>
.sorts li {
  display: grid;
  grid-template-columns: 1fr 120px 44px;
  gap: var(--s2);
  align-items: end;
  padding: var(--s1) 0;
}
</style>
