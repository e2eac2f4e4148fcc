<script setup lang="ts">
import type { ShelfPlace } from '~/composables/useShelf'

/** Vessels that ask for nothing, as outlines with their fill, in the drawer of their place. */
defineProps<{ lots: readonly ShelfPlace[] }>()
</script>

<template>
  <ul class="plain-list quiet">
    <li v-for="{ lot, ph, vessels } in lots" :key="lot.id">
      <NuxtLink
        :to="`/ferment/${lot.id}`"
        :data-lot="lot.code"
        :aria-label="`${lot.code} ${lot.name}, ${ph}, nothing today`"
        :title="`${lot.name}, ${ph}`"
      >
        <span class="outlines"
          ><i
            v-for="(one, index) in vessels"
            :key="index"
            :style="{ '--fill': `${100 * Math.min(1, one.fraction)}%`, '--of': lot.color }"
        /></span>
        <span class="code">{{ lot.code }}</span><b v-if="lot.hot" class="hot-word small-text">hot</b>
      </NuxtLink>
    </li>
  </ul>
</template>

<style scoped>
.quiet {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1);
  padding: var(--s2);
  border: 2px solid var(--plank);
  border-top-width: 6px;
  border-radius: 0 0 var(--radius) var(--radius);
  background: var(--surface);
}
.quiet a {
  display: grid;
  justify-items: center;
  min-width: 62px;
  min-height: 58px;
  padding: 4px;
  color: inherit;
  text-decoration: none;
  font-size: 13px;
}
.outlines {
  display: flex;
  gap: 2px;
}
.outlines i {
  width: 15px;
  height: 26px;
  border: 1.5px solid var(--outline);
  border-radius: 2px 2px 4px 4px;
  background: linear-gradient(to top, var(--of) var(--fill), var(--glass) var(--fill));
}
.hot-word {
  color: var(--heat);
  font-size: 13px;
}
</style>
