<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { useElementVisibility } from '@vueuse/core'
import { ElMessage } from 'element-plus'
import { formatNumber, pressureOutlook, PROPERTIES, valueOf, WARN_BAR } from '@lactofer/core'
import type { PartForm } from '~/forms/blendForm'
import { sauceCautions, sauceProblems } from '~/components/blend/sauceChecks'
import { PICTURES, type Picture } from '~/components/blend/pictures'
import { headline } from '~/components/measure/rulers'
import { useBlendDraft } from '~/composables/useBlendDraft'
import { useForm } from '~/composables/useForm'
import { useStops } from '~/composables/useStops'
import { useSolver } from '~/composables/useSolver'
import { useBook } from '~/stores/book'

const book = useBook()
const router = useRouter()
const stops = useStops()
const blending = useBlendDraft()
const { draft, sauce, poured, forecast, bottles, live, cost, taken, remains, trials, addSauce, removeSauce, totalG } =
  blending
const { answered, busy: solving, problem: solveProblem, placed, solve, undo, nearest, follow } = useSolver(blending)

/** While the rulers are out of sight their figures ride along at the top. */
const rulersSeen = useElementVisibility(useTemplateRef('rulers'), { threshold: 0.6 })

const view = ref<Picture>('solve')

const lotOf = (part: PartForm | undefined) => (part?.lotId ? book.lot(part.lotId) : undefined)
const costs = computed(() =>
  sauce.value.parts.filter((part) => part.massG).map((part) => ({ name: part.name, cost: blending.costOf(part) })),
)
const cautions = computed(() => sauceCautions(sauce.value, forecast.value, live.value))
/** Fruit or sugar after fermenting is told before anybody pours. */
const sweetens = computed(
  () =>
    live.value &&
    poured.value.some(
      ({ composition }) => !composition.live && composition.sugarG.typical > 0.01 * forecast.value.massG,
    ),
)
const pressure = computed(() =>
  sweetens.value ? pressureOutlook(forecast.value.composition).closed.find(({ tempC }) => tempC === 20) : undefined,
)

const suggestedCode = computed(() => book.nextCode('S', draft.value.at))
const code = computed(() => sauce.value.code.trim() || suggestedCode.value)
const { asked, problems, shown, busy, ready, confirm } = useForm({
  fresh: { draft, reset: blending.reset, save: blending.save, loaded: blending.loaded },
  problems: () =>
    sauceProblems(sauce.value, {
      code: code.value,
      codeTaken: book.codeTaken,
      lotOf,
      stops: ({ lotId }) => stops(lotId),
      known: new Set(poured.value.map(({ key }) => key)),
    }),
  kept: 'The bench is as you left it; try again.',
})
async function pour(event: Event) {
  const { id } = sauce.value
  if (!(await confirm(event, () => [blending.entryOf(sauce.value, sauce.value.parts, code.value)]))) return
  removeSauce(draft.value.at)
  asked.value = false
  ElMessage.success('Blended. Read it now, and again in 24 hours.')
  await router.push(`/blend/${id}`)
}
async function weighIn(event: Event) {
  if (!(await ready(event))) return
  sauce.value.code = code.value
  // The bench is written down before the page at the scale reads it.
  await nextTick()
  await blending.save()
  await router.push(`/pour/${sauce.value.id}`)
}
const seen = computed(
  () => `${draft.value.sauces.length > 1 ? `${draft.value.at + 1} of ${draft.value.sauces.length}` : ''}`,
)
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
      <SauceTabs v-model="draft" class="sauces" @add="addSauce(true)" @remove="removeSauce(draft.at)" />
    </header>
    <SharedStock v-if="draft.sauces.length > 1 && taken.size" :taken="taken" :remains="remains" />
    <p v-if="forecast.massG" :class="['digest', { seen: rulersSeen }]" aria-hidden="true">
      <span v-for="property in PROPERTIES.slice(0, 4)" :key="property" :style="{ color: `var(--${property})` }">{{
        headline(property, valueOf(property, forecast))
      }}</span>
    </p>
    <div class="bench">
      <form class="stack" novalidate :aria-label="`Pot ${seen}`" @submit.prevent="pour">
        <BlendParts v-model="sauce.parts" v-model:mode="draft.mode" :remains="remains" />
        <p v-if="shown.parts" class="problem" role="alert">{{ shown.parts }}</p>
        <section class="sheet">
          <div class="fields">
            <WordField v-model="sauce.name" label="Name of the sauce" placeholder="Quay Red" :problem="shown.name" />
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
            ><el-button text @click="blending.reset()">Clear the bench</el-button>
          </div>
        </section>
      </form>
      <div class="stack">
        <section ref="rulers" class="rulers" aria-label="What it will be" aria-live="polite">
          <PotSize v-model="sauce.bottleMl" :forecast="forecast" :bottles="bottles" />
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
          ><el-radio-button v-for="one in PICTURES" :key="one.value" :value="one.value">{{
            one.label
          }}</el-radio-button></el-radio-group
        >
        <SolvePanel
          v-if="view === 'solve'"
          v-model:draft="draft"
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
        <BlendPicture v-else v-model:sauce="sauce" class="view" :view="view" :blending="blending" />
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
  margin-left: auto;
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
