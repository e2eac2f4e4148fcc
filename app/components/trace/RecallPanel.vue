<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { epcisOf, formatNumber, type Draft, type Recall } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { fullDay } from '~/clock/moments'
import { saveFile } from '~/composables/saveFile'
import { useForm } from '~/composables/useForm'
import { usePaper } from '~/composables/usePaper'
import { useBook } from '~/stores/book'

/**
 * Where every bottle is that holds some of a lot: made, here, out, and whether it adds up; the exercise of it, its
 * paper, its file.
 */
const { recall } = defineProps<{ recall: Recall }>()
const book = useBook()
const { form, busy, confirm, reset } = useForm({
  fresh: () => ({ found: null as number | null, minutes: null as number | null, note: '' }),
  problems: () => ({}),
})
const { busy: making, give } = usePaper()
const name = computed(() => `recall-${recall.lot.code}`)
const share = (pct: number) => (pct >= 99.95 ? 'all of it' : `${formatNumber(pct, pct < 10 ? 1 : 0)} %`)
const HOW = { sold: 'sold', given: 'given away', used: 'used', broken: 'broken' } as const
function draft(exercise: boolean): Draft {
  const { lot, made, here, retained, out } = recall
  const { found, minutes, note } = form.value
  return {
    ...{ kind: 'recall', at: nowMoment(), lotId: lot.id, exercise, made, here: here + retained, out },
    ...(found !== null && { found }),
    ...(minutes !== null && { minutes }),
    ...(note.trim() && { note: note.trim() }),
  }
}
async function write(exercise: boolean, event: Event) {
  if (!(await confirm(event, () => [draft(exercise)]))) return
  say.done('It stands in the log.')
  reset()
}
const paper = () => give(name.value, () => ({ kind: 'recall', recall, nowMs: book.nowMs }))
function file() {
  const document = epcisOf(book.book, recall.lot.id, nowMoment())
  if (document)
    saveFile(
      new Blob([JSON.stringify(document, null, 1)], { type: 'application/ld+json' }),
      `${name.value}-epcis.jsonld`,
    )
}
const countProblem = computed(() =>
  recall.short ? `${recall.short} more left than there were: a count is wrong` : 'The counts do not add up',
)
/** Where the bottles of a run stand that are still here. */
function hereWords({ lot: { bottles }, retained }: Recall['runs'][number]): string {
  const here = (bottles?.places ?? []).map(({ place, count }) => `${count} at ${place}`)
  return [...here, ...(retained ? [`${retained} kept as a sample`] : [])].join(', ') || 'none here'
}
</script>

<template>
  <section class="sheet" aria-label="Recall">
    <h2>If it had to come back</h2>
    <p v-if="recall.runs.length === 0">No bottle holds any of this yet.</p>
    <template v-else>
      <dl class="counts" data-figure="recall-counts">
        <div>
          <dt>made</dt>
          <dd class="figure">{{ recall.made }}</dd>
        </div>
        <div>
          <dt>here</dt>
          <dd class="figure">{{ recall.here }}</dd>
        </div>
        <div>
          <dt>samples</dt>
          <dd class="figure">{{ recall.retained }}</dd>
        </div>
        <div>
          <dt>out</dt>
          <dd class="figure">{{ recall.out }}</dd>
        </div>
        <div v-if="recall.discarded">
          <dt>thrown away</dt>
          <dd class="figure">{{ recall.discarded }}</dd>
        </div>
        <div v-if="recall.short">
          <dt>too many out</dt>
          <dd class="figure problem">{{ recall.short }}</dd>
        </div>
      </dl>
      <p>
        <StateMark
          v-if="recall.adds && recall.short === 0"
          level="fine"
          word="Every bottle is accounted for"
        /><StateMark v-else level="act" :word="countProblem" />
      </p>
      <div class="sideways">
        <table class="plain">
          <thead>
            <tr>
              <th>Bottles</th>
              <th class="number">Holds of it</th>
              <th class="number">Made</th>
              <th>Where</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="run in recall.runs" :key="run.lot.id" :data-run="run.lot.code">
              <td>
                <NuxtLink :to="{ path: '/cellar', query: { lot: run.lot.id } }"
                  ><span class="code">{{ run.lot.code }}</span></NuxtLink
                >
                {{ run.lot.name }}
              </td>
              <td class="number">{{ share(run.sharePct) }}</td>
              <td class="number">{{ run.made }}</td>
              <td class="small">{{ hereWords(run) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div v-if="recall.to.length" class="sideways">
        <table class="plain">
          <thead>
            <tr>
              <th>Went to</th>
              <th>How</th>
              <th class="number">Bottles</th>
              <th class="number">Last</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in recall.to" :key="`${one.how} ${one.to}`">
              <td>{{ one.to }}</td>
              <td>{{ HOW[one.how] }}</td>
              <td class="number">
                <strong>{{ one.count }}</strong>
              </td>
              <td class="number">{{ fullDay(one.lastMs) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
    <p v-if="recall.stock.length">
      Also holding some:
      <template v-for="(one, index) in recall.stock" :key="one.lot.id"
        >{{ index ? '; ' : '' }}<span class="code">{{ one.lot.code }}</span> {{ one.lot.name }},
        <MassText :mass-g="one.leftG" /> ({{ share(one.sharePct) }})</template
      >.
    </p>
    <div class="row">
      <el-button type="primary" :loading="making" @click="paper">Recall sheet, PDF</el-button
      ><el-button @click="file">Trace file</el-button>
    </div>
    <form
      v-if="recall.runs.length"
      class="stack"
      novalidate
      aria-label="Recall exercise"
      @submit.prevent="(event) => write(true, event)"
    >
      <h3>Try it out</h3>
      <p class="small muted">
        Go and count: how many of these bottles can you lay a hand on, or name who has them? Once a year is common
        practice.
      </p>
      <div class="fields">
        <QuantityField
          v-model="form.found"
          kind="count"
          label="Found"
          :limits="{ low: 0, high: 100000 }"
          optional
          :hint="`of ${recall.made + recall.short}`"
        /><QuantityField
          v-model="form.minutes"
          kind="count"
          label="Minutes it took"
          :limits="{ low: 0, high: 100000 }"
          optional
        /><WordField v-model="form.note" label="Note" />
      </div>
      <div class="row">
        <el-button native-type="submit" :loading="busy">Record the exercise</el-button
        ><el-button text :loading="busy" @click="(event) => write(false, event)"
          >This is no exercise: record the recall</el-button
        >
      </div>
    </form>
  </section>
</template>

<style scoped>
.counts {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s3) var(--s6);
  margin: 0;
}
.counts div {
  display: grid;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
}
dd.problem {
  font-size: 26px;
  margin: 0;
}
</style>
