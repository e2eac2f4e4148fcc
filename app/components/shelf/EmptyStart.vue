<script setup lang="ts">
import { computed, ref } from 'vue'
import { loadDemo } from '~/composables/useDemo'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'

const book = useBook()
const practice = usePractice()
const orphans = computed(() => book.folded?.orphans.length ?? 0)
/** The first thing a maker sees: what to do next, or a loft full of jars to look around in. */
const busy = ref(false)
const problem = ref('')
async function look() {
  busy.value = true
  try {
    await loadDemo()
  } catch {
    problem.value = 'The demo could not be loaded. Your own log is as it was.'
  } finally {
    busy.value = false
  }
}
/** The first jar, in the practice loft: fetched only where somebody wants it. */
async function rehearse() {
  busy.value = true
  try {
    const [{ beginExercise }, { EXERCISES }] = await Promise.all([
      import('~/composables/beginExercise'),
      import('@lactofer/core/practice'),
    ])
    const first = EXERCISES[0]
    if (first) await beginExercise(first)
  } catch {
    busy.value = false
    problem.value = 'The practice loft could not be opened. Your own log is as it was.'
  }
}
</script>

<template>
  <section class="sheet start">
    <h2>No jar on the shelf yet</h2>
    <p>
      Weigh your peppers, choose a salt, and Lactofer works out the rest: how much salt, which jar, and later when it is
      ready and what it blends to.
    </p>
    <div class="row">
      <NuxtLink to="/plan" class="first-link">Plan the first batch</NuxtLink>
      <PressButton :disabled="busy" @click="look">Look around with the demo</PressButton>
      <PressButton v-if="!practice.on" :disabled="busy" @click="rehearse">Rehearse the first jar</PressButton>
    </div>
    <p class="muted small">
      The demo is an invented loft with a dozen jars. It can be taken out again at any time; what you log yourself
      stays.
    </p>
    <p v-if="orphans" class="small">
      {{ orphans }} of your own entries speak of lots that are not here: of the demo's, perhaps. They are kept, and come
      back with it.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.start {
  max-width: 640px;
  padding: var(--s6);
}
</style>
