<script setup lang="ts">
import { ref } from 'vue'
import { say } from '~/composables/say'
import { exactly, formatNumber, TEASPOONS_PER_TABLESPOON, type SaltKind } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** What a level teaspoon of each salt weighs; one weighed spoon makes every spoon of that salt exact. */
const book = useBook()
const { busy, record } = useRecorder('The weight is still here; try again.')
const weighing = ref<SaltKind | null>(null)
const grams = ref<number | null>(null)
const spoon = ref<'tsp' | 'tbsp'>('tbsp')
const SPOONS = [
  { value: 'tbsp', label: 'one level tablespoon' },
  { value: 'tsp', label: 'one level teaspoon' },
] as const

function begin(salt: SaltKind) {
  weighing.value = salt
  grams.value = null
}
const ownOf = ({ id: materialId, name }: SaltKind) =>
  ({ kind: 'material', at: nowMoment(), materialId, name, group: 'salt' }) as const
async function keep() {
  const salt = weighing.value
  if (!salt || grams.value === null) return
  const teaspoonG = exactly(grams.value / (spoon.value === 'tbsp' ? TEASPOONS_PER_TABLESPOON : 1))
  if (!(await record({ ...ownOf(salt), teaspoonG }))) return
  say.done(`A teaspoon of ${salt.name} holds ${formatNumber(teaspoonG.typical, 1)} g from now on.`)
  weighing.value = null
}
const back = (salt: SaltKind) => record({ ...ownOf(salt), forget: true })
</script>

<template>
  <section class="sheet">
    <h2>A level teaspoon of salt</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>Salt</th>
          <th class="number">Typical</th>
          <th class="number">Range</th>
          <th><span class="visually-hidden">Your own</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="salt in book.library.salts" :key="salt.id">
          <td>{{ salt.name }}<span v-if="salt.own" class="muted small">, yours</span></td>
          <td class="number">
            <strong>{{ formatNumber(salt.teaspoonG.typical, 1) }} g</strong>
          </td>
          <td class="number muted">
            {{
              salt.own ? 'weighed' : `${formatNumber(salt.teaspoonG.low, 1)}–${formatNumber(salt.teaspoonG.high, 1)} g`
            }}
          </td>
          <td class="number">
            <el-button v-if="salt.own" text :disabled="busy" :aria-label="`Take back: ${salt.name}`" @click="back(salt)"
              >Take back</el-button
            ><el-button v-else text :aria-label="`Weigh a spoon of ${salt.name}`" @click="begin(salt)"
              >Weigh a spoon</el-button
            >
          </td>
        </tr>
      </tbody>
    </table>
    <form v-if="weighing" class="fields" novalidate :aria-label="`A spoon of ${weighing.name}`" @submit.prevent="keep">
      <PickField v-model="spoon" :label="`Of ${weighing.name}`" :options="SPOONS" />
      <QuantityField v-model="grams" kind="mass" label="It weighs" :limits="{ low: 0.5, high: 60 }" />
      <div>
        <span class="field-label">&nbsp;</span
        ><el-button type="primary" native-type="submit" :disabled="grams === null" :loading="busy"
          >Keep my spoon</el-button
        >
      </div>
    </form>
    <p class="muted small">
      Common practice where nothing is weighed. A tablespoon is three. Several spoons weighed at once and divided tell
      more than one.
    </p>
  </section>
</template>

<style scoped>
th.number {
  text-align: right;
}
</style>
