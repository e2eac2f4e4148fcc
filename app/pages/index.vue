<script setup lang="ts">
import { computed, ref } from 'vue'
import { RULES_EDITION } from '@lactofer/core'
import { dayInFull } from '~/clock/moments'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const practice = usePractice()
const heading = computed(() => dayInFull(book.nowMs))
const asking = computed(() => new Set(book.asks.filter((ask) => ask.level !== 'fine').map((ask) => ask.lotId)).size)
/** Asked once, as soon as there is a lot of the maker's own, and gone with both answers. */
const asksForKit = computed(
  () =>
    preferences.known &&
    (preferences.sourTool === null || preferences.weighs === null) &&
    book.lots.some(({ origin }) => origin === 'maker'),
)
const atPhone = useMediaQuery('(max-width: 900px)')
/** On a phone the round is walked vessel by vessel; who wants it as a list says so. */
const asList = ref(false)
/** Of a long shelf the first lots are told of before the rest; a round in one hand is walked once all are. */
const isTold = computed(() => book.looked !== 'none' || (book.begun !== null && !(atPhone.value && !asList.value)))
const inHand = computed(() => atPhone.value && !asList.value && book.lots.length > 0)
</script>

<template>
  <div class="page">
    <header :class="{ 'visually-hidden': inHand }">
      <h1>{{ heading }}</h1>
      <p>
        {{ book.fermenting.length }} {{ book.fermenting.length === 1 ? 'lot is' : 'lots are' }} fermenting<template
          v-if="book.looked !== 'none'"
          >, {{ asking }} {{ asking === 1 ? 'asks' : 'ask' }} for you</template
        >.
      </p>
    </header>
    <LazySetAside v-if="book.folded?.ahead.length" />
    <LazyNotSettled v-if="book.disagreements.length" />
    <BackupReminder v-if="!practice.on" />
    <LazyRulesNotice v-if="preferences.known && preferences.rules < RULES_EDITION" />
    <LazyKitPanel v-if="asksForKit" asks />
    <LazyEmptyStart v-if="book.whole && book.lots.length === 0" />
    <p v-else-if="!isTold" class="sheet" role="status">The shelf is being looked along …</p>
    <InTurn v-else><LazyTodayWork v-model:as-list="asList" :at-phone="atPhone" /></InTurn>
  </div>
</template>
