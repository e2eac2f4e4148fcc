<script setup lang="ts">
import { computed } from 'vue'
import { cautionsFor, chainOf, dayOf, hasHoney, isMeter, isRefill, propertiesOf, styleById } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { usePrinting } from '~/composables/usePrinting'
import { useBook } from '~/stores/book'
import { usePractice } from '~/stores/practice'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const practice = usePractice()
const route = useRoute()
const printing = usePrinting()
const lot = computed(() => book.lot(String(route.params.id)))
const plan = computed(() => (lot.value?.made.kind === 'plan' ? lot.value.made : null))
const stand = computed(() => (lot.value ? book.judgementOf(lot.value) : null))
const figures = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  return composition ? propertiesOf(composition) : null
})
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
  if (!plan.value) return
  // One version taken back would bring back the one before it.
  const versions = chainOf(book.entries ?? [plan.value], plan.value)
  const at = nowMoment()
  const drafts = versions.map(({ id }) => ({ kind: 'retract' as const, at, replaces: id, reason: 'Plan dropped.' }))
  if (await record(...drafts)) await router.push('/plan')
}
/** A lot that is behind: another like it may be rehearsed. */
const offersTwin = computed(
  () =>
    !practice.on &&
    lot.value?.state === 'fermenting' &&
    (stand.value?.reasons.some(({ code }) => code === 'behind' || code === 'behind the forecast') ?? false),
)
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
    <BatchPaper v-if="printing" :lot="lot" />
    <LotHeading :lot="lot" :note="standsWords" />
    <NotSettled :lot-id="lot.id" />
    <div class="lot">
      <div v-if="lot.packed && lot.vessels.length" class="left">
        <LotJar class="its-jar" :lot="lot" />
        <CautionList class="warned" :cautions="cautions" />
      </div>
      <div class="middle">
        <LazyAtTheJar v-if="practice.on && lot.state === 'fermenting' && lot.packed" :key="lot.id" :lot="lot" />
        <section v-if="lot.state === 'discarded'" class="sheet">
          <p><StateMark level="discard" word="Discarded" /> {{ lot.discarded?.reason }}</p>
          <PhotoStrip v-if="lot.discarded?.photos" :ids="lot.discarded.photos" />
        </section>
        <section v-else-if="stand" class="sheet standing" aria-label="Where it stands">
          <StandLine :judgement="stand" large />
          <NuxtLink
            v-if="lot.state === 'fermenting' && mayPress"
            :to="`/press?lot=${lot.id}`"
            :class="['next', { first: stand.state === 'ready' }]"
            >Press it</NuxtLink
          >
          <LazyRehearseTwin v-if="offersTwin" :lot="lot" />
        </section>
        <section v-else-if="!lot.packed && lot.leftG > 0" class="sheet standing" aria-label="Where it stands">
          <p class="sentence">{{ plannedWords }}</p>
          <NuxtLink :to="plan.bowl && lot.weighed ? `/split/${lot.id}` : `/weigh/${lot.id}`" class="next first">{{
            plan.bowl && lot.weighed ? 'Split it into jars' : 'Weigh it in'
          }}</NuxtLink>
          <div v-if="lot.usedG === 0"><el-button text :loading="busy" @click="drop">Drop this plan</el-button></div>
        </section>
        <CautionList v-if="!lot.packed || !lot.vessels.length" :cautions="cautions" />
        <section v-if="lot.packed" class="sheet chart">
          <InTurn><LotForecast :key="lot.id" :lot="lot" :stand="stand" :salt-pct="figures?.saltPct ?? 3" /></InTurn>
        </section>
      </div>
      <div class="right">
        <InTurn
          ><section v-if="lot.state === 'fermenting' && meter" class="sheet read">
            <h2>Read it</h2>
            <ReadingForm :key="lot.id" :lot="lot" /></section
        ></InTurn>
        <InTurn><LotSenses v-if="senses" class="senses" :lot="lot" :stand="stand" /></InTurn>
        <InTurn
          ><section v-if="lot.state === 'fermenting' && !meter" class="sheet read">
            <h2>Read it</h2>
            <ReadingForm :key="lot.id" :lot="lot" /></section
        ></InTurn>
        <InTurn><LotFigures class="figures" :lot="lot" :stand="stand" /></InTurn>
        <section v-if="style?.refills && lot.state === 'fermenting' && !isRefill(book.book, lot)" class="sheet">
          <RefillForm :lot="lot" />
        </section>
      </div>
      <div class="below">
        <InTurn
          ><LotActions v-if="lot.packed || lot.state === 'planned'" :key="lot.id" :lot="lot" :stand="stand"
        /></InTurn>
        <ul v-if="style && lot.state === 'fermenting'" class="plain-list own">
          <li v-for="caution in style.cautions" :key="caution" class="small muted">{{ caution }}</li>
        </ul>
        <InTurn
          ><section class="sheet log"><LotLog :lot="lot" /></section
        ></InTurn>
      </div>
    </div>
  </div>
</template>

<style scoped>
/* Its jar, where it stands with its chart, all else under both; what is read beside them. */
.lot {
  display: grid;
  grid-template: 'left middle right' auto 'below below right' 1fr / 190px minmax(0, 1fr) minmax(300px, 350px);
  gap: var(--s4) var(--s5);
  align-items: start;
}
.lot:not(:has(> .left)) {
  grid-template: 'middle right' auto 'below right' 1fr / minmax(0, 1fr) minmax(300px, 400px);
}
.left {
  grid-area: left;
}
.left,
.middle,
.right,
.below {
  display: grid;
  gap: var(--s4);
  align-content: start;
  min-width: 0;
}
.middle {
  grid-area: middle;
}
.right {
  grid-area: right;
}
.below {
  grid-area: below;
}
@media (max-width: 1100px) {
  .lot {
    grid-template: 'left middle' auto 'right middle' auto 'below below' auto / minmax(260px, 300px) minmax(0, 1fr);
  }
}
/* On a phone: the verdict, the next step, the chart, the reading, in that order. */
@media (max-width: 900px) {
  .lot,
  .lot:not(:has(> .left)) {
    display: flex;
    flex-direction: column;
    align-items: stretch;
  }
  .left,
  .middle {
    display: contents;
  }
  .warned {
    order: 1;
  }
  .chart {
    order: 2;
  }
  .right {
    order: 3;
  }
  .its-jar {
    order: 4;
  }
  .below {
    order: 5;
  }
}
.standing {
  grid-template-columns: 1fr auto;
  align-items: center;
}
.sentence {
  font-size: 20px;
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
