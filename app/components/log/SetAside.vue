<script setup lang="ts">
import { computed } from 'vue'
import { fullMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'

/** Entries dated more than a day ahead: not counted until somebody says when it was. */
const book = useBook()
const SHOWN = 5
const ahead = computed(() => book.book.ahead)
</script>

<template>
  <section v-if="ahead.length" class="sheet" aria-label="Dated ahead">
    <h2>When was this?</h2>
    <p>
      {{ ahead.length }} {{ ahead.length === 1 ? 'entry is' : 'entries are' }} dated more than a day ahead of this
      device's clock, which says {{ fullMoment(book.nowMs) }}. They are set aside and not counted. If this clock is
      wrong, set it right and reload; else say when it was.
    </p>
    <LazySetAsideEntry v-for="entry in ahead.slice(0, SHOWN)" :key="entry.id" :entry="entry" />
    <p v-if="ahead.length > SHOWN" class="muted small">{{ ahead.length - SHOWN }} more come when these are settled.</p>
  </section>
</template>
