<script setup lang="ts">
import { computed, ref } from 'vue'
import { cautionsFor, dayOf, hasHoney, isMeter, isRefill, propertiesOf, styleById } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const lot = computed(() => book.lot(String(route.params.id)))
const plan = computed(() => (lot.value?.made.kind === 'plan' ? lot.value.made : null))
const stand = computed(() => (lot.value ? book.judgementOf(lot.value) : null))
const figures = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  return composition ? propertiesOf(composition) : null
})
const saltFix = ref(false)
/** Eyes and tongue come before a reading where there is no meter, else after it. */
const meter = computed(() => isMeter(preferences.kit))
const senses = computed(() => lot.value?.state === 'fermenting' && style.value?.judgedBy === 'acid')
const style = computed(() => (plan.value ? styleById(plan.value.style) : null))
/** Nothing stops it where it stands. */
const mayPress = computed(() => stand.value !== null && stand.value.make !== 'stop')
const { busy, record } = useRecorder('The plan is still there; try again.')
const router = useRouter()
/** Takes a plan back that was never packed; what was said of it stays in the log. */
async function drop() {
  const id = plan.value?.id
  if (id && (await record({ kind: 'retract', at: nowMoment(), replaces: id, reason: 'Plan dropped.' })))
    await router.push('/plan')
}
const cautions = computed(() =>
  lot.value && lot.value.state === 'fermenting'
    ? cautionsFor('ferment', {
        aboveLine: stand.value?.passed === false,
        closed: lot.value.packed?.closure === 'tight lid',
        honey: hasHoney(book.book, lot.value),
        doubtful: stand.value?.reasons.some(({ code }) => code === 'open sign' || code === 'bad sign') ?? false,
        vessels: book.fermenting.reduce(
          (sum, { place, vessels }) => (place === lot.value?.place ? sum + vessels.length : sum),
          0,
        ),
      })
    : [],
)
const standsWords = computed(() =>
  lot.value?.packed
    ? `day ${dayOf(lot.value, book.nowMs)}, ${lot.value.place}, ${lot.value.packed.called ?? lot.value.packed.closure}`
    : 'planned, not packed',
)
const plannedWords = computed(() =>
  plan.value?.bowl && lot.value?.weighed ? 'Mixed in one bowl, not split yet.' : 'Planned; nothing is in a vessel yet.',
)
</script>

<template>
  <div v-if="!lot || !plan" class="page">
    <h1>No such lot</h1>
    <p>
      It may be in another browser’s log, or in the demo that was taken out.
      <NuxtLink to="/ferment">All ferments</NuxtLink>
    </p>
  </div>
  <div v-else class="page">
    <LotHeading :lot="lot" :note="standsWords" />
    <div class="split">
      <div class="stack main">
        <section v-if="lot.state === 'discarded'" class="sheet">
          <p><StateMark level="discard" word="Discarded" /> {{ lot.discarded?.reason }}</p>
          <PhotoStrip v-if="lot.discarded?.photos" :ids="lot.discarded.photos" />
        </section>
        <section v-else-if="stand" class="sheet standing" aria-label="Where it stands">
          <StandLine :judgement="stand" />
          <NuxtLink
            v-if="lot.state === 'fermenting' && mayPress"
            :to="`/press?lot=${lot.id}`"
            :class="['next', { first: stand.state === 'ready' }]"
            >Press it</NuxtLink
          >
        </section>
        <section v-else-if="!lot.packed && lot.leftG > 0" class="sheet standing" aria-label="Where it stands">
          <p class="sentence">{{ plannedWords }}</p>
          <NuxtLink :to="plan.bowl && lot.weighed ? `/split/${lot.id}` : `/weigh/${lot.id}`" class="next first">{{
            plan.bowl && lot.weighed ? 'Split it into jars' : 'Weigh it in'
          }}</NuxtLink>
          <div v-if="lot.usedG === 0"><el-button text :loading="busy" @click="drop">Drop this plan</el-button></div>
        </section>
        <CautionList :cautions="cautions" />
        <ul v-if="style && lot.state === 'fermenting'" class="plain-list own">
          <li v-for="caution in style.cautions" :key="caution" class="small muted">{{ caution }}</li>
        </ul>
        <section v-if="lot.packed" class="sheet chart">
          <LotForecast :key="lot.id" :lot="lot" :stand="stand" :salt-pct="figures?.saltPct ?? 3" />
        </section>
        <section class="sheet log"><LotLog :lot="lot" /></section>
      </div>
      <div class="stack">
        <LotFigures :lot="lot" :stand="stand" />
        <LotSenses v-if="senses && !meter" :lot="lot" :stand="stand" />
        <section v-if="lot.state === 'fermenting'" class="sheet">
          <h2>Read it</h2>
          <ReadingForm :key="lot.id" :lot="lot" /><LoggerImport :lot="lot" />
        </section>
        <LotSenses v-if="senses && meter" :lot="lot" :stand="stand" />
        <section v-if="style?.refills && lot.state === 'fermenting' && !isRefill(book.book, lot)" class="sheet">
          <RefillForm :lot="lot" />
        </section>
        <section v-if="lot.state === 'fermenting'" class="sheet"><LotActions :lot="lot" :stand="stand" /></section>
        <section v-if="lot.packed || lot.state === 'planned'" class="sheet">
          <LotPaper :lot="lot" />
          <div v-if="lot.state === 'fermenting' && style?.saltPct">
            <el-button @click="saltFix = true">Salted wrong?</el-button><SaltFix v-model="saltFix" :lot="lot" />
          </div>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
@media (max-width: 900px) {
  .split {
    display: flex;
    flex-direction: column;
    align-items: stretch;
    gap: var(--s4);
  }
  .stack {
    display: contents;
  }
  .chart {
    order: 2;
  }
  .log {
    order: 3;
  }
  .stack:not(.main) > * {
    order: 1;
  }
}
.standing {
  grid-template-columns: 1fr auto;
  align-items: center;
}
.sentence {
  font-size: 17px;
}
.next {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--bottle);
  border-radius: var(--radius);
  font-weight: 700;
  text-decoration: none;
}
.first {
  background: var(--bottle);
  color: var(--on-action);
}
.own {
  display: grid;
  gap: var(--s1);
  border-left: 3px solid var(--line);
  padding-left: var(--s3);
}
</style>
