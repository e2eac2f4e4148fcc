<script setup lang="ts">
import { TASTES, type Tasted } from '@lactofer/core'
import { TASTE_WORDS } from '~/forms/readingDraft'

/** Short scales of taste; what was not tasted is left out. */
const taste = defineModel<Tasted>({ required: true })
const set = (name: (typeof TASTES)[number], value: number) =>
  (taste.value =
    value < 0
      ? Object.fromEntries(Object.entries(taste.value).filter(([key]) => key !== name))
      : { ...taste.value, [name]: value })
</script>

<template>
  <fieldset>
    <legend>Taste, only of what is sound</legend>
    <label v-for="name in TASTES" :key="name"
      ><span>{{ name }}</span>
      <select :value="taste[name] ?? -1" @change="set(name, Number(($event.target as HTMLSelectElement).value))">
        <option :value="-1">–</option>
        <option v-for="(word, value) in TASTE_WORDS" :key="word" :value="value">{{ value }} {{ word }}</option>
      </select>
    </label>
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
label {
  display: grid;
  font-size: 14px;
}
select {
  min-height: var(--touch);
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: inherit;
  padding: 0 var(--s2);
}
</style>
