<script setup lang="ts">
import { dayOf, type Lot } from '@lactofer/core'
import type { DrawnVessel } from '~/composables/useShelf'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'

/** One vessel of a lot as it stands: its fill, its closure, and its tape with code and day. */
defineProps<{ lot: Lot; one: DrawnVessel; scale: number }>()
const book = useBook()
const practice = usePractice()
</script>

<template>
  <VesselDrawing
    v-bind="one"
    :color="lot.color"
    :closure="lot.packed?.closure ?? 'loose lid'"
    :code="`${lot.code}${one.mark}`"
    :day="`day ${dayOf(lot, book.nowMs)}`"
    :scale="scale"
    :look="practice.lookOf(lot.id, one.mark)"
  />
</template>
