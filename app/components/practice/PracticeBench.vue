<script setup lang="ts">
import { computed, ref } from 'vue'
import { filledBottleC, type Lot, type Sampled } from '@lactofer/core'
import { useBook } from '~/stores/book'
import { useInstruments } from '~/stores/instruments'
import { usePractice } from '~/stores/practice'

/** What can be put on the bench of the practice loft: a weight, a jar or a pot, a bottle just filled. */
const book = useBook()
const instruments = useInstruments()
const practice = usePractice()
const lotId = ref('')
const fillC = ref<number | null>(88)
const problem = ref('')
const samples = computed(() => [...book.fermenting, ...book.inStock])
const options = computed(() =>
  samples.value.map(({ id, code, name }: Lot) => ({ value: id, label: `${code} ${name}` })),
)
/** A bottle and what goes in, g; glass that stood in hot water, °C. */
const BOTTLE_G = 150
const WARMED_C = 75
const glassC = computed(() => practice.exercise?.glassC ?? 20)

/** Puts the probes into something; that it cannot be worked out is said. */
async function meet(into: () => Promise<void>) {
  problem.value = ''
  try {
    await into()
  } catch {
    problem.value = 'That could not be worked out here. Try again; nothing is lost.'
  }
}
const dip = (of: Sampled) =>
  meet(async () => {
    const lot = book.lot(lotId.value)
    const sample = lot && (await practice.sample(lot.id, lot.vessels[0]?.mark ?? '', of))
    if (lot && sample) await instruments.command({ do: 'dip', sample: lot.code, ...sample })
  })
/** A bottle just filled from the pot that stands there. */
const bottle = (glass: number) =>
  meet(async () => {
    const pot = book.inStock.find(({ kind }) => kind === 'blend')
    const sample = pot && (await practice.sample(pot.id, '', 'blended'))
    if (!sample || fillC.value === null) return
    const tempC = filledBottleC({ fillC: fillC.value, glassC: glass, sauceG: BOTTLE_G, glassG: BOTTLE_G })
    await instruments.command({ do: 'dip', ...sample, sample: 'the last bottle', tempC })
  })
/** Without a pot there is nothing to fill. */
const hasPot = computed(() => book.inStock.some(({ kind }) => kind === 'blend'))
</script>

<template>
  <div class="stack">
    <p class="muted">
      What is put here is what the instruments of the practice loft meet. They settle, jitter and err.
    </p>
    <BenchLoad />
    <div class="row bench-row">
      <PickField v-model="lotId" label="Probes into" :options="options" />
      <el-button class="low" :disabled="!lotId" @click="dip('blended')">A ground sample</el-button>
      <el-button class="low" :disabled="!lotId" @click="dip('liquid')">Its liquid</el-button>
      <el-button class="low" @click="instruments.command({ do: 'lift' })">Lift them out</el-button>
    </div>
    <div v-if="hasPot" class="row bench-row">
      <QuantityField
        v-model="fillC"
        kind="temperature"
        label="Sauce in the pot"
        :limits="{ low: 20, high: 100 }"
        no-take
      />
      <el-button class="low" :disabled="fillC === null" @click="bottle(glassC)"
        >Last bottle, glass as it stands</el-button
      >
      <el-button class="low" :disabled="fillC === null" @click="bottle(WARMED_C)">Last bottle, glass warmed</el-button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </div>
</template>
