<script setup lang="ts">
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/** What the round asks before it records: why something is skipped, how much is topped up. */
const book = useBook()
const round = useRound()
</script>

<template>
  <LazySkipDialog
    v-if="round.skipping"
    :title="`Skip: ${round.skipping.title}, ${book.lot(round.skipping.lotId)?.code}`"
    @skip="round.skip"
    @close="round.skipping = null"
  />
  <LazyPutInDialog
    v-if="round.topping"
    :model-value="true"
    :lot="round.topping"
    top-up
    @update:model-value="(open) => (round.topping = open ? round.topping : null)"
  />
</template>
