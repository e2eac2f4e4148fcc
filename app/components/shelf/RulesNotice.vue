<script setup lang="ts">
import { computed, watch } from 'vue'
import { counted, newReason, RULES_EDITION, tellReason } from '@lactofer/core'
import { tellMoment } from '~/clock/moments'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** After an update: which batches it judges otherwise and why, once. A release stays as it was written. */
const book = useBook()
const preferences = usePreferences()
const isNew = computed(() => preferences.known && preferences.rules < RULES_EDITION && book.looked === 'all')
const changed = computed(() =>
  isNew.value
    ? [...book.fermenting, ...book.inStock].flatMap((lot) => {
        const judgement = lot.origin === 'maker' ? book.judgementOf(lot) : null
        const reason = judgement && newReason(judgement)
        return reason ? [{ lot, sentence: tellReason(reason, tellMoment) }] : []
      })
    : [],
)
const seen = () => void preferences.choose('rules', RULES_EDITION)
// Who has no such batch is told nothing.
watch(
  [isNew, changed, () => book.whole, () => book.looked],
  () => {
    const told = book.looked === 'all' || book.lots.length === 0
    if (preferences.known && book.whole && told && changed.value.length === 0) seen()
  },
  { immediate: true },
)
</script>

<template>
  <section v-if="changed.length" class="sheet" aria-label="Judged otherwise">
    <details class="disclose">
      <summary>{{ counted(changed.length, 'batch is', 'batches are') }} judged otherwise since the update</summary>
      <ul class="plain-list">
        <li v-for="{ lot, sentence } in changed" :key="lot.id">
          <NuxtLink :to="lot.state === 'fermenting' ? `/ferment/${lot.id}` : `/trace/${lot.id}`"
            ><span class="code">{{ lot.code }}</span> {{ lot.name }}</NuxtLink
          >: <SaidText :text="sentence" />
          <span v-if="lot.release?.decision === 'released'" class="muted small">
            Its release stands as it was written; nothing more of it is sold until this is settled.</span
          >
        </li>
      </ul>
      <el-button @click="seen">Understood</el-button>
    </details>
  </section>
</template>
