<script setup lang="ts">
import { computed } from 'vue'
import { formatNumber, sourcesOf, type Composition, type Property } from '@lactofer/core'

/** Where one property comes from: a bar as long as all of it, cut by what brings it. */
const { property, name, parts, colours } = defineProps<{
  property: Property
  name: string
  parts: readonly { name: string; composition: Composition }[]
  colours: readonly string[]
}>()
/** What brings so little is not told. */
const LEAST = 0.002
/** A piece is named in the bar where there is room for it. */
const ROOM = 0.14
const pieces = computed(() => {
  const shares = sourcesOf(parts)[property]
  return parts.flatMap((part, index) => {
    const share = shares[index] ?? 0
    return share > LEAST
      ? [{ name: part.name, share, colour: colours[index], pct: `${formatNumber(100 * share)} %` }]
      : []
  })
})
const said = computed(
  () => `${name}: ${pieces.value.map((piece) => `${piece.name} ${piece.pct}`).join(', ') || 'none'}`,
)
</script>

<template>
  <figure>
    <figcaption><h3>Where it comes from</h3></figcaption>
    <div class="bar" role="img" :aria-label="said">
      <span v-for="piece in pieces" :key="piece.name" :style="{ flexGrow: piece.share, background: piece.colour }"
        ><b v-if="piece.share > ROOM">{{ piece.pct }}</b></span
      >
      <em v-if="!pieces.length" class="muted small">none of it is in the pot</em>
    </div>
    <ul class="plain-list legend small">
      <li v-for="piece in pieces" :key="piece.name">
        <i :style="{ background: piece.colour }" aria-hidden="true" />{{ piece.name }} <strong>{{ piece.pct }}</strong>
      </li>
    </ul>
    <p v-if="property === 'acid'" class="muted small">Acid is counted as what a titration finds.</p>
    <p v-if="property === 'heat'" class="muted small">By the typical heat of each part.</p>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  display: grid;
  gap: var(--s2);
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
