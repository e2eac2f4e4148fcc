<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatNumber, type BottleFormat, type NetContents } from '@lactofer/core'

/**
 * Filled bottles weighed now and then: what the empty one weighs is taken off; mean, spread, the least, and short
 * ones marked.
 */
const { format, weighed } = defineProps<{ format: BottleFormat; weighed: NetContents | null }>()
const netG = defineModel<number[]>({ required: true })
const grossG = ref<number | null>(null)
const emptyG = ref<number | null>(format.emptyG)
const problem = ref('')
const LEVEL = computed(() => weighed?.verdict ?? 'fine')
const WORD = { fine: 'Full enough', ask: 'Weigh more', act: 'Under-filled', discard: 'Far short' } as const
function add() {
  const net = (grossG.value ?? 0) - (emptyG.value ?? 0)
  if (grossG.value === null || emptyG.value === null)
    problem.value = 'Weigh the filled bottle, and say what it weighs empty.'
  else if (net <= 0)
    problem.value = `That is less than the empty bottle, ${formatNumber(emptyG.value, 1)} g. Weigh it with what is in it.`
  else if (net > format.brimMl * 1.5)
    problem.value = `${formatNumber(net)} g net do not fit into it. Is the tare right?`
  else {
    problem.value = ''
    netG.value = [...netG.value, Math.round(net * 10) / 10]
    grossG.value = null
  }
}
const mark = (index: number) => (weighed?.far.includes(index) ? 'far' : weighed?.short.includes(index) ? 'short' : '')
</script>

<template>
  <div class="stack" role="group" aria-label="Fill weights">
    <h3>Weigh a few as you fill</h3>
    <div class="row">
      <div class="half">
        <QuantityField
          v-model="grossG"
          kind="mass"
          label="Filled bottle"
          :limits="{ low: 0, high: 20000 }"
          optional
          @taken="add"
        />
      </div>
      <div class="half">
        <QuantityField v-model="emptyG" kind="mass" label="Empty bottle" :limits="{ low: 0, high: 20000 }" />
      </div>
      <el-button class="low" @click="add">Add it</el-button>
    </div>
    <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
    <template v-if="weighed">
      <ol class="plain-list weights">
        <li v-for="(grams, index) in netG" :key="index" :class="mark(index)">
          <button
            type="button"
            :aria-label="`Bottle ${index + 1}, ${grams} g${mark(index) ? `, ${mark(index)}` : ''}: take it out`"
            @click="netG = netG.filter((_, at) => at !== index)"
          >
            {{ formatNumber(grams, 1) }}<span v-if="mark(index)"> {{ mark(index) }}</span>
          </button>
        </li>
      </ol>
      <p data-figure="net"><StateMark :level="LEVEL" :word="WORD[LEVEL]" /> <SaidText :text="weighed.sentence" /></p>
      <p class="small">
        Mean <SaidText :text="`${formatNumber(weighed.meanG, 1)} g`" /> (<SaidText
          :text="`${formatNumber(weighed.mean.low, 1)} to ${formatNumber(weighed.mean.high, 1)} g`"
        />),
        <template v-if="weighed.sdG !== null"
          >spread <SaidText :text="`${formatNumber(weighed.sdG, 2)} g`" />, </template
        >least <SaidText :text="`${formatNumber(weighed.leastG, 1)} g`" />; a bottle may lack
        <SaidText :text="`${formatNumber(weighed.toleranceG, 1)} g`" />.
      </p>
      <ShowWorking :working="weighed.working" />
    </template>
    <p v-else class="small muted">
      One from the start, the middle and the end of the run, or every tenth. A tap takes a weight out again.
    </p>
  </div>
</template>

<style scoped>
.half {
  width: 150px;
}
.weights {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
.weights button {
  min-height: var(--touch);
  padding: 0 var(--s2);
  border: 1px solid var(--line);
  border-radius: 4px;
  background: none;
  color: inherit;
  font: 600 15px var(--display);
  font-stretch: 82%;
  cursor: pointer;
}
.short button {
  border-color: var(--act);
  color: var(--act);
}
.far button {
  border-color: var(--discard);
  color: var(--discard);
  border-width: 2px;
}
</style>
