<script setup lang="ts">
import { computed, ref } from 'vue'
import { A_DAY, isRight } from '@lactofer/core'
import { nowMs } from '~/clock/clock'
import { useQuestions } from '~/composables/useRehearsal'

/** Quick questions, a few a day: numbers and pictures, each explained with its working. */
const { question, due, answer, next } = useQuestions(Math.floor(nowMs() / 1000))
const typed = ref('')
const problem = ref('')
const given = ref<number | null>(null)
const asked = ref(1)
const right = ref(0)
const done = computed(() => !question.value || asked.value > A_DAY)
const wasRight = computed(() => given.value !== null && question.value !== null && isRight(question.value, given.value))
function give(value: number) {
  if (given.value !== null) return
  given.value = value
  answer(value)
  if (wasRight.value) right.value++
}
function giveTyped() {
  const value = Number(typed.value.trim().replace(',', '.'))
  problem.value = typed.value.trim() && Number.isFinite(value) ? '' : 'Type a number.'
  if (!problem.value) give(value)
}
function go() {
  given.value = null
  typed.value = ''
  asked.value++
  next()
}
/** Another sitting. */
function more() {
  asked.value = 0
  right.value = 0
  go()
}
const shownAnswer = computed(() => {
  const of = question.value?.answer
  if (!of) return ''
  return of.kind === 'number' ? `${of.value.toFixed(of.decimals)} ${of.unit}` : (of.options[of.right]?.text ?? '')
})
</script>

<template>
  <div class="page">
    <header>
      <h1>Quick questions</h1>
      <p>Numbers are fresh every time. What went wrong comes back sooner.</p>
    </header>
    <section v-if="done" class="sheet one">
      <h2>Enough for today</h2>
      <p v-if="asked > 1">{{ right }} of {{ Math.min(asked - 1, A_DAY) }} were right.</p>
      <p v-else>Nothing is due today. Come back tomorrow.</p>
      <p>
        <NuxtLink to="/rehearse">Back to the exercises</NuxtLink
        ><template v-if="due.length">
          or
          <button type="button" class="link" @click="more">go on</button></template
        >
      </p>
    </section>
    <section v-else-if="question" class="sheet one" aria-label="Question">
      <p class="small muted">{{ asked }} of {{ A_DAY }}</p>
      <h2>{{ question.ask }}</h2>
      <form v-if="question.answer.kind === 'number'" class="row" novalidate @submit.prevent="giveTyped">
        <WordField v-model="typed" :label="`Your answer, ${question.answer.unit}`" :problem="problem" />
        <el-button class="low" type="primary" native-type="submit" :disabled="given !== null">Answer</el-button>
      </form>
      <div v-else class="options">
        <button
          v-for="(option, index) in question.answer.options"
          :key="option.text"
          type="button"
          :disabled="given !== null"
          :class="{ right: given !== null && index === question.answer.right, wrong: given === index && !wasRight }"
          @click="give(index)"
        >
          <AnswerPicture v-if="option.picture" :picture="option.picture" />
          {{ option.text }}
        </button>
      </div>
      <div v-if="given !== null" role="status" class="told">
        <p>
          <StateMark :level="wasRight ? 'fine' : 'act'" :word="wasRight ? 'Right' : 'Not so'" />
          <b>{{ shownAnswer }}.</b> {{ question.because }}
        </p>
        <ShowWorking v-if="question.working" :working="question.working" />
        <el-button type="primary" @click="go">{{ asked < A_DAY ? 'Next' : 'That is it' }}</el-button>
      </div>
    </section>
  </div>
</template>

<style scoped>
.one {
  max-width: 720px;
}
.options {
  display: grid;
  gap: var(--s2);
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
}
.options button {
  min-height: 52px;
  padding: var(--s3);
  border: 1.5px solid var(--line);
  border-radius: var(--radius);
  background: var(--surface);
  color: var(--ink);
  font: 600 16px var(--text);
  cursor: pointer;
  display: grid;
  gap: var(--s2);
  justify-items: center;
  text-align: center;
}
.options button:hover:not(:disabled) {
  border-color: var(--bottle);
}
.options button:disabled {
  cursor: default;
}
.options .right {
  border: 3px solid var(--fine);
}
.options .wrong {
  border: 3px dashed var(--act);
}
.told {
  display: grid;
  gap: var(--s3);
  justify-items: start;
}
.link {
  min-height: var(--touch);
  background: none;
  border: 0;
  padding: 0;
  color: inherit;
  font: inherit;
  text-decoration: underline;
  cursor: pointer;
}
</style>
