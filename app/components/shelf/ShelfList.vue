<script setup lang="ts">
import { inPieces } from '~/composables/inPieces'
import { dayOf } from '@lactofer/core'
import type { ShelfPlace } from '~/composables/useShelf'
import { useBook } from '~/stores/book'

/** The open vessels as a list. */
defineProps<{ lots: readonly ShelfPlace[] }>()
const book = useBook()
/** So many rows are drawn as one, each about so high, px. */
const PIECE = 40
const ROW_PX = 45
</script>

<template>
  <div class="sheet sideways">
    <table class="plain">
      <thead>
        <tr>
          <th>Place</th>
          <th>Lot</th>
          <th>Day</th>
          <th>pH</th>
          <th>Vessels</th>
          <th>Asks for</th>
        </tr>
      </thead>
      <SeenPiece
        v-for="(piece, at) in inPieces(lots, PIECE)"
        :key="at"
        rows
        :first="at === 0"
        :few="lots.length <= PIECE"
        :height-px="piece.length * ROW_PX"
      >
        <tr v-for="{ lot, asks, ph } in piece" :key="lot.id">
          <td>{{ lot.place }}</td>
          <td>
            <NuxtLink :to="`/ferment/${lot.id}`"><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
            ><b v-if="lot.hot" class="hot-word"> hot</b>
          </td>
          <td class="number">{{ dayOf(lot, book.nowMs) }}</td>
          <td>{{ ph.replace('pH ', '') }}</td>
          <td class="number">{{ lot.vessels.length }}</td>
          <td>{{ asks.map((ask) => ask.title).join('; ') || 'nothing today' }}</td>
        </tr>
      </SeenPiece>
    </table>
  </div>
</template>

<style scoped>
.hot-word {
  color: var(--heat);
}
</style>
