<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted, entryWords } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import { useLiveQuery } from '~/composables/useLiveQuery'
import { lastCame } from '~/stores/link'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'
import { pageOfLot } from '~/words/askWords'

/** What came from the other devices, newest first. */
const book = useBook()
const preferences = usePreferences()
/** So many times something came are shown, and so many more with each press; so many entries of each. */
const STEP = 10
const EACH = 5
const most = ref(STEP)
const { value: came } = useLiveQuery(lastCame)
const byId = computed(() => new Map((book.entries ?? []).map((entry) => [entry.id, entry])))
const shown = computed(() =>
  (came.value ?? []).slice(0, most.value).map(({ number, from, atMs, count, ids }) => {
    const entries = ids.flatMap((id) => byId.value.get(id) ?? [])
    const lines = entries.slice(-EACH).map((entry) => ({
      entry,
      lot: 'lotId' in entry ? book.lot(entry.lotId) : undefined,
    }))
    return { key: number, from, at: shortMoment(atMs), count, lines, more: count - lines.length }
  }),
)
</script>

<template>
  <section class="sheet" aria-label="From the others">
    <h2>From the others</h2>
    <p v-if="!shown.length" class="muted">Nothing came from another device yet.</p>
    <ol v-else class="plain-list">
      <li v-for="one in shown" :key="one.key">
        <p class="head">
          <strong>{{ one.from }}</strong> <span class="small muted">{{ one.at }}</span>
          <span class="small">{{ counted(one.count, 'entry', 'entries') }}</span>
        </p>
        <ul class="plain-list">
          <li v-for="{ entry, lot } in one.lines" :key="entry.id" class="small">
            <NuxtLink v-if="lot" :to="pageOfLot(lot)" class="code">{{ lot.code }}</NuxtLink>
            {{ entryWords(entry, preferences.world) }}
          </li>
        </ul>
        <p v-if="one.more > 0" class="small muted">
          and {{ one.more }} more, in the <NuxtLink to="/logbook">logbook</NuxtLink>
        </p>
      </li>
    </ol>
    <div v-if="(came?.length ?? 0) > most"><el-button @click="most += STEP">Earlier</el-button></div>
  </section>
</template>

<style scoped>
ol > li {
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 0 var(--s3);
  align-items: baseline;
}
</style>
