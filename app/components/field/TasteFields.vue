<script setup lang="ts">
import { TASTES, type Tasted } from '@lactofer/core'
import { TASTE_WORDS } from '~/forms/readingDraft'

/** Short scales of taste; what was not tasted is left out. */
const taste = defineModel<Tasted>({ required: true })
const OPTIONS = [{ value: -1, label: '–' }, ...TASTE_WORDS.map((word, value) => ({ value, label: `${value} ${word}` }))]
const set = (name: (typeof TASTES)[number], value: number) =>
  (taste.value =
    value < 0
      ? Object.fromEntries(Object.entries(taste.value).filter(([key]) => key !== name))
      : { ...taste.value, [name]: value })
</script>

<template>
  <fieldset>
    <legend>Taste, only of what is sound</legend>
    <PickField
      v-for="name in TASTES"
      :key="name"
      :model-value="taste[name] ?? -1"
      :label="name"
      :options="OPTIONS"
      @update:model-value="(value) => set(name, value)"
    />
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s2) var(--s3) var(--s3);
  min-width: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(136px, 1fr));
  gap: var(--s2);
}
legend {
  font-weight: 600;
  font-size: 14px;
  padding: 0 var(--s1);
}
</style>
