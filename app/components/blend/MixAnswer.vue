<script setup lang="ts">
import { computed } from 'vue'
import { SCALE_STEPS, type Advice } from '@lactofer/core'
import { adviceWords, bindingWords, missedWords, reachWords } from '~/words/limitWords'
import type { BlendDraft, SauceForm } from '~/forms/blendForm'
import type { Answered } from '~/composables/useSolver'
import { usePreferences } from '~/stores/preferences'

/**
 * Whether the pot can be what it is to be, told after every change; one press sets it so. Where it cannot, what would
 * have to give way.
 */
const draft = defineModel<BlendDraft>('draft', { required: true })
const sauce = defineModel<SauceForm>('sauce', { required: true })
const { answered, problem, differs, canPutBack } = defineProps<{
  answered: Answered | null
  problem: string
  /** Whether setting it would change anything. */
  differs: boolean
  canPutBack: boolean
}>()
const emit = defineEmits<{ set: []; back: []; follow: [advice: Advice] }>()
const preferences = usePreferences()
const OBJECTIVES = [
  { value: 'closest', label: 'closest to what is in the pot' },
  { value: 'vinegar', label: 'least vinegar' },
  { value: 'cost', label: 'least cost' },
  { value: 'base', label: 'most base used' },
] as const
const MOST_ADVICE = 4
const several = computed(() => draft.value.sauces.length > 1)
const answer = computed(() => answered?.answer)
const missed = computed(() => answer.value?.missed.map((one) => missedWords(one, answered!.set)).join('; ') ?? '')
const binding = computed(() => {
  if (answer.value?.status !== 'solved') return ''
  const words = answer.value.binding.map((limit) => bindingWords(limit, answered!.set, preferences.world))
  return [...new Set(words.filter(Boolean))].join('; ')
})
/** How it stands: what the pot meets, could meet, meets but for rounding, or cannot. */
const stand = computed(() => {
  if (answer.value?.status === 'infeasible') return { level: 'act', word: 'It cannot be done' } as const
  if (missed.value) return { level: 'act', word: 'Nearly' } as const
  return { level: 'fine', word: differs ? 'It can be done' : 'The pot is there' } as const
})
</script>

<template>
  <section class="answer" aria-label="How to get there">
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-else-if="answer" class="stack" data-figure="answer" aria-live="polite">
      <p>
        <StateMark :level="stand.level" :word="stand.word" />{{ ' ' }}
        <template v-if="answer.status === 'solved'">
          <template v-if="differs">The marks on the parts show it, in steps of {{ draft.stepG }} g.</template
          ><template v-if="binding"> It stands at: {{ binding }}.</template
          ><template v-if="missed">
            Rounding to {{ draft.stepG }} g spoils: {{ missed }}. Weigh finer, or make more.</template
          >
        </template>
        <template v-else-if="missed">The nearest has {{ missed }}.</template
        ><template v-else>What is locked, in stock and to be made does not go together.</template>
      </p>
      <template v-if="answer.status === 'infeasible'">
        <p v-for="reach in answer.reach.filter((one) => one.aim === 'acid')" :key="reach.mix" data-figure="reach">
          {{ reach.alone ? 'If the other targets gave way' : 'With the rest as it is' }},
          {{ reachWords(reach, answered!.set) }}.
        </p>
        <template v-if="answer.advice.length">
          <p class="small muted">Any one of these alone would do:</p>
          <ul class="plain-list advice">
            <li v-for="(advice, index) in answer.advice.slice(0, MOST_ADVICE)" :key="index">
              <span>{{ adviceWords(advice, answered!.set, preferences.world) }}</span
              ><el-button v-if="advice.limit.kind !== 'stock'" @click="emit('follow', advice)">Do this</el-button>
            </li>
          </ul>
        </template>
        <p v-else class="small">No single limit would do it: more than one has to give way. Begin with the nearest.</p>
      </template>
    </div>
    <div v-if="differs || canPutBack" class="row">
      <el-button v-if="differs && !problem" type="primary" @click="emit('set')">{{
        answer?.status === 'infeasible'
          ? 'Set the pot to the nearest'
          : several && draft.together
            ? 'Set the pots so'
            : 'Set the pot so'
      }}</el-button>
      <el-button v-if="canPutBack" @click="emit('back')">Put back what was there</el-button>
    </div>
    <details class="disclose">
      <summary>How much to make, and what matters most</summary>
      <div class="fields">
        <QuantityField
          v-model="sauce.makeLow"
          kind="mass"
          label="Make, at least"
          optional
          no-take
          placeholder="as it stands"
          :limits="{ low: 1 }"
        />
        <QuantityField
          v-model="sauce.makeHigh"
          kind="mass"
          label="Make, at most"
          optional
          no-take
          placeholder="as it stands"
          :limits="{ low: 1 }"
        />
        <PickField v-model="draft.objective" label="Of all ways, the one with" :options="OBJECTIVES" class="wide" />
        <PickField
          v-model="draft.stepG"
          label="Scale weighs to"
          :options="SCALE_STEPS.map((value) => ({ value, label: `${value} g` }))"
        />
      </div>
      <el-checkbox v-model="draft.wholeBand">Keep the whole pH band under “at most”</el-checkbox>
    </details>
    <el-checkbox v-if="several" v-model="draft.together"
      >All {{ draft.sauces.length }} sauces together, from the same stock</el-checkbox
    >
  </section>
</template>

<style scoped>
.answer {
  display: grid;
  gap: var(--s2);
  border-left: 3px solid var(--bottle);
  padding-left: var(--s4);
}
.answer .stack {
  gap: var(--s2);
}
.fields {
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  padding-bottom: var(--s2);
}
.wide {
  grid-column: span 2;
}
.advice li {
  display: flex;
  justify-content: space-between;
  gap: var(--s3);
  align-items: center;
  border-top: 1px solid var(--line);
  padding: var(--s1) 0;
}
</style>
