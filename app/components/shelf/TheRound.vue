<script setup lang="ts">
import { inPieces } from '~/composables/inPieces'
import { computed } from 'vue'
import { say } from '~/composables/say'
import { alongTheShelf, type Ask } from '@lactofer/core'
import { LEVEL_WORDS, overdueWords, pageOf, verbOf } from '~/words/askWords'
import { saveCalendar } from '~/composables/roundCalendar'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'
import { useRound } from '~/stores/round'

/**
 * What the shelf asks for today: worst first, in the order of one walk, or chore by chore for several vessels at
 * once. One tap records; undo takes it back.
 */
const book = useBook()
const preferences = usePreferences()
const round = useRound()
const ORDERS = [
  { value: 'pressing', label: 'Most pressing' },
  { value: 'walk', label: 'One walk' },
  { value: 'chore', label: 'By chore' },
] as const

/** So many tasks are drawn as one, each about so high, px. */
const PIECE = 10
const FEW = 24
const TASK_PX = 96

const lotOf = (ask: Ask) => book.lot(ask.lotId)
const groups = computed((): { title: string; asks: Ask[] }[] => {
  if (preferences.round === 'pressing') return [{ title: '', asks: book.asks }]
  const asks = preferences.round === 'walk' ? alongTheShelf(book.asks, book.fermenting) : book.asks
  const titleOf = (ask: Ask) => (preferences.round === 'walk' ? lotOf(ask)?.place || 'At the bench' : ask.title)
  return [...new Set(asks.map(titleOf))].map((title) => ({ title, asks: asks.filter((ask) => titleOf(ask) === title) }))
})
/** All of a group that one tap can record. */
const together = (asks: readonly Ask[]) =>
  preferences.round === 'chore' && asks.length > 1 && asks.every((ask) => ask.chore) ? asks : []

async function calendar() {
  try {
    say.done(
      `${await saveCalendar(book.book, book.lots, book.nowMs, book.summaries, preferences.kit)} chores of the coming two weeks are in the file. Export again after a round: the calendar updates them.`,
    )
  } catch {
    say.problem('The calendar could not be written. The round here is as it was.')
  }
}
const countWords = computed(() => {
  const count = book.asks.length
  if (book.looked === 'none') return 'The shelf is being looked along …'
  if (book.looked !== 'all') return 'The cellar is being looked through …'
  return count === 0
    ? 'Nothing is asked for now. Look and smell all the same.'
    : `${count} ${count === 1 ? 'thing' : 'things'} to do`
})
</script>

<template>
  <section class="sheet round" aria-label="The round">
    <header>
      <div class="row">
        <h2>The round</h2>
        <PressButton kind="text" @click="calendar">Calendar file</PressButton>
      </div>
      <p class="muted small">{{ countWords }}</p>
      <TapField
        v-if="book.asks.length > 1"
        :model-value="preferences.round"
        label="Order of the round"
        hide-label
        :options="ORDERS"
        @update:model-value="(value) => value && preferences.choose('round', value)"
      />
    </header>
    <UndoBar />
    <div v-for="group in groups" :key="group.title" class="group">
      <div v-if="group.title" class="row title">
        <h3>{{ group.title }} <span class="muted">{{ group.asks.length }}</span></h3>
        <PressButton v-if="together(group.asks).length" :disabled="round.busy" @click="round.done(together(group.asks))"
          >All {{ group.asks.length }} done</PressButton
        >
      </div>
      <SeenPiece
        v-for="(piece, at) in inPieces(group.asks, PIECE)"
        :key="at"
        :first="at === 0 && group === groups[0]"
        :few="book.asks.length <= FEW"
        :height-px="piece.length * TASK_PX"
      >
        <li v-for="ask in piece" :key="ask.key" :data-ask="ask.key">
          <div>
            <p>
              <span class="code">{{ lotOf(ask)?.code }}</span> {{ lotOf(ask)?.name }}
              <span v-if="lotOf(ask)?.hot" class="hot">HOT</span>
            </p>
            <p>
              <StateMark :level="ask.level" :word="ask.title" /><span class="visually-hidden">
                ({{ LEVEL_WORDS[ask.level] }})</span
              ><span v-if="overdueWords(ask, book.nowMs)" class="small late">{{ overdueWords(ask, book.nowMs) }}</span>
            </p>
            <p class="muted small"><SaidText :text="ask.why" /></p>
          </div>
          <LazySenseTaps v-if="ask.questions && lotOf(ask)" :lot="lotOf(ask)!" :questions="ask.questions" />
          <div v-else-if="ask.chore" class="acts">
            <PressButton
              kind="primary"
              :disabled="round.busy"
              :aria-label="`${ask.title}, ${lotOf(ask)?.code}: done`"
              @click="round.done([ask])"
              >Done</PressButton
            >
            <PressButton
              kind="text"
              :disabled="round.busy"
              :aria-label="`Skip: ${ask.title}, ${lotOf(ask)?.code}`"
              @click="round.skipping = ask"
              >Skip</PressButton
            >
          </div>
          <NuxtLink v-else :to="pageOf(ask)" class="go"
            >{{ verbOf(ask) }}<span class="visually-hidden"> {{ lotOf(ask)?.code }}</span></NuxtLink
          >
        </li>
      </SeenPiece>
    </div>
  </section>
</template>

<style scoped>
.round {
  padding: 0;
  gap: 0;
}
header {
  padding: var(--s3) var(--s4);
  border-bottom: 1px solid var(--line);
  display: grid;
  gap: var(--s1);
}
header .row,
.title {
  align-items: center;
  justify-content: space-between;
}
.title {
  padding: var(--s2) var(--s4);
  background: var(--wash);
  border-bottom: 1px solid var(--line);
  flex-wrap: nowrap;
}
.title h3 {
  font-size: 16px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: var(--s3);
  align-items: center;
  padding: var(--s3) var(--s4);
  border-bottom: 1px solid var(--line);
}
.group:last-of-type li:last-child {
  border-bottom: 0;
}
.acts {
  display: grid;
  justify-items: stretch;
}
html .acts .el-button {
  margin: 0;
  min-width: 76px;
}
.go {
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-height: var(--touch);
  min-width: 76px;
  padding: 0 var(--s3);
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  font-weight: 600;
  text-decoration: none;
}
.late {
  color: var(--act);
  font-weight: 600;
}
html .hot {
  background: #b32c10;
  color: #fff;
  font: 700 12px var(--display);
  padding: 2px 6px;
  border-radius: 3px;
  letter-spacing: 0.04em;
}
@media (max-width: 900px) {
  html .acts .el-button--primary,
  .go {
    min-height: 56px;
  }
}
</style>
