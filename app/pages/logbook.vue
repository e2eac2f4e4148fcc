<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElMessage } from 'element-plus'
import { counted, entryWords, hasUnknown } from '@lactofer/core'
import { shortMoment } from '~/clock/moments'
import { loadDemo, removeDemo } from '~/composables/useDemo'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const busy = ref(false)
const LATEST = 15
const latest = computed(() =>
  book.book.effective
    .slice(-LATEST)
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
const by = ref(preferences.by)
watch(
  () => preferences.by,
  (name) => (by.value = name),
)
async function sign() {
  if (!by.value.trim() || by.value.trim().length > 40)
    return ElMessage.error('A name of 1 to 40 letters stands beside each entry.')
  await preferences.choose('by', by.value.trim())
  ElMessage.success('This name stands beside what you log from now on.')
}
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
    <div class="halves">
      <BackupPanel />
      <KeepingPanel />
      <TakeInPanel @report="(text) => (report = text)" />
      <section class="sheet">
        <h2>Demo</h2>
        <p>
          Brackwater Pepper Loft is invented: a dozen jars, three sauces, one recall. It stands beside your own log and
          is taken out without touching it.
        </p>
        <div class="row">
          <el-button :loading="busy" @click="putDemo">{{
            book.hasDemo ? 'Load it afresh' : 'Load the demo'
          }}</el-button><el-button :disabled="!book.hasDemo" :loading="busy" @click="takeDemo">Take it out</el-button>
        </div>
      </section>
      <KitPanel />
      <section class="sheet">
        <h2>At this bench</h2>
        <form class="row" novalidate @submit.prevent="sign">
          <WordField v-model="by" label="Your name in the log" /><el-button native-type="submit" class="low"
            >Keep it</el-button
          >
        </form>
        <div>
          <span class="field-label">Units</span
          ><el-radio-group
            :model-value="preferences.world"
            aria-label="Units"
            @update:model-value="(value) => preferences.chooseWorld(value as 'metric' | 'us')"
            ><el-radio-button value="metric">g, mL, °C</el-radio-button
            ><el-radio-button value="us">oz, cups, °F</el-radio-button></el-radio-group
          >
        </div>
        <div>
          <span class="field-label">Light</span
          ><el-radio-group
            :model-value="preferences.theme"
            aria-label="Light"
            @update:model-value="(value) => preferences.choose('theme', value as 'auto' | 'light' | 'dark')"
            ><el-radio-button value="auto">As the system</el-radio-button
            ><el-radio-button value="light">Light</el-radio-button
            ><el-radio-button value="dark">Dark</el-radio-button></el-radio-group
          >
        </div>
      </section>
    </div>
    <section v-if="latest.length" class="sheet" aria-label="Latest in the log">
      <h2>Latest in the log</h2>
      <table class="plain">
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
              <span class="code">{{ lot?.code ?? '–' }}</span>
            </td>
            <td>
              {{ entryWords(entry, preferences.world) }}
              <span v-if="hasUnknown(entry)" class="muted small">(more from a newer version)</span>
            </td>
          </tr>
        </tbody>
      </table>
    </section>
  </div>
</template>

<style scoped>
.halves {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: var(--s5);
  align-items: start;
}
.low {
  margin-top: 26px;
}
.when {
  white-space: nowrap;
}
</style>
