<script setup lang="ts">
import { formatNumber } from '@lactofer/core'
import { useBook } from '~/stores/book'

/** What a level teaspoon of each salt weighs. */
const book = useBook()
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
        </tr>
      </thead>
      <tbody>
        <tr v-for="salt in book.library.salts" :key="salt.id">
          <td>{{ salt.name }}</td>
          <td class="number">
            <strong>{{ formatNumber(salt.teaspoonG.typical, 1) }} g</strong>
          </td>
          <td class="number muted">
            {{ formatNumber(salt.teaspoonG.low, 1) }}–{{ formatNumber(salt.teaspoonG.high, 1) }} g
          </td>
        </tr>
      </tbody>
    </table>
    <p class="muted small">
      Common practice. A tablespoon is three. Salt of your own: add one of kind “salt” with its teaspoon.
    </p>
  </section>
</template>

<style scoped>
th.number {
  text-align: right;
}
</style>
