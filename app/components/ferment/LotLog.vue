<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  entryWords,
  factsOf,
  hasUnknown,
  isReversible,
  readField,
  InvalidInput,
  photosOf,
  type EntryOf,
  type Lot,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { shortMoment } from '~/clock/moments'
import { useRecorder } from '~/composables/useRecorder'
import { usePreferences } from '~/stores/preferences'

/**
 * All that was said of a lot, newest first. A wrong line is corrected or taken back by a new entry; nothing is
 * erased.
 */
const { lot } = defineProps<{ lot: Lot }>()
const { record } = useRecorder('The log is as it was; try again.')
const preferences = usePreferences()
const lines = computed(() => [...lot.entries].reverse())
const editing = ref<EntryOf<'reading'> | null>(null)
const typed = ref('')
const problem = ref('')

function edit(entry: EntryOf<'reading'>) {
  editing.value = entry
  typed.value = entry.ph?.toFixed(2) ?? ''
  problem.value = ''
}
async function correct() {
  const entry = editing.value
  if (!entry) return
  let ph: number
  try {
    ph = readField(typed.value, 'ph')
  } catch (error) {
    if (!(error instanceof InvalidInput)) throw error
    problem.value = error.message
    return
  }
  if (await record({ ...factsOf(entry), ph, replaces: entry.id })) editing.value = null
}
const takeBack = (replaces: string) =>
  record({ kind: 'retract', at: nowMoment(), replaces, reason: 'Taken back by hand.' })
</script>

<template>
  <section aria-label="Log">
    <h2>Log</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>When</th>
          <th>Who</th>
          <th>What</th>
          <th><span class="visually-hidden">Correct</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="entry in lines" :key="entry.id">
          <td class="small when">{{ shortMoment(entry.at) }}</td>
          <td class="small">{{ entry.by }}</td>
          <td>
            {{ entryWords(entry, preferences.world) }}<span v-if="entry.replaces" class="muted small"> (corrected)</span
            ><span v-if="hasUnknown(entry)" class="muted small"> (more from a newer version)</span>
            <PhotoStrip v-if="photosOf(entry).length" :ids="photosOf(entry)" />
            <form v-if="editing?.id === entry.id" class="row" novalidate @submit.prevent="correct">
              <label
                >pH <input v-model="typed" class="correction" inputmode="decimal" :aria-invalid="problem !== ''"
              /></label>
              <el-button type="primary" native-type="submit">Correct it</el-button
              ><el-button @click="editing = null">Leave it</el-button>
              <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
            </form>
          </td>
          <td class="acts">
            <el-button v-if="entry.kind === 'reading' && entry.ph !== undefined" text @click="edit(entry)"
              >Correct</el-button
            >
            <el-button v-if="isReversible(entry)" text @click="takeBack(entry.id)">{{
              entry.replaces ? 'Take the correction back' : 'Take back'
            }}</el-button>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.when {
  white-space: nowrap;
}
.acts {
  text-align: right;
  white-space: nowrap;
}
.acts .el-button {
  min-height: var(--touch);
  white-space: nowrap;
  padding: 0 var(--s2);
  color: var(--muted);
}
.correction {
  width: 90px;
  min-height: var(--touch);
  border: 1px solid var(--outline);
  border-radius: var(--radius);
  padding: 0 var(--s2);
  font-size: 16px;
  background: var(--surface);
  color: var(--ink);
}
.row {
  align-items: center;
  margin-top: var(--s2);
}
@media (max-width: 700px) {
  th:nth-child(2),
  td:nth-child(2) {
    display: none;
  }
  .acts {
    white-space: normal;
  }
  thead {
    display: none;
  }
  table,
  tbody {
    display: block;
  }
  tbody tr {
    display: grid;
    grid-template-columns: 108px 1fr;
    border-bottom: 1px solid var(--line);
    padding: var(--s1) 0;
  }
  tbody td {
    border: 0;
    padding: 2px var(--s2);
  }
  .acts {
    grid-column: 2;
    text-align: left;
  }
  .acts .el-button:first-child {
    padding-left: 0;
  }
}
</style>
