<script setup lang="ts">
import { usePrinting } from '~/composables/usePrinting'
import { useBook } from '~/stores/book'

/**
 * Today where there are lots: the shelf and the round beside it; on a phone the round in one hand, or as a list. An
 * empty log does not fetch it.
 */
const { atPhone } = defineProps<{ atPhone: boolean }>()
const asList = defineModel<boolean>('asList', { required: true })
const book = useBook()
const printing = usePrinting()
</script>

<template>
  <div class="split">
    <LazyHandRound v-if="atPhone && !asList" @list="asList = true" />
    <template v-else-if="atPhone">
      <PressButton class="walk" @click="asList = false">Walk it vessel by vessel</PressButton>
      <TheRound />
    </template>
    <TheShelf v-if="book.fermenting.length" />
    <p v-else class="sheet">
      The shelf is empty. <NuxtLink to="/plan">Plan a batch</NuxtLink>, or look at what is in the
      <NuxtLink to="/cellar">cellar</NuxtLink>.
    </p>
    <InTurn><TheRound v-if="!atPhone" /></InTurn>
  </div>
  <RoundPaper v-if="printing" />
</template>
