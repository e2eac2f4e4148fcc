<script setup lang="ts">
import { computed, ref } from 'vue'
import { SENSE_SCALES, type Lot, type SenseQuestion } from '@lactofer/core'
import { nowMoment } from '~/clock/clock'
import { useRound } from '~/stores/round'

/** Questions for eyes and tongue: one tap each records the answer; of a lot in several jars, of the jars chosen. */
const { lot, questions } = defineProps<{ lot: Lot; questions: readonly SenseQuestion[] }>()
const round = useRound()
const marks = ref<string[]>([])
const jars = computed(() => (lot.vessels.length > 1 ? lot.vessels.map(({ mark }) => mark) : []))
const ASKED: Record<SenseQuestion, string> = {
  bubbles: 'Bubbles?',
  cloud: 'How clear is the liquid?',
  'one mass': 'Stirred, does it stay one mass?',
  sour: 'How sour does a drop taste?',
}
async function tap(question: SenseQuestion, step: number) {
  const of = marks.value.length ? { marks: [...marks.value] } : {}
  const answer = SENSE_SCALES[question].steps[step] ?? ''
  // The answer may take this question off the page before it is in the log: the round keeps it all the same.
  await round.take(
    [{ kind: 'sense', at: nowMoment(), lotId: lot.id, seen: { [question]: step }, ...of }],
    [lot.id],
    `${lot.code}: ${answer}, recorded.`,
    `${ASKED[question]} ${answer}`,
  )
}
</script>

<template>
  <div class="senses">
    <el-checkbox-group v-if="jars.length" v-model="marks" aria-label="Of jar">
      <span class="small muted">Of jar</span>
      <el-checkbox v-for="mark in jars" :key="mark" :value="mark" :label="mark" />
    </el-checkbox-group>
    <div v-for="question in questions" :key="question" role="group" :aria-label="`${ASKED[question]} ${lot.code}`">
      <p class="asked">{{ ASKED[question] }}</p>
      <div class="steps">
        <button
          v-for="(step, index) in SENSE_SCALES[question].steps"
          :key="step"
          type="button"
          :disabled="round.busy"
          @click="tap(question, index)"
        >
          <SensePicture :question="question" :step="index" /><span>{{ step }}</span>
        </button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.senses {
  /* In a row of the round as wide as the row. */
  grid-column: 1 / -1;
  display: grid;
  gap: var(--s3);
}
.asked {
  font-weight: 600;
  margin-bottom: var(--s1);
}
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(58px, 1fr));
  gap: var(--s1);
}
.steps button {
  display: grid;
  justify-items: center;
  align-content: start;
  gap: 2px;
  min-height: 78px;
  padding: var(--s2) 2px;
  border: 1px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 600 12.5px/1.15 var(--text);
  text-align: center;
  cursor: pointer;
}
.steps button:hover {
  border-color: var(--bottle);
  background: var(--wash);
}
.steps button:disabled {
  opacity: 0.6;
}
</style>
