<script setup lang="ts">
import { computed, nextTick, ref, useTemplateRef, watch } from 'vue'
import { onKeyStroke } from '@vueuse/core'
import { EMPTY_SCALE_G, formatMass, formatNumber, judgeWeight, toleranceG, type WeighStep } from '@lactofer/core'
import { useThings } from '~/composables/useThings'
import { useInstruments } from '~/stores/instruments'
import { usePreferences } from '~/stores/preferences'

/**
 * One thing on the scale: target, what lies on it now, a bar with its tolerance, and one large button that takes it.
 * `fixed`: what is weighed was chosen on the bench.
 */
const {
  step,
  targetG,
  position,
  fixed = false,
} = defineProps<{ step: WeighStep; targetG: number; position: string; fixed?: boolean }>()
const emit = defineEmits<{ take: [massG: number]; skip: []; instead: []; more: [] }>()
const instruments = useInstruments()
const { thingOf } = useThings()
const preferences = usePreferences()
const typedG = ref<number | null>(null)
const problem = ref('')
const taker = useTemplateRef<{ $el: HTMLElement } | null>('taker')

const reading = computed(() => instruments.reading('mass'))
const nowG = computed(() => typedG.value ?? reading.value?.value ?? 0)
const verdict = computed(() => judgeWeight(nowG.value, targetG, step.kind))
const tolerance = computed(() => toleranceG(targetG, step.kind))
function take() {
  problem.value = isThere.value ? '' : 'There is nothing on the scale. Put it on, type its weight, or leave it out.'
  if (problem.value) return
  emit('take', nowG.value)
  typedG.value = null
}
/** Something is on the scale, or typed: then there is something to take. */
const isThere = computed(() => nowG.value > (typedG.value === null ? EMPTY_SCALE_G : 0))
const isSteady = computed(() => isThere.value && (typedG.value !== null || reading.value?.instrument.steady === true))
const tare = () => instruments.tare()
watch(
  () => [step.name, position],
  async () => {
    typedG.value = null
    problem.value = ''
    await nextTick()
    taker.value?.$el.focus()
  },
  { immediate: true, flush: 'post' },
)
const typing = (event: KeyboardEvent) =>
  (event.target as HTMLElement | null)?.closest('input, textarea, select, [role=combobox], .el-dialog') ||
  event.ctrlKey ||
  event.metaKey ||
  event.altKey
onKeyStroke('t', (event) => typing(event) || tare())
onKeyStroke('s', (event) => typing(event) || emit('skip'))
const rowWords = ({ preparation, seedsOut }: { preparation: string; seedsOut: boolean }) =>
  [preparation, seedsOut ? 'seeds out' : ''].filter(Boolean).join(', ')
/** What nobody weighed is no zero. */
const isShown = computed(() => typedG.value !== null || reading.value !== null)
/** Where the weight that counts comes from. */
const weightFrom = computed(() => {
  if (typedG.value !== null) return 'typed'
  if (!reading.value) return 'no scale connected: type it'
  return reading.value.instrument.steady ? 'steady' : 'settling'
})
</script>

<template>
  <section class="panel" aria-label="On the scale">
    <p class="muted">{{ position }}</p>
    <h2>{{ step.name }}</h2>
    <p v-if="step.row && (step.row.preparation !== 'raw' || step.row.seedsOut)" class="prep">
      {{ rowWords(step.row) }}
    </p>
    <p class="target">
      {{ targetG > 0 ? `Target ${formatNumber(targetG, 1)} g` : 'As much as you like'
      }}<span v-if="targetG > 0" class="muted">
        ± {{ formatNumber(tolerance, 1) }} g<template v-if="preferences.world === 'us'">
          ({{ formatMass(targetG, 'us') }})</template
        ></span
      >
    </p>
    <SteadyStatus :text="isSteady ? `${formatNumber(nowG, 1)} g. ${targetG > 0 ? verdict.sentence : ''}` : ''" />
    <p class="live" :class="verdict.word">
      <span class="big" data-figure="live">{{ isShown ? formatNumber(nowG, 1) : '–' }}</span> g
      <span class="small state">{{ weightFrom }}</span>
    </p>
    <WeightBar v-if="targetG > 0" :now-g="nowG" :target-g="targetG" :tolerance-g="tolerance" :verdict="verdict" />
    <p v-if="targetG > 0" class="verdict" data-figure="verdict"><SaidText :text="verdict.sentence" /></p>
    <el-button ref="taker" :type="isThere ? 'primary' : 'default'" class="take" @click="take">{{
      isThere ? `Take ${formatNumber(nowG, 1)} g` : isShown ? 'Nothing on the scale yet' : 'Type the weight'
    }}</el-button>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <div class="row acts">
      <el-button :disabled="!reading" @click="tare">Tare <kbd class="key">t</kbd></el-button>
      <el-button @click="emit('skip')">Leave it out <kbd class="key">s</kbd></el-button>
      <el-button v-if="step.kind === 'row' && !fixed" @click="emit('instead')">Something else instead</el-button>
      <el-button v-if="!fixed" @click="emit('more')">One thing more</el-button>
    </div>
    <QuantityField
      v-model="typedG"
      class="typed"
      kind="mass"
      label="Or type the weight"
      :thing="thingOf(step.row ?? { materialId: step.kind, name: step.name })"
      :limits="{ low: 0.1 }"
      optional
      no-take
    />
    <p v-if="instruments.problem" class="problem" role="alert">{{ instruments.problem }}</p>
  </section>
</template>

<style scoped>
.panel {
  background: var(--surface);
  border: 1px solid var(--line);
  border-radius: var(--radius);
  padding: var(--s4) var(--s5) var(--s5);
  display: grid;
  gap: var(--s2);
  align-content: start;
}
h2 {
  font-size: 32px;
  font-stretch: 90%;
}
.prep {
  font-weight: 700;
  color: var(--act);
}
.target {
  font-size: 20px;
  font-weight: 600;
}
.live {
  font: 700 30px/1 var(--display);
  display: flex;
  align-items: baseline;
  gap: var(--s2);
  font-variant-numeric: tabular-nums;
  margin-top: var(--s2);
}
.big {
  font-size: clamp(58px, 11vw, 104px);
  font-stretch: 78%;
  letter-spacing: -0.02em;
}
.live.in .big {
  color: var(--fine);
}
.live.over .big {
  color: var(--act);
}
.state {
  font: 600 15px var(--text);
  color: var(--muted);
}
.verdict {
  font-weight: 700;
  min-height: 1.5em;
}
html .take {
  min-height: 84px;
  font: 720 28px var(--display);
  font-stretch: 88%;
  width: 100%;
}
.acts .key {
  margin-left: 6px;
}
.typed {
  max-width: 260px;
}
/* Lying on its side: the figure on the left, what takes it on the right, both in view at once. */
@media (max-height: 500px) and (min-width: 600px) {
  .panel {
    grid-template-columns: minmax(0, 1fr) minmax(220px, 300px);
    column-gap: var(--s4);
    padding: var(--s3);
  }
  .panel > * {
    grid-column: 1;
  }
  .panel > .take {
    grid-column: 2;
    grid-row: 1 / span 4;
    min-height: 120px;
  }
  .panel > .acts {
    grid-column: 2;
    grid-row: 5 / span 4;
  }
  h2 {
    font-size: 24px;
  }
  .target {
    font-size: 17px;
  }
  .live {
    margin-top: 0;
  }
  .big {
    font-size: 58px;
  }
}
@media (max-width: 700px) {
  .panel {
    padding: var(--s3);
  }
  h2 {
    font-size: 26px;
  }
  .acts .key {
    display: none;
  }
  .acts > * {
    flex: 1 1 42%;
  }
}
</style>
