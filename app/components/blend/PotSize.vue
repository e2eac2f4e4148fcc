<script setup lang="ts">
import { formatNumber, formatVolume, type Forecast } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** How much is in the pot, and how many bottles that makes. */
const bottleMl = defineModel<number>({ required: true })
const { forecast, bottles } = defineProps<{ forecast: Forecast; bottles: { count: number; restMl: number } }>()
const book = useBook()
const preferences = usePreferences()
</script>

<template>
  <p class="pot">
    <span class="figure" data-figure="mass"><MassText :mass-g="forecast.massG" /></span> in the pot,
    <span data-figure="volume">{{ formatVolume(forecast.volumeMl, preferences.world) }},</span>
    <span class="figure" data-figure="bottles">{{ bottles.count }}</span> bottles of
    <el-select v-model="bottleMl" class="size" aria-label="Bottle size"
      ><el-option
        v-for="bottle in book.library.formats"
        :key="bottle.id"
        :value="bottle.fillMl"
        :label="`${bottle.fillMl} mL`"
    /></el-select>
    <template v-if="bottles.count"> and <SaidText :text="`${formatNumber(bottles.restMl)} mL`" /> over</template>
  </p>
</template>

<style scoped>
.pot {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 6px;
}
.size {
  width: 104px;
  align-self: center;
}
</style>
