<script setup lang="ts">
import { computed } from 'vue'
import { foodsAt, KNOWN_FOODS, SOUR_RULER } from '@lactofer/core'

/** A ruler from lemon to milk: where a pH lies among foods everybody knows. */
const { ph } = defineProps<{ ph: number }>()
const { low, high } = SOUR_RULER
const at = (value: number) => (100 * (Math.min(high, Math.max(low, value)) - low)) / (high - low)
const near = computed(() => foodsAt(ph).map(({ name }) => name))
const ends = ({ low: from, high: to }: { low: number; high: number }) => ({
  left: `${at(from)}%`,
  width: `${at(to) - at(from)}%`,
})
</script>

<template>
  <details class="disclose small">
    <summary>How sour is that? Like {{ near.join(' or ') }}</summary>
    <figure>
      <ul class="plain-list foods" :aria-label="`pH ${ph.toFixed(2)} among known foods`">
        <li v-for="food in KNOWN_FOODS" :key="food.name" :class="{ near: near.includes(food.name) }">
          <span class="name">{{ food.name }}</span>
          <span class="lane"
            ><span class="bar" :style="ends(food)" /><span class="mark" :style="{ left: `${at(ph)}%` }"
          /></span>
          <span class="number muted">{{ food.low.toFixed(1) }}–{{ food.high.toFixed(1) }}</span>
        </li>
      </ul>
      <figcaption class="muted">
        The line is this lot. US FDA, approximate pH of foods, from memory. How sour it tastes hangs on the amount of
        acid, too; whether it keeps hangs on more than pH.
      </figcaption>
    </figure>
  </details>
</template>

<style scoped>
figure {
  margin: var(--s2) 0 0;
  display: grid;
  gap: var(--s2);
}
.foods li {
  display: grid;
  grid-template-columns: 112px 1fr 64px;
  gap: var(--s2);
  align-items: center;
  min-height: 24px;
}
.near .name {
  font-weight: 700;
}
.lane {
  position: relative;
  height: 12px;
  background: var(--wash);
  border-radius: 6px;
}
.bar {
  position: absolute;
  top: 0;
  bottom: 0;
  border-radius: 6px;
  background: color-mix(in srgb, var(--acid) 45%, var(--surface));
}
.mark {
  position: absolute;
  top: -6px;
  bottom: -6px;
  border-left: 2px solid var(--ink);
}
.number {
  text-align: right;
}
</style>
