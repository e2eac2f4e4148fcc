<script setup lang="ts">
import { computed } from 'vue'
import type { Lot } from '@lactofer/core'
import { drawnVessels } from '~/composables/useShelf'
import { useBook } from '~/stores/book'

/** All vessels of a lot as they stand. */
const { lot } = defineProps<{ lot: Lot; scale: number }>()
const book = useBook()
const vessels = computed(() => drawnVessels(book.book, lot))
</script>

<template>
  <LotVessel v-for="(one, index) in vessels" :key="index" :lot="lot" :one="one" :scale="scale" />
</template>
