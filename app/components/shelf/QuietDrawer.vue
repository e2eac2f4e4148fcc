<script setup lang="ts">
import { inPieces } from '~/composables/inPieces'
import { drawnVessels, type ShelfPlace } from '~/composables/useShelf'
import { useBook } from '~/stores/book'

/** Vessels that ask for nothing, as outlines with their fill, in the drawer of their place. */
defineProps<{ lots: readonly ShelfPlace[] }>()
const book = useBook()
/** So many outlines are drawn as one, each about so many px² large. */
const PIECE = 60
const OUTLINE_PX2 = 66 * 62
const WIDE_PX = 640
</script>

<template>
  <div class="drawer">
    <SeenPiece
      v-for="(piece, at) in inPieces(lots, PIECE)"
      :key="at"
      :height-px="(piece.length * OUTLINE_PX2) / WIDE_PX"
      :few="lots.length <= PIECE"
      class="quiet"
    >
      <li v-for="{ lot, ph } in piece" :key="lot.id">
        <NuxtLink
          :to="`/ferment/${lot.id}`"
          :data-lot="lot.code"
          :aria-label="`${lot.code} ${lot.name}, ${ph}, nothing today`"
          :title="`${lot.name}, ${ph}`"
        >
          <span class="outlines"
            ><i
              v-for="(one, index) in drawnVessels(book.book, lot)"
              :key="index"
              :style="{ '--fill': `${100 * Math.min(1, one.fraction)}%`, '--of': lot.color }"
          /></span>
          <span class="code">{{ lot.code }}</span><b v-if="lot.hot" class="hot-word small-text">hot</b>
        </NuxtLink>
      </li>
    </SeenPiece>
  </div>
</template>

<style scoped>
.quiet {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1);
}
.drawer {
  display: grid;
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
