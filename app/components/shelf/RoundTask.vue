<script setup lang="ts">
import { computed, ref } from 'vue'
import { NuxtLink } from '#components'
import type { Ask, Lot } from '@lactofer/core'
import { LEVEL_WORDS, overdueWords, pageOf, verbOf } from '~/words/askWords'
import { useBook } from '~/stores/book'
import { useRound } from '~/stores/round'

/** One task of the vessel at hand: a row to tap, a question with pictures, a reading in place, or the way to a page. */
const { ask, lot } = defineProps<{ ask: Ask; lot: Lot }>()
const book = useBook()
const round = useRound()
const reading = ref(false)
/** What is read in place: a pH of a lot that ferments. */
const isReading = computed(
  () => !ask.chore && !ask.questions && ask.go === 'ferment' && lot.state === 'fermenting' && verbOf(ask) === 'Read',
)
/** What the row is: a chore to record, a reading to open, or the way to a page. */
const row = computed(() => {
  if (ask.chore)
    return {
      ...{ type: 'button', 'aria-label': `${ask.title}, ${lot.code}: done` },
      ...{ disabled: round.busy, onClick: () => round.done([ask]) },
    }
  return isReading.value
    ? { type: 'button', 'aria-expanded': reading.value, onClick: () => (reading.value = !reading.value) }
    : { to: pageOf(ask) }
})
/** A reading closes its form; the round is told, so that it can be taken back. */
function read(entryIds: string[]) {
  reading.value = false
  round.told(entryIds, [lot.id], `${lot.code}: reading recorded.`, 'Reading: done')
}
</script>

<template>
  <li :data-ask="ask.key">
    <template v-if="ask.questions">
      <p class="asked"><StateMark :level="ask.level" :word="ask.title" /></p>
      <SenseTaps :lot="lot" :questions="ask.questions" />
    </template>
    <div v-else class="both">
      <component :is="row.to ? NuxtLink : 'button'" v-bind="row" class="task">
        <span v-if="ask.chore" class="box" aria-hidden="true" />
        <span class="what"
          ><StateMark :level="ask.level" :word="ask.title" /><span class="visually-hidden">
            ({{ LEVEL_WORDS[ask.level] }})</span
          ><span v-if="overdueWords(ask, book.nowMs)" class="small late">{{ overdueWords(ask, book.nowMs) }}</span
          ><span class="muted small why"><SaidText :text="ask.why" /></span
        ></span>
        <span v-if="!ask.chore" class="go">{{ verbOf(ask) }}</span>
      </component>
      <button
        v-if="ask.chore"
        type="button"
        class="skip"
        :disabled="round.busy"
        :aria-label="`Skip: ${ask.title}, ${lot.code}`"
        @click="round.skipping = ask"
      >
        Skip
      </button>
    </div>
    <LazyReadingForm v-if="reading" :lot="lot" class="inside" @recorded="read" />
  </li>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--line);
}
.asked {
  padding: var(--s3) var(--s4) 0;
}
.both {
  display: flex;
}
.task {
  flex: 1;
  display: flex;
  align-items: center;
  gap: var(--s3);
  min-height: 64px;
  min-width: 0;
  padding: var(--s2) var(--s4);
  border: 0;
  background: none;
  color: inherit;
  font: 400 16px/1.3 var(--text);
  text-align: left;
  text-decoration: none;
  cursor: pointer;
}
.what {
  flex: 1;
  min-width: 0;
}
.why {
  display: block;
}
.late {
  color: var(--act);
  font-weight: 600;
}
.box {
  flex: none;
  width: 30px;
  height: 30px;
  border: 2px solid var(--bottle);
  border-radius: var(--radius);
}
.skip {
  min-width: 56px;
  border: 0;
  border-left: 1px solid var(--line);
  background: none;
  color: var(--muted);
  font: 600 14px var(--text);
  cursor: pointer;
}
.go {
  flex: none;
  min-width: 64px;
  min-height: var(--touch);
  padding: 0 var(--s3);
  display: grid;
  place-items: center;
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  color: var(--bottle);
  font-weight: 600;
}
.inside,
li :deep(.senses) {
  padding: var(--s3) var(--s4) var(--s4);
}
</style>
