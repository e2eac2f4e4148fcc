<script setup lang="ts">
import { ref } from 'vue'
import { useInstruments } from '~/stores/instruments'

/** What is put on the pan of a simulated scale. */
const instruments = useInstruments()
const loadG = ref<number | null>(null)
</script>

<template>
  <div class="row bench-row">
    <QuantityField v-model="loadG" kind="mass" label="Load on the scale" :limits="{ high: 30000 }" no-take />
    <el-button
      class="low"
      :disabled="loadG === null"
      @click="loadG !== null && instruments.command({ do: 'load', massG: loadG })"
      >Put on</el-button
    >
    <el-button class="low" @click="instruments.tare()">Tare</el-button>
  </div>
</template>
