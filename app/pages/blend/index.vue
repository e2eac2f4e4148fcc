<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useElementVisibility } from '@vueuse/core'
import { ElMessage } from 'element-plus'
import IconPlus from '~icons/lucide/plus'
import {
  cautionsFor,
  formatMass,
  formatNumber,
  formatVolume,
  keepOutlook,
  LotCodeSchema,
  ofMaterial,
  PROPERTIES,
  valueOf,
  WARN_BAR,
  type Composition,
  type Lot,
} from '@lactofer/core'
import { totalOf, type PartForm } from '~/components/blend/blendForm'
import { headline } from '~/components/measure/rulers'
import { useBench } from '~/composables/useBench'
import { useRecorder } from '~/composables/useRecorder'
import { useSolver } from '~/composables/useSolver'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const router = useRouter()
const onBench = useBench()
const {
  bench,
  sauce,
  poured,
  forecast,
  bottles,
  live,
  cost,
  taken,
  remains,
  trials,
  question,
  addSauce,
  removeSauce,
  totalG,
} = onBench
const { answered, busy: solving, problem: solveProblem, placed, solve, undo, nearest, follow } = useSolver(onBench)
const asked = ref(false)
const { busy, record } = useRecorder('The bench is as you left it; try again.')

/** While the rulers are out of sight their figures ride along at the top. */
const rulersSeen = useElementVisibility(useTemplateRef('rulers'), { threshold: 0.6 })

const VIEWS = [
  { value: 'solve', label: 'Targets' },
  { value: 'trial', label: 'Trial' },
  { value: 'answers', label: 'Additions' },
  { value: 'sources', label: 'Origins' },
  { value: 'pulls', label: 'Trade-offs' },
  { value: 'ladder', label: 'Dilution' },
  { value: 'heat', label: 'Heat' },
  { value: 'keep', label: 'Keeping' },
] as const
type View = (typeof VIEWS)[number]['value']
const view = ref<View>('solve')

const water = computed(() => book.library.material('water'))
const additions = computed<{ name: string; composition: Composition }[]>(() => {
  const distinct = poured.value
    .filter(
      (part, index, all) => part.composition.waterG > 0 && all.findIndex((other) => other.name === part.name) === index,
    )
    .slice(0, 5)
  return distinct.some((part) => part.name === 'Water') || !water.value
    ? distinct
    : [...distinct, { name: 'Water', composition: ofMaterial(water.value, 100) }]
})
const lotOf = (part: PartForm) => (part.lotId ? book.lot(part.lotId) : undefined)
const colours = computed(() =>
  poured.value.map(({ key }) => {
    const part = sauce.value.parts.find((one) => one.key === key)
    return (part && lotOf(part)?.color) ?? book.library.material(part?.materialId ?? '')?.color ?? '#9aa58c'
  }),
)
const costs = computed(() =>
  sauce.value.parts.filter((part) => part.massG).map((part) => ({ name: part.name, cost: onBench.costOf(part) })),
)
const lots = computed(() => sauce.value.parts.flatMap((part) => lotOf(part) ?? []))
const brines = computed(() =>
  book.lots
    .filter(
      (lot) =>
        lot.state === 'in stock' &&
        (lot.kind === 'brine' ||
          (lot.kind === 'stock' && lot.made.kind === 'stock' && (lot.made.saltPct ?? 0) > 0 && !lot.made.materialId) ||
          (lot.made.kind === 'press' && lot.made.method === 'draw')),
    )
    .map(({ id, code, name }) => ({ id, name: `${code} ${name}` })),
)
const cautions = computed(() =>
  cautionsFor('blend', {
    hasHotPeppers: forecast.value.shu.high > 500,
    cooked: sauce.value.cooked,
    liveSugar: live.value && forecast.value.sugarPct.high > 0.3,
    allergens: forecast.value.composition.allergens,
    honey: sauce.value.parts.some((part) => part.materialId === 'honey' && (part.massG ?? 0) > 0),
    aboveLimit: (forecast.value.ph?.high ?? 0) > 4,
  }),
)
/** Fruit or sugar after fermenting is told before anybody pours. */
const sweetens = computed(
  () =>
    live.value &&
    poured.value.some(
      ({ composition }) => !composition.live && composition.sugarG.typical > 0.01 * forecast.value.massG,
    ),
)
const pressure = computed(() =>
  sweetens.value ? keepOutlook(forecast.value.composition).closed.find(({ tempC }) => tempC === 20) : undefined,
)

const suggestedCode = computed(() => book.nextCode('S', bench.value.at))
const code = computed(() => sauce.value.code.trim() || suggestedCode.value)
const missing = computed(() => sauce.value.parts.filter((part) => part.massG === null || (part.lotId && !lotOf(part))))
const short = computed(() =>
  sauce.value.parts.filter((part) => part.lotId && (part.massG ?? 0) > (lotOf(part)?.leftG ?? 0) + 0.5),
)
const unknown = computed(() =>
  sauce.value.parts.find((part) => part.massG && !poured.value.some(({ key }) => key === part.key)),
)
const problems = computed(() => {
  const parsed = LotCodeSchema.safeParse(code.value)
  return {
    name: sauce.value.name.trim()
      ? sauce.value.name.length > 80
        ? 'Keep the name under 80 characters.'
        : null
      : 'Give the sauce its name.',
    code: parsed.success
      ? book.codeTaken(code.value)
        ? 'This code is on another lot.'
        : null
      : (parsed.error.issues[0]?.message ?? null),
    parts:
      totalG.value <= 0
        ? 'Put something into the pot.'
        : missing.value.length
          ? 'A part has no weight, or its lot is gone. Weigh it or take it out.'
          : short.value.length
            ? `There is not enough ${short.value[0]?.name}.`
            : unknown.value
              ? `${unknown.value.name}: what it is made of is not known. Take it out.`
              : null,
  }
})
const shown = (problem: string | null) => (asked.value ? problem : null)
function valid(event: Event) {
  asked.value = true
  return !focusInvalid(event) && !Object.values(problems.value).some(Boolean)
}
async function confirm(event: Event) {
  if (!valid(event)) return
  const { id } = sauce.value
  if (!(await record(onBench.entryOf(sauce.value, sauce.value.parts, code.value)))) return
  removeSauce(bench.value.at)
  asked.value = false
  ElMessage.success('Blended. Read it now, and again in 24 hours.')
  await router.push(`/blend/${id}`)
}
async function weighIn(event: Event) {
  if (!valid(event)) return
  sauce.value.code = code.value
  // The bench is written down before the page at the scale reads it.
  await nextTick()
  await onBench.save()
  await router.push(`/pour/${sauce.value.id}`)
}
const sharedLots = computed(() => [...taken.value.keys()].flatMap((id) => book.lot(id) ?? []))
const seen = computed(
  () => `${bench.value.sauces.length > 1 ? `${bench.value.at + 1} of ${bench.value.sauces.length}` : ''}`,
)
/** What stays of a lot once every sauce has its share. */
function remainsWords({ id, leftG }: Lot): string {
  const restG = remains(id)
  if (restG < -0.5) return `${formatMass(-restG, preferences.world)} too much taken`
  return `${formatMass(Math.max(0, restG), preferences.world)} stay of ${formatMass(leftG, preferences.world)}`
}
/** Takes a piece of advice of an answer that was not possible. */
function followAdvice(index: number, all: boolean) {
  const answer = answered.value?.answer
  const advice = answer?.status === 'infeasible' ? answer.advice[index] : undefined
  if (advice) void follow(advice, all)
}
</script>

<template>
  <div class="page">
    <header class="top">
      <h1>Blend</h1>
      <p>Move a slider; every figure answers at once. Nothing is poured until you record it.</p>
      <div class="sauces" role="group" aria-label="Sauces on the bench">
        <button
          v-for="(one, index) in bench.sauces"
          :key="one.id"
          type="button"
          :aria-pressed="index === bench.at"
          @click="bench.at = index"
        >
          {{ one.name || `Sauce ${index + 1}` }}
          <span class="small muted">{{ formatMass(totalOf(one), preferences.world) }}</span>
        </button>
        <el-button v-if="bench.sauces.length < 8" text @click="addSauce(true)"
          ><IconPlus aria-hidden="true" /> Another sauce from this stock</el-button
        >
        <el-button v-if="bench.sauces.length > 1" text @click="removeSauce(bench.at)">Take this one off</el-button>
      </div>
    </header>
    <p v-if="bench.sauces.length > 1 && sharedLots.length" class="stock small" aria-label="What stays in stock">
      <span v-for="lot in sharedLots" :key="lot.id" :class="{ over: remains(lot.id) < -0.5 }"
        ><span class="code">{{ lot.code }}</span> {{ remainsWords(lot) }}</span
      >
    </p>
    <p v-if="forecast.massG" :class="['digest', { seen: rulersSeen }]" aria-hidden="true">
      <span v-for="property in PROPERTIES.slice(0, 4)" :key="property" :style="{ color: `var(--${property})` }">{{
        headline(property, valueOf(property, forecast))
      }}</span>
    </p>
    <div class="bench">
      <form class="stack" novalidate :aria-label="`Pot ${seen}`" @submit.prevent="confirm">
        <BlendParts v-model="sauce.parts" v-model:mode="bench.mode" :remains="remains" />
        <p v-if="shown(problems.parts)" class="problem" role="alert">{{ problems.parts }}</p>
        <section class="sheet">
          <div class="fields">
            <WordField
              v-model="sauce.name"
              label="Name of the sauce"
              placeholder="Quay Red"
              :problem="shown(problems.name)"
            />
            <WordField
              v-model="sauce.code"
              label="Lot code"
              :placeholder="suggestedCode"
              :problem="sauce.code || asked ? problems.code : null"
            />
            <div>
              <span class="field-label">Kept</span><el-checkbox v-model="sauce.cooked">It will be cooked</el-checkbox>
            </div>
          </div>
          <div v-if="!trials.length && totalG > 300" class="untried small">
            <p><StateMark level="ask" word="No trial yet" /> A hundred grams show what the whole pot would do.</p>
            <el-button @click="view = 'trial'">Try it small</el-button>
          </div>
          <div class="row">
            <el-button type="primary" :loading="busy" @click="weighIn">Weigh it in</el-button
            ><el-button native-type="submit" :loading="busy">Poured: record the blend</el-button
            ><el-button text @click="onBench.reset()">Clear the bench</el-button>
          </div>
        </section>
      </form>
      <div class="stack">
        <section ref="rulers" class="rulers" aria-label="What it will be" aria-live="polite">
          <p class="pot">
            <span class="figure" data-figure="mass"><MassText :mass-g="forecast.massG" /></span> in the pot,
            <span data-figure="volume">{{ formatVolume(forecast.volumeMl, preferences.world) }},</span>
            <span class="figure" data-figure="bottles">{{ bottles.count }}</span> bottles of
            <el-select v-model="sauce.bottleMl" class="size" aria-label="Bottle size"
              ><el-option
                v-for="bottle in book.library.formats"
                :key="bottle.id"
                :value="bottle.fillMl"
                :label="`${bottle.fillMl} mL`"
            /></el-select>
            <template v-if="bottles.count"> and {{ formatNumber(bottles.restMl) }} mL over</template>
          </p>
          <PropertyRuler
            v-for="property in PROPERTIES"
            :key="property"
            :property="property"
            :value="forecast.massG ? valueOf(property, forecast) : null"
            :target="sauce.targets[property]"
          />
          <BlendFigures
            v-if="poured.length"
            :poured="poured"
            :forecast="forecast"
            :live="live"
            :cost="cost"
            :costs="costs"
          />
        </section>
        <p v-if="pressure && pressure.bar.high > WARN_BAR" class="sweetens">
          <StateMark level="act" word="Sugar comes back" /> What goes in after fermenting ferments again: closed at 20
          °C up to {{ formatNumber(pressure.bar.high, 1) }} bar.
          <el-button text @click="view = 'keep'">Live, cold or cooked?</el-button>
        </p>
        <CautionList :cautions="cautions" />
        <el-radio-group v-model="view" class="views" aria-label="Look at"
          ><el-radio-button v-for="one in VIEWS" :key="one.value" :value="one.value">{{
            one.label
          }}</el-radio-button></el-radio-group
        >
        <SolvePanel
          v-if="view === 'solve'"
          v-model:bench="bench"
          v-model:sauce="sauce"
          :answered="answered"
          :busy="solving"
          :problem="solveProblem"
          :placed="placed"
          @solve="solve"
          @undo="undo"
          @nearest="nearest"
          @follow="followAdvice"
        />
        <section v-else class="view">
          <TrialPanel v-if="view === 'trial'" v-model:sauce="sauce" :poured="poured" :trials="trials" />
          <p v-else-if="!forecast.massG" class="muted">Put something into the pot first.</p>
          <LazyAnswerChart
            v-else-if="view === 'answers' && forecast.ph"
            :base="forecast.composition"
            :additions="additions"
            :target="sauce.targets.acid"
          />
          <SourceBars v-else-if="view === 'sources'" :parts="poured" :colours="colours" />
          <LazyFrontierChart v-else-if="view === 'pulls'" :question="question" :forecast="forecast" :sauce="sauce" />
          <DilutionLadder v-else-if="view === 'ladder'" :base="forecast.composition" :brines="brines" />
          <HeatPanel v-else-if="view === 'heat'" :forecast="forecast" :lots="lots" />
          <KeepConsequences
            v-else-if="view === 'keep'"
            :composition="{ ...forecast.composition, live }"
            :cooked="sauce.cooked"
          />
          <p v-else class="muted">There is no water in it, so there is no pH.</p>
        </section>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(360px, 450px) minmax(0, 1fr);
  gap: var(--s5);
  align-items: start;
}
.page > .top {
  align-items: center;
}
.sauces {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
  align-items: center;
  margin-left: auto;
}
.sauces > button:not(.el-button) {
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--line);
  border-bottom-width: 3px;
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  font: 700 16px var(--display);
  cursor: pointer;
}
.sauces > button[aria-pressed='true'] {
  border-bottom-color: var(--bottle);
  background: var(--wash);
}
.stock {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1) var(--s5);
  margin-top: calc(-1 * var(--s3));
}
.stock .over {
  color: var(--discard);
  font-weight: 700;
}
.digest {
  position: fixed;
  top: 0;
  left: 0;
  right: 0;
  z-index: 4;
  display: flex;
  gap: var(--s1) var(--s5);
  flex-wrap: wrap;
  padding: var(--s2) var(--s5);
  background: var(--enamel);
  border-bottom: 1px solid var(--line);
  font: 700 17px var(--display);
  font-stretch: 82%;
}
.untried {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  align-items: center;
  border-left: 3px solid var(--ask);
  padding-left: var(--s3);
}
.pot {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 6px;
}
.size {
  width: 104px;
  align-self: center;
}
.sweetens {
  border-left: 3px solid var(--act);
  padding-left: var(--s3);
}
.views {
  flex-wrap: wrap;
  row-gap: var(--s1);
}
.view {
  border-top: 1px solid var(--line);
  padding-top: var(--s3);
  min-width: 0;
}
@media (min-width: 1001px) {
  .digest.seen {
    display: none;
  }
}
@media (max-width: 1000px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
  .sauces {
    margin-left: 0;
  }
  .digest {
    position: sticky;
    margin: 0 calc(-1 * var(--s3));
    padding: var(--s2) var(--s3);
    gap: var(--s1) var(--s3);
    justify-content: space-between;
    font-size: 16px;
  }
}
</style>
