<script setup lang="ts">
import { PROPERTIES, RULERS } from '../measure/rulers'
import { TARGET_FIELDS, type BlendForm } from './blendForm'

/** The wanted range of each property; an empty end is open. */
const targets = defineModel<BlendForm['targets']>({ required: true })
</script>

<template>
  <details class="sheet targets">
    <summary><h2>Targets</h2><span class="muted small">what each property should lie between; leave an end empty where it is open</span></summary>
    <div v-for="property in PROPERTIES" :key="property" class="line">
      <strong :style="{ color: `var(--${property})` }">{{ RULERS[property].name }}<span class="muted small"> {{ RULERS[property].unit }}</span></strong>
      <QuantityField v-model="targets[property].low" :kind="property === 'acid' ? 'ph' : property === 'heat' ? 'count' : 'percent'" :label="`${RULERS[property].name}, at least`" :limits="TARGET_FIELDS[property]" hide-label optional no-take />
      <QuantityField v-model="targets[property].high" :kind="property === 'acid' ? 'ph' : property === 'heat' ? 'count' : 'percent'" :label="`${RULERS[property].name}, at most`" :limits="TARGET_FIELDS[property]" hide-label optional no-take />
    </div>
  </details>
</template>

<style scoped>
summary { cursor: pointer; }
summary h2 { display: inline; margin-right: var(--s2); }
.line { display: grid; grid-template-columns: 100px 1fr 1fr; gap: var(--s3); align-items: start; margin-top: var(--s2); }
.line > strong { padding-top: 10px; }
</style>
