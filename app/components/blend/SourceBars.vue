<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber, sourcesOf, type Composition, type Sources } from '@lactofer/core'

/** Where salt, acid, heat and sugar come from: a bar each, as long as all of it, cut by what brings it. */
const { parts, colours } = defineProps<{
  parts: readonly { name: string; composition: Composition }[]
  colours: readonly string[]
}>()
const ROWS = [
  ['mass', 'Weight', 'ink'],
  ['acid', 'Acid', 'acid'],
  ['salt', 'Salt', 'salt'],
  ['heat', 'Heat', 'heat'],
  ['sweet', 'Sugar', 'sweet'],
] as const
const sources = computed(() => sourcesOf(parts))
/** A piece is named in the bar where there is room for it. */
const ROOM = 0.14
/** Where a property comes from: "Salt: mash 80 %, vinegar 20 %". */
const sharesOf = (key: keyof Sources, name: string) =>
  `${name}: ${parts.map((part, index) => `${part.name} ${formatNumber(100 * (sources.value[key][index] ?? 0))} %`).join(', ')}`
</script>

<template>
  <figure>
    <figcaption><h2>Where does it come from?</h2></figcaption>
    <div v-for="[key, name, tone] in ROWS" :key="key" class="line">
      <strong :style="{ color: `var(--${tone})` }">{{ name }}</strong>
      <div class="bar" role="img" :aria-label="sharesOf(key, name)">
        <template v-for="(part, index) in parts" :key="part.name + index"
          ><span
            v-if="(sources[key][index] ?? 0) > 0.002"
            :style="{ flexGrow: sources[key][index], background: colours[index] }"
            ><b v-if="(sources[key][index] ?? 0) > ROOM"
              >{{ formatNumber(100 * (sources[key][index] ?? 0)) }} %</b
            ></span
          ></template
        >
        <em v-if="sources[key].every((share) => share === 0)" class="muted small">none</em>
      </div>
    </div>
    <ul class="plain-list legend small">
      <li v-for="(part, index) in parts" :key="part.name + index">
        <i :style="{ background: colours[index] }" aria-hidden="true" />{{ part.name }}
      </li>
    </ul>
    <div class="sideways">
      <table class="plain small">
        <thead>
          <tr>
            <th>Brings, %</th>
            <th v-for="[key, name] in ROWS" :key="key" class="number">{{ name.toLowerCase() }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(part, index) in parts" :key="part.name + index">
            <td>{{ part.name }}</td>
            <td v-for="[key] in ROWS" :key="key" class="number">
              {{ formatNumber(100 * (sources[key][index] ?? 0)) }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="muted small">Acid is counted as what a titration finds. Heat by typical values.</p>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
}
.line {
  display: grid;
  grid-template-columns: 70px 1fr;
  gap: var(--s3);
  align-items: center;
}
.bar {
  display: flex;
  height: 30px;
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  overflow: hidden;
  background: var(--surface);
  align-items: center;
}
.bar span {
  height: 100%;
  display: grid;
  place-items: center;
  min-width: 0;
  border-right: 1px solid #0004;
}
.bar span:last-of-type {
  border-right: 0;
}
.bar em {
  padding: 0 var(--s2);
  font-style: normal;
}
.bar b {
  background: var(--surface);
  color: var(--ink);
  font: 700 13px var(--display);
  border-radius: 3px;
  padding: 1px 5px;
  white-space: nowrap;
}
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1) var(--s4);
}
.legend i {
  display: inline-block;
  width: 13px;
  height: 13px;
  border: 1px solid #0004;
  border-radius: 3px;
  margin-right: 6px;
  vertical-align: -2px;
}
</style>
