<script setup lang="ts">
import { computed } from 'vue'
import { say } from '~/composables/say'
import { LABEL_PICKS, type LabelPick } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { fullDay } from '~/clock/moments'
import { pagesFor, SHEETS, type SheetId } from '~/labels/sheets'
import { useLabel } from '~/composables/useLabel'
import { usePaper } from '~/composables/usePaper'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'

/** The label of a bottled lot: from the log, with what the maker picks; seen as it prints. */
const book = useBook()
const route = useRoute()
const id = String(route.params.id)
const lot = computed(() => book.lot(id))
const { choice, own, text, set, claims, problems, stops, basis, toPrint, made } = useLabel(lot, id)
const stand = computed(() => lot.value && book.judgementOf(lot.value))
const { busy: recording, record } = useRecorder('The labels are printed; write it down again.')
const { busy, give } = usePaper()
const count = computed(() => own.value.count ?? made.value?.count ?? 1)
const WORDS: Record<LabelPick, string> = {
  contains: '“Contains” line',
  packed: 'day packed',
  bestBefore: 'best before',
  storage: 'how to store',
  salt: 'salt per 100 g',
  heat: 'heat word',
  shu: 'heat range',
  address: 'address',
  code: 'code to scan',
}
const sheets = Object.entries(SHEETS).map(([value, { name }]) => ({ value: value as SheetId, label: name }))
/** What was printed last says something else. */
const stale = computed(() => {
  const last = lot.value?.printed.at(-1)
  return last && last.basis !== basis.value ? last : null
})
async function written(byHand: boolean) {
  return record({
    kind: 'printed',
    at: nowMoment(),
    lotId: id,
    count: count.value,
    size: byHand ? 'by hand' : SHEETS[choice.value.sheet].name,
    text: text.value.slice(0, 8000),
    basis: basis.value.slice(0, 8000),
    ...(byHand && { byHand: true }),
  })
}
async function print(event: Event) {
  if (leadToProblem((event.currentTarget as HTMLElement).closest('form')) || stops.value || !lot.value) return
  if (await give(`labels-${lot.value.code}`, () => toPrint(count.value))) await written(false)
}
async function byHand() {
  if (await written(true)) say.done('Written down: labels by hand, with what they have to say.')
}
const pagesWords = computed(() => {
  const pages = pagesFor(count.value, choice.value.sheet)
  return `${pages} ${pages === 1 ? 'page' : 'pages'}`
})
</script>

<template>
  <div v-if="!lot || !made" class="page">
    <p class="sheet">
      {{ book.ready ? 'These bottles are not in the log.' : 'Opening the log …' }}
      <NuxtLink to="/bottle">Bottle</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <header>
      <h1>Label: <span class="code">{{ lot.code }}</span> {{ lot.name }}</h1>
      <p>{{ made.count }} bottles of {{ made.bottleMl }} mL. <NuxtLink :to="`/release/${lot.id}`">Release</NuxtLink></p>
    </header>
    <div class="split">
      <form class="stack" novalidate aria-label="Label" @submit.prevent="print">
        <section v-if="stand && stand.make === 'stop'" class="sheet"><StandLine :judgement="stand" /></section>
        <section class="sheet">
          <h2>As it prints</h2>
          <LabelPreview v-if="set" :layout="set.layout" :code="set.code" :text="text" />
          <p v-else-if="problems.length === 0" class="muted">Setting it …</p>
          <p v-for="problem in problems" :key="problem" class="problem" role="alert">{{ problem }}</p>
          <p v-for="claim in claims" :key="claim.phrase" class="claim" role="alert" data-claim>
            <StateMark level="act" word="Look at this" /> “{{ claim.phrase }}” {{ claim.because }}. Most places forbid
            it, or want proof first: ask before you print.
          </p>
          <p v-if="stale" class="problem">
            What was printed on {{ fullDay(stale.at) }} is no longer true: something in it was corrected. Print again,
            and take the old ones off.
          </p>
          <p v-if="set" class="small muted">
            Small print at {{ set.layout.size.toFixed(1) }} pt. Rules for labels differ by place: what must stand there,
            and how large, your office says.
          </p>
          <InTurn
            ><div class="row">
              <div class="count">
                <QuantityField
                  v-model="own.count"
                  kind="count"
                  label="How many"
                  :limits="{ low: 1, high: 5000 }"
                  :placeholder="String(made.count)"
                  optional
                  :hint="pagesWords"
                />
              </div>
              <el-button class="low" type="primary" native-type="submit" :loading="busy" :disabled="stops"
                >Labels as PDF</el-button
              >
              <el-button class="low" :loading="recording" @click="byHand">I wrote them by hand</el-button>
            </div></InTurn
          >
        </section>
        <details class="sheet disclose">
          <summary>What it says, as text</summary>
          <pre data-figure="label-text">{{ text }}</pre>
        </details>
      </form>
      <aside class="sheet" aria-label="What stands on it">
        <h2>What stands on it</h2>
        <InTurn
          ><WordField
            v-model="own.name"
            label="Name on the label"
            :placeholder="lot.name"
            hint="empty: the lot’s name" />
          <WordField v-model="choice.line" label="A line under it" placeholder="Fermented red pepper sauce" />
          <PickField v-model="choice.sheet" label="Label size" :options="sheets"
        /></InTurn>
        <InTurn
          ><div>
            <label class="field-label" for="address">Address lines</label
            ><el-input
              id="address"
              v-model="choice.address"
              type="textarea"
              :rows="3"
              maxlength="300"
              placeholder="Name&#10;Street, place"
            /></div
        ></InTurn>
        <InTurn
          ><fieldset>
            <legend class="field-label">Show</legend>
            <el-checkbox-group v-model="choice.picks"
              ><el-checkbox v-for="pick in LABEL_PICKS" :key="pick" :value="pick">{{
                WORDS[pick]
              }}</el-checkbox></el-checkbox-group
            >
          </fieldset>
          <el-checkbox v-model="choice.nested">Show bases as ingredients of their own, opened in brackets</el-checkbox>
          <p class="small muted">
            Name, net contents, ingredients by weight with allergens set strong, and the lot always stand there. They
            come from the log; a correction there changes them here.
          </p></InTurn
        >
      </aside>
    </div>
  </div>
</template>

<style scoped>
.count {
  width: 130px;
}
.claim {
  font-size: 15px;
}
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
}
.el-checkbox-group {
  display: grid;
  grid-template-columns: 1fr 1fr;
}
pre {
  white-space: pre-wrap;
  font: inherit;
  margin: 0;
}
</style>
