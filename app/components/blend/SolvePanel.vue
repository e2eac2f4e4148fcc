<script setup lang="ts">
import { computed } from 'vue'
import { SCALE_STEPS, type Targets } from '@lactofer/core'
import { adviceWords, bindingWords, missedWords, reachWords } from '~/words/limitWords'
import type { BlendDraft, SauceForm } from '~/forms/blendForm'
import type { Answered } from '~/composables/useSolver'
import { usePreferences } from '~/stores/preferences'

/** What the sauce is to be, and amounts that make it so; where there are none, what would have to give way. */
const { answered, busy, problem, placed } = defineProps<{
  answered: Answered | null
  busy: boolean
  problem: string
  placed: boolean
}>()
const draft = defineModel<BlendDraft>('draft', { required: true })
const sauce = defineModel<SauceForm>('sauce', { required: true })
const emit = defineEmits<{ solve: [all: boolean]; undo: []; nearest: []; follow: [index: number, all: boolean] }>()
const preferences = usePreferences()
const OBJECTIVES = [
  { value: 'closest', label: 'closest to what is in the pot' },
  { value: 'vinegar', label: 'least vinegar' },
  { value: 'cost', label: 'least cost' },
  { value: 'base', label: 'most base used' },
] as const
const several = computed(() => draft.value.sauces.length > 1)
const all = computed(() => several.value && draft.value.together)
const MOST_ADVICE = 5
const binding = computed(() =>
  answered?.answer.status === 'solved'
    ? [
        ...new Set(
          answered.answer.binding.map((limit) => bindingWords(limit, answered.set, preferences.world)).filter(Boolean),
        ),
      ]
    : [],
)
const setTargets = (targets: Targets) => (sauce.value.targets = targets)
</script>

<template>
  <section class="sheet" aria-label="Solve">
    <div class="head">
      <h2>What it should be</h2>
      <span class="muted small">leave an end empty where it is open</span>
    </div>
    <TargetFields :model-value="sauce.targets" @update:model-value="setTargets" />
    <div class="fields make">
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
    <div class="checks">
      <el-button type="primary" :loading="busy" @click="emit('solve', all)">{{
        all ? 'Solve them together' : 'Solve to targets'
      }}</el-button><el-checkbox v-model="draft.wholeBand">Keep the whole pH band under “at most”</el-checkbox
      ><el-checkbox v-if="several" v-model="draft.together"
        >All {{ draft.sauces.length }} sauces together, from the same stock</el-checkbox
      >
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div v-if="answered" class="answer" aria-live="polite" data-figure="answer">
      <template v-if="answered.answer.status === 'solved'">
        <p>
          <StateMark
            :level="answered.answer.missed.length ? 'act' : 'fine'"
            :word="answered.answer.missed.length ? 'Nearly' : 'It can be done'"
          />
          It is on the bench now, in steps of {{ draft.stepG }} g, checked forward.<template v-if="binding.length">
            It stands at: {{ binding.join('; ') }}.</template
          >
        </p>
        <p v-if="answered.answer.missed.length" class="problem">
          Rounding to {{ draft.stepG }} g spoils:
          {{ answered.answer.missed.map((one) => missedWords(one, answered!.set)).join('; ') }}. Weigh finer, or make
          more.
        </p>
      </template>
      <template v-else>
        <p>
          <StateMark level="act" word="It cannot be done" />
          {{ placed ? 'The nearest is on the bench.' : 'Nothing was changed.' }}
          <template v-if="answered.answer.missed.length"
            >The nearest has
            {{ answered.answer.missed.map((one) => missedWords(one, answered!.set)).join('; ') }}.</template
          ><template v-else>What is locked, in stock and to be made does not go together.</template>
        </p>
        <p
          v-for="reach in answered.answer.reach.filter((one) => one.aim === 'acid')"
          :key="reach.mix"
          data-figure="reach"
        >
          {{ reach.alone ? 'If the other targets gave way' : 'With the rest as it is' }},
          {{ reachWords(reach, answered.set) }}.
        </p>
        <template v-if="answered.answer.advice.length">
          <p class="small muted">Any one of these alone would do:</p>
          <ul class="plain-list advice">
            <li v-for="(advice, index) in answered.answer.advice.slice(0, MOST_ADVICE)" :key="index">
              <span>{{ adviceWords(advice, answered.set, preferences.world) }}</span><el-button
                v-if="advice.limit.kind !== 'stock'"
                :loading="busy"
                @click="emit('follow', index, all)"
                >Do this</el-button
              >
            </li>
          </ul>
        </template>
        <p v-else class="small">No single limit would do it: more than one has to give way. Begin with the nearest.</p>
        <div v-if="answered.answer.nearestG && !placed">
          <el-button @click="emit('nearest')">Put the nearest on the bench</el-button>
        </div>
      </template>
      <div v-if="placed"><el-button text @click="emit('undo')">Put back what was there</el-button></div>
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
  align-items: baseline;
}
.make {
  grid-template-columns: repeat(auto-fill, minmax(130px, 1fr));
}
.wide {
  grid-column: span 2;
}
.checks {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s1) var(--s5);
  align-items: center;
}
.answer {
  display: grid;
  gap: var(--s2);
  border-left: 3px solid var(--bottle);
  padding-left: var(--s3);
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
