<script setup lang="ts">
import { computed } from 'vue'
import {
  counted,
  entryWords,
  formatMass,
  settleFork,
  writtenAt,
  type Disagreement,
  type Entry,
  type Lot,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { shortMoment } from '~/clock/moments'
import { say } from '~/composables/say'
import { useRecorder } from '~/composables/useRecorder'
import { pageOfLot } from '~/words/askWords'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/** One thing that is not settled, and the one press that settles it. */
const { one } = defineProps<{ one: Disagreement }>()
const book = useBook()
const preferences = usePreferences()
const { busy, record } = useRecorder('It is still open; try again.')
const lotOf = (id: string | null) => (id ? book.lot(id) : undefined)
const lot = computed(() => ('lotId' in one ? lotOf(one.lotId) : undefined))
/** What was said of a fact, what holds for now first. */
const said = computed(() => (one.what === 'fork' ? one.fork.said : []))
/** Dated ahead: it cannot be right before somebody said when it was. */
const waits = ({ id }: Entry) => book.book.ahead.some((entry) => entry.id === id)
const written = (entry: Entry) => `${entry.by}, ${shortMoment(new Date(writtenAt(entry.id)).toISOString())}`

async function keep(entry: Entry) {
  if (one.what !== 'fork') return
  if (await record(...settleFork(one.fork, entry, nowMoment()))) say.done('Settled.')
}
/** The next free code of the series that a code belongs to. */
const freeCode = (code: string) => book.nextCode(/^(.+)-\d+$/.exec(code)?.[1] ?? code)
async function recode({ id, code }: Lot) {
  const free = freeCode(code)
  if (await record({ kind: 'recode', at: nowMoment(), lotId: id, code: free }))
    say.done(`${free} from now on. ${code} on its tape still finds both.`)
}
async function drop(entry: Entry) {
  const reason = 'It named an entry of another lot or kind.'
  if (await record({ kind: 'retract', at: nowMoment(), replaces: entry.id, reason })) say.done('Taken back.')
}
</script>

<template>
  <li class="one" :data-open="one.what">
    <template v-if="one.what === 'fork'">
      <p>
        <NuxtLink v-if="lot" :to="pageOfLot(lot)" class="code">{{ lot.code }}</NuxtLink> {{ lot?.name }}: two devices
        say different things of one fact. Until it is settled the worse counts.
      </p>
      <div v-for="entry in said" :key="entry.id" class="row">
        <p class="what">
          {{ entryWords(entry, preferences.world) }}
          <span class="muted small">{{ written(entry) }}{{ entry.id === said[0]?.id ? '; holds for now' : '' }}</span>
        </p>
        <span v-if="waits(entry)" class="small">Dated ahead: say first when it was.</span>
        <el-button v-else :loading="busy" @click="keep(entry)">This is right</el-button>
      </div>
    </template>
    <template v-else-if="one.what === 'code'">
      <p>
        {{ counted(one.lots.length, 'lot') }} carry the code <span class="code">{{ one.code }}</span>. One of them needs
        another, on its tape too.
      </p>
      <div v-for="same in one.lots" :key="same.id" class="row">
        <p class="what">
          <NuxtLink :to="pageOfLot(same)">{{ same.name }}</NuxtLink>
          <span class="muted small"> {{ same.place ? `stands at ${same.place}; ` : '' }}{{ written(same.made) }}</span>
        </p>
        <el-button :loading="busy" @click="recode(same)">Make it {{ freeCode(same.code) }}</el-button>
      </div>
    </template>
    <p v-else-if="one.what === 'overdrawn'">
      <NuxtLink :to="pageOfLot(one.lot)" class="code">{{ one.lot.code }}</NuxtLink> {{ one.lot.name }}: more was taken
      of it than there was,
      {{ one.bottles ? counted(one.bottles, 'bottle') : formatMass(one.shortG, preferences.world) }} too much. What was
      written down twice is taken back in its log; what was weighed wrong is corrected.
    </p>
    <div v-else class="row">
      <p class="what">
        <NuxtLink v-if="lot" :to="pageOfLot(lot)" class="code">{{ lot.code }}</NuxtLink>
        {{ entryWords(one.entry, preferences.world) }}: it says that it corrects an entry of another lot or kind, so it
        counts for nothing. <span class="muted small">{{ written(one.entry) }}</span>
      </p>
      <el-button :loading="busy" @click="drop(one.entry)">Take it back</el-button>
    </div>
  </li>
</template>

<style scoped>
.one {
  display: grid;
  gap: var(--s2);
}
.row {
  max-width: 760px;
  align-items: center;
}
.what {
  flex: 1 1 220px;
}
</style>
