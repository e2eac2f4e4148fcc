<script setup lang="ts">
import { computed } from 'vue'
import { CUTS, formatNumber, formatTemperature, type Cut } from '@lactofer/core'
import { type Scenario, freshScenario, SCENARIOS_MOST } from '~/forms/scenarios'
import { usePreferences } from '~/stores/preferences'

/** Up to three other ways, drawn beside the forecast: warmth, salt, cut, starter, cold store. */
const { base, pieces } = defineProps<{ base: Omit<Scenario, 'name'>; pieces: boolean; answers: readonly string[] }>()
const scenarios = defineModel<Scenario[]>({ required: true })
const likeDay = defineModel<number>('likeDay', { required: true })
const preferences = usePreferences()
const CUT_WORDS: Record<Cut, string> = { ground: 'ground', fine: 'fine', coarse: 'in pieces', whole: 'whole' }
const cuts = computed(() =>
  CUTS.filter((cut) => pieces || cut === 'ground').map((cut) => ({ value: cut, label: CUT_WORDS[cut] })),
)
const change = <K extends keyof Scenario>(index: number, key: K, value: Scenario[K]) => {
  scenarios.value = scenarios.value.map((scenario, at) => (at === index ? { ...scenario, [key]: value } : scenario))
}
const add = () => (scenarios.value = [...scenarios.value, freshScenario(base, scenarios.value)])
const SLIDERS = [
  {
    key: 'tempC',
    name: 'Temperature',
    low: 2,
    high: 32,
    step: 0.5,
    write: (value: number) => formatTemperature(value, preferences.world),
  },
  {
    key: 'saltPct',
    name: 'Salt',
    low: 1,
    high: 12,
    step: 0.1,
    write: (value: number) => `${formatNumber(value, 1)} % of everything`,
  },
  {
    key: 'starterPct',
    name: 'Starter',
    low: 0,
    high: 10,
    step: 0.5,
    write: (value: number) => (value === 0 ? 'none' : `${formatNumber(value, 1)} % kept brine`),
  },
  {
    key: 'coldDay',
    name: 'To the cold',
    low: 0,
    high: 30,
    step: 1,
    write: (value: number) => (value === 0 ? 'not at all' : `on day ${value}, 4 °C`),
  },
  {
    key: 'swingC',
    name: 'Day and night',
    low: 0,
    high: 8,
    step: 0.5,
    write: (value: number) => (value === 0 ? 'even' : `± ${formatNumber(value, 1)} °C in the room`),
  },
] as const
</script>

<template>
  <section class="stack what" aria-labelledby="what-if">
    <div class="row head">
      <h3 id="what-if">What if?</h3>
      <el-button v-if="scenarios.length < SCENARIOS_MOST" @click="add">{{
        scenarios.length ? 'Another way' : 'Try another way'
      }}</el-button>
      <PickField
        v-if="scenarios.length"
        v-model="likeDay"
        label="Compare with day"
        :options="[3, 5, 6, 7, 10, 14].map((day) => ({ value: day, label: `day ${day} as it is` }))"
        class="like"
      />
    </div>
    <fieldset v-for="(scenario, index) in scenarios" :key="scenario.name" :data-scenario="scenario.name">
      <legend>{{ scenario.name }}</legend>
      <div class="sliders">
        <div v-for="{ key, name, low, high, step, write } in SLIDERS" :key="key" class="slider">
          <span class="field-label">{{ name }} <strong>{{ write(scenario[key]) }}</strong></span>
          <el-slider
            :model-value="scenario[key]"
            :min="low"
            :max="high"
            :step="step"
            :show-tooltip="false"
            :aria-label="`${name}, ${scenario.name}`"
            :format-value-text="write"
            @update:model-value="(value) => change(index, key, Number(value))"
          />
        </div>
        <PickField
          v-if="pieces"
          :model-value="scenario.cut"
          label="Cut"
          :options="cuts"
          @update:model-value="(value) => change(index, 'cut', value)"
        />
      </div>
      <p class="small answer" :data-figure="`what-${index}`">{{ answers[index] }}</p>
      <el-button text @click="scenarios = scenarios.filter((_, at) => at !== index)"
        >Take {{ scenario.name }} out</el-button
      >
    </fieldset>
  </section>
</template>

<style scoped>
.head {
  align-items: end;
}
.head h3 {
  flex: 1;
}
.like {
  flex: 0 0 190px;
}
fieldset {
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s3) var(--s4);
  margin: 0;
  min-width: 0;
}
legend {
  font: 700 15px var(--display);
  padding: 0 var(--s2);
}
.sliders {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: var(--s2) var(--s5);
}
.slider {
  padding-right: 8px;
}
.answer {
  min-height: 1.4em;
  margin-top: var(--s2);
}
</style>
