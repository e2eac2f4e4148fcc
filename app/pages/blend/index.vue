<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { useElementVisibility } from '@vueuse/core'
import { say } from '~/composables/say'
import {
  counted,
  formatMass,
  formatNumber,
  oilOf,
  pressureOutlook,
  PROPERTIES,
  valueOf,
  WARN_BAR,
  type Property,
} from '@lactofer/core'
import type { PartForm } from '~/forms/blendForm'
import { sauceCautions, sauceProblems } from '~/components/blend/sauceChecks'
import type { Step } from '~/components/blend/steps'
import { useBlendDraft } from '~/composables/useBlendDraft'
import { useForm } from '~/composables/useForm'
import { useStops } from '~/composables/useStops'
import { useSolver } from '~/composables/useSolver'
import { useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

/**
 * The blend bench: parts on the left, the pot's five rulers on the right with what it is to be on them. What would get
 * it there is told after every change; four steps lead from the parts to the pot.
 */
const book = useBook()
const preferences = usePreferences()
const router = useRouter()
const stops = useStops()
const blending = useBlendDraft()
const { draft, sauce, poured, forecast, bottles, colour, live, cost, taken, remains, trials, totalG } = blending
const { addSauce, removeSauce, colourOf } = blending
const { answered, problem: unanswered, ghosts, differs, setPot, canPutBack, putBack, follow } = useSolver(blending)

/** While the rulers are out of sight their figures ride along at the top. */
const rulersSeen = useElementVisibility(useTemplateRef('rulers'), { threshold: 0.6 })

const step = ref<Step>('mix')
/** A step that was left by its own button is gone with it: the keys go on in the next one. */
const work = useTemplateRef<HTMLElement>('work')
watch(step, async () => {
  await nextTick()
  if (document.activeElement === document.body) work.value?.focus()
})
/** The ruler whose other side is up. */
const turned = ref<Property | null>(null)

const lotOf = (part: PartForm | undefined) => (part?.lotId ? book.lot(part.lotId) : undefined)
const costs = computed(() =>
  sauce.value.parts.filter((part) => part.massG).map((part) => ({ name: part.name, cost: blending.costOf(part) })),
)
/** Oil is in it, by itself or in what is poured. */
const oily = computed(() =>
  sauce.value.parts.some((part) => {
    const lot = lotOf(part)
    const isOil = book.library.material(part.materialId ?? '')?.kind === 'oil'
    return Boolean(part.massG) && (isOil || (lot !== undefined && oilOf(book.book, lot) !== null))
  }),
)
const cautions = computed(() => sauceCautions(sauce.value, forecast.value, { live: live.value, oily: oily.value }))
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

/** From this weight on, g, a pot is worth a trial. */
const WORTH_G = 300
const untried = computed(() => !trials.value.length && totalG.value > WORTH_G)
const suggestedCode = computed(() => book.nextCode('S', draft.value.at))
const code = computed(() => sauce.value.code.trim() || suggestedCode.value)
const notes = computed(() => ({
  mix: totalG.value ? formatMass(totalG.value, preferences.world) : 'empty',
  try: trials.value.length ? counted(trials.value.length, 'trial') : 'no trial yet',
  keep: sauce.value.cooked ? 'cooked' : live.value ? 'live' : 'nothing living',
  pour: code.value,
}))
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
  say.done('Blended. Read it now, and again in 24 hours.')
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
</script>

<template>
  <div class="page">
    <header class="top">
      <h1>Blend</h1>
      <SauceTabs v-model="draft" class="sauces" @add="addSauce(true)" @remove="removeSauce(draft.at)" />
    </header>
    <SharedStock v-if="draft.sauces.length > 1 && taken.size" :taken="taken" :remains="remains" />
    <BlendDigest v-if="forecast.massG" :forecast="forecast" :seen="rulersSeen" />
    <div class="bench">
      <div ref="work" class="sheet" tabindex="-1">
        <BlendSteps v-model="step" :notes="notes" />
        <template v-if="step === 'mix'">
          <PotPicture v-model="sauce.bottleMl" :forecast="forecast" :bottles="bottles" :colour="colour" />
          <BlendParts
            v-model="sauce.parts"
            v-model:mode="draft.mode"
            :remains="remains"
            :colour-of="colourOf"
            :ghosts="ghosts"
            :step-g="draft.stepG"
          />
          <div v-if="totalG" class="row">
            <el-button v-if="untried" type="primary" @click="step = 'try'">Try it small</el-button>
            <el-button :type="untried ? 'default' : 'primary'" @click="step = 'pour'">Pour it</el-button>
            <el-button text @click="blending.reset()">Clear the bench</el-button>
          </div>
        </template>
        <TrialPanel v-else-if="step === 'try'" v-model:sauce="sauce" :poured="poured" :trials="trials" />
        <template v-else-if="step === 'keep'">
          <el-checkbox v-model="sauce.cooked">It will be cooked</el-checkbox>
          <KeepConsequences
            v-if="forecast.massG"
            :composition="{ ...forecast.composition, live }"
            :cooked="sauce.cooked"
          />
          <p v-else class="muted">Put something into the pot first.</p>
        </template>
        <PourPanel
          v-else
          v-model:sauce="sauce"
          :suggested-code="suggestedCode"
          :shown="shown"
          :code-problem="sauce.code || asked ? problems.code : null"
          :busy="busy"
          :mass-g="forecast.massG"
          :untried="untried"
          @pour="pour"
          @weigh="weighIn"
          @try="step = 'try'"
          @mix="step = 'mix'"
        />
      </div>
      <div class="stack">
        <section ref="rulers" class="rulers" aria-label="What it will be">
          <TargetRuler
            v-for="property in PROPERTIES"
            :key="property"
            v-model="sauce.targets[property]"
            :turned="turned === property"
            :property="property"
            :value="forecast.massG ? valueOf(property, forecast) : null"
            @update:turned="turned = $event ? property : null"
            ><RulerBack :property="property" :blending="blending"
          /></TargetRuler>
        </section>
        <InTurn
          ><MixAnswer
            v-model:draft="draft"
            v-model:sauce="sauce"
            :answered="answered"
            :problem="unanswered"
            :differs="differs"
            :can-put-back="canPutBack"
            @set="setPot"
            @back="putBack"
            @follow="follow"
        /></InTurn>
        <p v-if="pressure && pressure.bar.high > WARN_BAR" class="sweetens">
          <StateMark level="act" word="Sugar comes back" /> What goes in after fermenting ferments again: closed at 20
          °C up to {{ formatNumber(pressure.bar.high, 1) }} bar.
          <el-button text @click="step = 'keep'">Live, cold or cooked?</el-button>
        </p>
        <CautionList :cautions="cautions" />
        <InTurn
          ><BlendFigures
            v-if="poured.length"
            :poured="poured"
            :forecast="forecast"
            :live="live"
            :cost="cost"
            :costs="costs"
        /></InTurn>
      </div>
    </div>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(420px, 480px) minmax(0, 1fr);
  gap: var(--s5);
  align-items: start;
}
.page > .top {
  align-items: center;
}
.sauces {
  margin-left: auto;
}
.sweetens {
  border-left: 3px solid var(--act);
  padding-left: var(--s3);
}
@media (max-width: 1000px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
