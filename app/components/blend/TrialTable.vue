<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { forecastBlend, formatNumber, massesOfTrial, sourerWords, tasteWords, type EntryOf } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { scaleParts, setMasses, totalOf, type SauceForm } from '~/forms/blendForm'
import { bandWords } from '~/words/limitWords'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** Trials side by side, and the one to go on with. */
const sauce = defineModel<SauceForm>('sauce', { required: true })
const { trials } = defineProps<{ trials: readonly EntryOf<'trial'>[] }>()
const book = useBook()
const { busy, record } = useRecorder('The trial is still here; try again.')

const sumG = (parts: EntryOf<'trial'>['parts']) => parts.reduce((sum, { massG }) => sum + massG, 0)
/** Everything that any trial held, in the order of the pot. */
const nameOf = ({ name, preparation }: EntryOf<'trial'>['parts'][number]) =>
  preparation ? `${name}, ${preparation}` : name
const names = computed(() => [...new Set(trials.flatMap((trial) => trial.parts.map(nameOf)))])
const shareIn = ({ parts }: EntryOf<'trial'>, name: string) =>
  (100 * sumG(parts.filter((part) => nameOf(part) === name))) / sumG(parts)
/** What the bench says now of what stood in a trial. */
const nowOf = (trial: EntryOf<'trial'>) =>
  forecastBlend(trial.parts.flatMap((part) => book.part(part, sauce.value.id) ?? [])).ph
/** A trial that was weighed or read wrong: forgotten, with what it taught; what it took of the jars is there again. */
const takeBack = (trial: EntryOf<'trial'>) =>
  record({ kind: 'retract', at: nowMoment(), replaces: trial.id, reason: 'Trial taken back.' })
/** Puts the shares of a trial on the bench, as much as there was in the pot. */
function choose(trial: EntryOf<'trial'>) {
  const total = totalOf(sauce.value) || 1000
  setMasses(sauce.value.parts, massesOfTrial(sauce.value.parts, trial.parts))
  scaleParts(sauce.value.parts, total)
  say.done(`${trial.name} is on the bench, scaled to what was in the pot.`)
}
/** Taste and note of a trial, in one line. */
const remarksOf = ({ taste, note }: EntryOf<'trial'>) =>
  [taste ? tasteWords(taste) : '', note ?? ''].filter(Boolean).join('; ') || '–'
</script>

<template>
  <div class="sideways" data-trials>
    <h3>Trials side by side</h3>
    <table class="plain">
      <thead>
        <tr>
          <th />
          <th v-for="trial in trials" :key="trial.id" class="number">{{ trial.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="name in names" :key="name">
          <td>{{ name }}</td>
          <td v-for="trial in trials" :key="trial.id" class="number">{{ formatNumber(shareIn(trial, name), 1) }} %</td>
        </tr>
        <tr>
          <td>pH expected before</td>
          <td v-for="trial in trials" :key="trial.id" class="number">
            {{ trial.predictedPh?.typical.toFixed(2) ?? '–' }}
            <span class="small muted">{{ bandWords(trial.predictedPh) }}</span>
          </td>
        </tr>
        <tr>
          <td><strong>pH read</strong></td>
          <td v-for="trial in trials" :key="trial.id" class="number">
            <strong>{{ trial.ph?.toFixed(2) ?? '–' }}</strong>
            <span v-if="trial.ph !== undefined && trial.predictedPh" class="small muted">{{
              sourerWords(trial.predictedPh.typical, trial.ph)
            }}</span>
          </td>
        </tr>
        <tr>
          <td>the bench says now</td>
          <td v-for="trial in trials" :key="trial.id" class="number" data-figure="after">
            {{ nowOf(trial)?.typical.toFixed(2) ?? '–' }} <span class="small muted">{{ bandWords(nowOf(trial)) }}</span>
          </td>
        </tr>
        <tr>
          <td>salt measured</td>
          <td v-for="trial in trials" :key="trial.id" class="number">
            {{ trial.saltPct === undefined ? '–' : `${trial.saltPct} %` }}
          </td>
        </tr>
        <tr>
          <td>taste and note</td>
          <td v-for="trial in trials" :key="trial.id" class="small">{{ remarksOf(trial) }}</td>
        </tr>
        <tr>
          <td />
          <td v-for="trial in trials" :key="trial.id" class="number">
            <el-button @click="choose(trial)">Go on with it</el-button>{{ ' '
            }}<el-button text :loading="busy" @click="takeBack(trial)">Take it back</el-button>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
td.small {
  min-width: 140px;
}
</style>
