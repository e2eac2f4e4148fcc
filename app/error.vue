<script setup lang="ts">
import type { NuxtError } from '#app'

/** What stands where a page could not be shown: what it was, and what to do. */
const { error } = defineProps<{ error: NuxtError }>()
const missing = computed(() => error.statusCode === 404)
const reload = () => location.reload()
</script>

<template>
  <main class="page fault">
    <h1>{{ missing ? 'There is no such page' : 'This page could not be shown' }}</h1>
    <p v-if="missing">The address leads nowhere here. What is in your log was not touched.</p>
    <p v-else>
      Something went wrong that Lactofer did not foresee: “{{ error.message }}”. Nothing was written by it. Reload; if
      it stays, save an archive on the logbook's page, and tell those who look after Lactofer what you were doing.
    </p>
    <p class="row">
      <PressButton v-if="!missing" kind="primary" @click="reload">Reload</PressButton>
      <a href="/">Go to Today</a>
      <a href="/logbook">Go to the logbook</a>
    </p>
  </main>
</template>

<style scoped>
.fault {
  max-width: 720px;
}
.row {
  align-items: center;
}
</style>
