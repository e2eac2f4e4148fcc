<script setup lang="ts">
import { ref } from 'vue'
import { loadDemo } from '~/composables/useDemo'
import { useBook } from '~/stores/book'

const book = useBook()
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
</script>

<template>
  <section class="sheet start">
    <h2>No jar on the shelf yet</h2>
    <p>
      Weigh your peppers, choose a salt, and Lactofer works out the rest: how much salt, which jar, and later when it is
      ready and what it blends to.
    </p>
    <div class="row">
      <NuxtLink to="/plan" class="first">Plan the first batch</NuxtLink>
      <PressButton :disabled="busy" @click="look">Look around with the demo</PressButton>
    </div>
    <p class="muted small">
      The demo is an invented loft with a dozen jars. It can be taken out again at any time; what you log yourself
      stays.
    </p>
    <p v-if="book.book.orphans.length" class="small">
      {{ book.book.orphans.length }} of your own entries speak of lots that are not here: of the demo's, perhaps. They
      are kept, and come back with it.
    </p>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
  </section>
</template>

<style scoped>
.start {
  max-width: 640px;
  padding: var(--s6);
}
.first {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s4);
  background: var(--bottle);
  color: var(--on-action);
  border-radius: var(--radius);
  font-weight: 700;
  text-decoration: none;
}
</style>
