<script setup lang="ts">
import { computed, ref } from 'vue'
import {
  cautionsFor,
  dayOf,
  formatNumber,
  formatShu,
  historyOf,
  isRefill,
  measuredPhs,
  phsOf,
  propertiesOf,
  saltAt,
  styleById,
} from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRecorder } from '~/composables/useRecorder'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const lot = computed(() => book.lot(String(route.params.id)))
const plan = computed(() => (lot.value?.made.kind === 'plan' ? lot.value.made : null))
const stand = computed(() => (lot.value ? book.standing(lot.value) : null))
const figures = computed(() => {
  const composition = lot.value && book.composition(lot.value.id)
  return composition ? propertiesOf(composition) : null
})
/** Between what the salt lies where not all was weighed; `null` where it was, or was read. */
const saltBetween = computed(() => {
  const salt = lot.value && saltAt(historyOf(book.book, lot.value), book.nowMs)
  if (!salt || salt.highPct - salt.lowPct < 0.05 || salt.lowPct === salt.saltPct) return null
  return `${formatNumber(salt.lowPct, 1)}–${formatNumber(salt.highPct, 1)}`
})
const saltFix = ref(false)
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
/** The first reading of the same kind of sample as the newest: liquid and pieces are two things. */
const firstPh = computed(() => {
  const read = lot.value ? phsOf(book.book, lot.value) : []
  return read.find(({ of }) => of === read.at(-1)?.of)?.ph
})
const lastPh = computed(() => lot.value && measuredPhs(lot.value).at(-1)?.ph)
const cautions = computed(() =>
  lot.value && lot.value.state === 'fermenting'
    ? cautionsFor('ferment', {
        aboveLine: stand.value?.passed === false,
        closed: lot.value.packed?.closure === 'tight lid',
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
          <StandLine :standing="stand" />
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
        <section v-if="figures" class="sheet" aria-label="What is in it">
          <dl>
            <div>
              <dt>pH</dt>
              <dd class="figure acid" data-figure="ph">{{ lastPh === undefined ? '–' : lastPh.toFixed(2) }}</dd>
            </div>
            <div>
              <dt>Salt</dt>
              <dd class="figure salt" data-figure="salt">{{ figures.saltPct.toFixed(2) }} %</dd>
              <dd v-if="saltBetween" class="small muted" data-figure="salt-range">
                {{ saltBetween }} % by spoon and cup; measured, it is known
              </dd>
            </div>
            <div class="wide">
              <dt>Heat</dt>
              <dd>
                <strong class="heat">{{ formatShu(figures.shu) }}</strong>
                {{ preferences.heatWord(figures) }}
              </dd>
            </div>
            <div class="wide">
              <dt>Amount</dt>
              <dd>
                <MassText :mass-g="lot.leftG" /><template v-if="lot.usedG">
                  left of <MassText :mass-g="lot.madeG"
                /></template>
              </dd>
            </div>
          </dl>
          <template v-if="lastPh !== undefined">
            <SourRuler :ph="lastPh" />
            <SourDifference v-if="firstPh !== lastPh" :from="firstPh ?? lastPh" :to="lastPh" />
          </template>
        </section>
        <section v-if="lot.state === 'fermenting'" class="sheet">
          <h2>Read it</h2>
          <ReadingForm :key="lot.id" :lot="lot" /><LoggerImport :lot="lot" />
        </section>
        <section v-if="style?.refills && lot.state === 'fermenting' && !isRefill(lot)" class="sheet">
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
dl {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: var(--s3);
  margin: 0;
}
dt {
  color: var(--muted);
  font-size: 14px;
}
dd {
  margin: 0;
}
.wide {
  grid-column: 1 / -1;
}
.acid {
  color: var(--acid);
}
.salt {
  color: var(--salt);
}
.heat {
  color: var(--heat);
}
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
