<script setup lang="ts">
import { computed, ref } from 'vue'
import { counted, entryWords, hasUnknown } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import { loadDemo, removeDemo } from '~/composables/useDemo'
import { pageOfLot } from '~/words/askWords'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const practice = usePractice()
const busy = ref(false)
/** So many entries are shown, and so many more with each press. */
const STEP = 12
const shown = ref(STEP)
const latest = computed(() =>
  book.book.effective
    .slice(-shown.value)
    .reverse()
    .map((entry) => ({ entry, lot: 'lotId' in entry ? book.lot(entry.lotId) : undefined })),
)
const problem = ref('')
const report = ref('')

async function attempt(work: () => Promise<string>) {
  busy.value = true
  problem.value = report.value = ''
  try {
    report.value = await work()
  } catch {
    problem.value = 'This did not work, and nothing was changed. Try again.'
  } finally {
    busy.value = false
  }
}
const putDemo = () =>
  attempt(async () => {
    await loadDemo()
    return 'The demo loft is on the shelf, dated from today.'
  })
const takeDemo = () =>
  attempt(async () => {
    const orphans = await removeDemo()
    return orphans
      ? `The demo is out. ${orphans} of your own entries spoke of its lots; they are kept and come back with it.`
      : 'The demo is out. Your own log is as it was.'
  })
</script>

<template>
  <div class="page">
    <header>
      <h1>Logbook</h1>
      <p>
        {{ counted(book.entries?.length ?? 0, 'entry', 'entries') }} in this browser,
        {{ counted(book.lots.length, 'lot') }}.
        <template v-if="book.book.orphans.length"
          >{{ counted(book.book.orphans.length, 'entry speaks', 'entries speak') }} of lots that are not in this log;
          nothing of it is lost.</template
        >
      </p>
    </header>
    <p v-if="report" role="status" class="sheet"><StateMark level="fine" word="Done" /> {{ report }}</p>
    <p v-if="problem" role="alert" class="sheet problem">{{ problem }}</p>
    <SetAside />
    <NotSettled />
    <div class="split">
      <section class="sheet" aria-label="Latest in the log">
        <h2>Latest in the log</h2>
        <table v-if="latest.length" class="plain">
          <thead>
            <tr>
              <th>When</th>
              <th>Who</th>
              <th>Lot</th>
              <th>What</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="{ entry, lot } in latest" :key="entry.id">
              <td class="small when">{{ shortMoment(entry.at) }}</td>
              <td class="small">{{ entry.by }}</td>
              <td>
                <NuxtLink v-if="lot" :to="pageOfLot(lot)" class="code">{{ lot.code }}</NuxtLink
                ><template v-else>–</template>
              </td>
              <td>
                {{ entryWords(entry, preferences.world) }}
                <span v-if="hasUnknown(entry)" class="muted small">(more from a newer version)</span>
              </td>
            </tr>
          </tbody>
        </table>
        <p v-if="!latest.length" class="muted">
          Nothing is in the log yet. It begins with the first batch that is weighed in.
        </p>
        <div v-if="latest.length < book.book.effective.length">
          <el-button @click="shown += STEP">Older entries</el-button>
        </div>
      </section>
      <section v-if="practice.on" class="sheet">
        <h2>A log for practice</h2>
        <p>
          Nothing of it is kept twice, saved as a file, or brought into your own log. It goes with the next exercise.
        </p>
      </section>
      <div v-else class="stack">
        <InTurn><BackupPanel /></InTurn>
        <InTurn><KeepingPanel /></InTurn>
        <InTurn><TakeInPanel @report="(text) => (report = text)" /></InTurn>
        <section class="sheet">
          <h2>Demo</h2>
          <p>
            Brackwater Pepper Loft is invented: a dozen jars, three sauces, one recall. It stands beside your own log
            and is taken out without touching it.
          </p>
          <div class="row">
            <el-button :loading="busy" @click="putDemo">{{
              book.hasDemo ? 'Load it afresh' : 'Load the demo'
            }}</el-button
            ><el-button :disabled="!book.hasDemo" :loading="busy" @click="takeDemo">Take it out</el-button>
          </div>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
</style>
