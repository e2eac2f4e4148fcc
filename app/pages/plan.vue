<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '~/composables/say'
import { styleById, type Draft } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { checkDrafts, packingProblems, planDraft, planProblems, type PlanProblems } from '~/forms/planDraft'
import { colourOf, formOfRecipe, freshPlan, nameOf, PlanFormSchema } from '~/forms/planForm'
import { planResults } from '~/forms/planResults'
import { useForm } from '~/composables/useForm'
import { usePlanVessels } from '~/composables/usePlanVessels'
import { newLotId, useBook } from '~/stores/book'
import { usePreferences } from '~/stores/preferences'

const book = useBook()
const preferences = usePreferences()
const route = useRoute()
const router = useRouter()
const {
  form,
  asked,
  problems,
  shown,
  busy,
  loaded,
  confirm: write,
  reset,
} = useForm({
  fresh: freshPlan,
  keep: { key: 'plan', schema: PlanFormSchema },
  problems: (): PlanProblems => planProblems(form.value, code.value, results.value, book),
})
const saving = ref(false)

const results = computed(() => planResults(form.value, book.book))
const figures = computed(() => results.value?.figures ?? null)
/** What the jar shows; none where something of the plan cannot be. */
const jarFigures = computed(() =>
  results.value?.figures ? { ...results.value.figures, waterG: results.value.waterG } : null,
)
const style = computed(() => styleById(form.value.style))
const vessels = usePlanVessels(form, figures)
const { filled, closure, packed, settled } = vessels
const suggestedCode = computed(() => book.nextCode('LF'))
const code = computed(() => form.value.code.trim() || suggestedCode.value)
const packing = computed(() => packingProblems(form.value, filled.value?.fill ?? null))
void loaded.then((typed) => {
  const recipe = book.recipes.find((one) => one.id === route.query.recipe)
  const version = recipe?.versions[Number(route.query.version ?? recipe.versions.length) - 1]
  if (version) form.value = { ...formOfRecipe(version), ...typed }
})

/** What is written for the plan, and, once packed, for its vessels and checks. */
function drafts(lotId: string, pack: boolean): Draft[] | null {
  const at = nowMoment()
  const made = planDraft(form.value, results.value, {
    at,
    lotId,
    code: code.value,
    color: colourOf(form.value, book.book),
    name: nameOf(form.value),
  })
  const massG = figures.value?.composition.massG
  if (!made || massG === undefined) return null
  const place = form.value.place.trim()
  const { weight } = form.value
  const called = form.value.called.trim()
  const packedEntry: Draft = {
    ...{ kind: 'pack', at, lotId, place, closure: closure.value, vessels: packed(massG) },
    ...(weight && { weight }),
    ...(called && { called }),
  }
  return [made, ...checkDrafts(style.value, form.value.done, lotId, at), ...(pack ? [packedEntry] : [])]
}

/** Records the plan; with `pack` also that it was packed: both or neither. Goes on to what comes next. */
async function confirm(event: Event, next: 'pack' | 'weigh' | 'split' | 'keep') {
  const pack = next === 'pack'
  if (pack) await settled()
  const lotId = form.value.lotId || newLotId()
  const refused = pack && Object.values(packing.value).some(Boolean)
  if (!(await write(event, () => (refused ? null : drafts(lotId, pack))))) return
  reset()
  if (next === 'keep') say.done('The plan is in the log. Weigh it in when the jars are clean.')
  else await router.push(next === 'pack' ? `/ferment/${lotId}` : `/${next}/${lotId}`)
}
/** Whoever has a scale weighs it in first; with cups and spoons it is in the jar already. */
const steps = computed(() => {
  const weigh = { next: 'weigh', label: 'Weigh it in' } as const
  const done = form.value.bowl
    ? ({ next: 'split', label: 'Mixed: split it' } as const)
    : ({ next: 'pack', label: 'Packed: start the lot' } as const)
  return preferences.weighs === 'spoons' ? ([done, weigh] as const) : ([weigh, done] as const)
})
const first = computed(() => steps.value[0])
const second = computed(() => steps.value[1])
const problemsShown = computed(() =>
  asked.value ? [problems.value.figures, packing.value.vessel, packing.value.place].filter(Boolean) : [],
)
</script>

<template>
  <div class="page">
    <header>
      <h1>Plan and pack</h1>
      <InTurn><PlanStart v-model="form" class="from" /></InTurn>
    </header>
    <PlanDigest
      v-if="figures"
      :form="form"
      :figures="figures"
      :fraction="filled?.fill.fraction ?? null"
      :color="colourOf(form, book.book)"
    />
    <form class="split" novalidate @submit.prevent="confirm($event, first.next)">
      <div class="stack left">
        <InTurn
          ><PlanIdentity
            v-model="form"
            :suggested-code="suggestedCode"
            :name-problem="shown.name ?? null"
            :code-problem="form.code || asked ? problems.code : null"
        /></InTurn>
        <InTurn><PlanRows v-model="form.rows" v-model:trimmed="form.trimmedG" /></InTurn>
        <p v-if="shown.rows" class="problem" role="alert">{{ shown.rows }}</p>
        <InTurn><PlanSalt v-model="form" :figures="figures" /></InTurn>
        <InTurn><PlanScale v-if="figures" v-model="form" class="later" :figures="figures" /></InTurn>
        <InTurn><PackingChecks v-model="form.done" class="later" :style-id="form.style" /></InTurn>
        <p v-for="problem in problemsShown" :key="problem ?? ''" class="problem later" role="alert">{{ problem }}</p>
        <div class="row later">
          <el-button :loading="busy" @click="confirm($event, 'keep')">Keep as a plan</el-button>
          <el-button @click="saving = true">Save as a recipe</el-button>
          <el-button text @click="reset">Clear the form</el-button>
        </div>
        <div class="row reach">
          <el-button type="primary" native-type="submit" :loading="busy">{{ first.label }}</el-button>
          <el-button :loading="busy" @click="confirm($event, second.next)">{{ second.label }}</el-button>
        </div>
      </div>
      <div class="stack right">
        <InTurn><PlanJar class="its-jar" :form="form" :figures="jarFigures" :vessels="vessels" /></InTurn>
        <InTurn><PlanVessels v-if="!form.bowl" v-model="form" :figures="figures" :vessels="vessels" /></InTurn>
        <InTurn><PlanResults v-if="results" class="answers" :form="form" :results="results" /></InTurn>
      </div>
      <InTurn
        ><PlanForecast v-if="figures && style.judgedBy === 'acid'" :form="form" :figures="figures" class="ahead"
      /></InTurn>
    </form>
    <SaveRecipe v-model="saving" :form="form" />
  </div>
</template>

<style scoped>
.from {
  flex: 1;
}
/* What comes next is always in reach. */
.reach {
  position: sticky;
  bottom: var(--strip);
  z-index: 2;
  align-items: center;
  margin: 0 calc(-1 * var(--s2));
  padding: var(--s2);
  background: var(--enamel);
  border-top: 1px solid var(--line);
}
.ahead {
  grid-column: 1 / -1;
}
/* One bowl and one jar on one screen: sheets stand closer, the vessels beside the jar they fill. */
@media (min-width: 1101px) {
  .page,
  .page .stack {
    gap: var(--s3);
  }
  form :deep(.sheet) {
    padding: var(--s3) var(--s4);
    gap: var(--s2);
  }
  .split {
    grid-template-columns: minmax(0, 1fr) minmax(380px, 440px);
  }
}
/* On a phone one column in the order of the work: what goes in, its vessels, what is left to do, what it comes to. */
@media (max-width: 900px) {
  .from {
    flex-basis: 100%;
  }
  .split {
    display: flex;
    flex-direction: column;
    align-items: stretch;
    gap: var(--s4);
  }
  .left,
  .right {
    display: contents;
  }
  .later {
    order: 1;
  }
  .its-jar,
  .answers,
  .ahead {
    order: 2;
  }
  .reach {
    order: 3;
  }
  .reach .el-button {
    flex: 1;
  }
}
</style>
