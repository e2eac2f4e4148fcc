<script setup lang="ts">
import { computed } from 'vue'
import { ruleFor, ruleOf, tellReason, type ToldJudgement } from '@lactofer/core'
import { tellMoment, weekdayMoment } from '~/clock/moments'
import { STAND_WORDS } from '~/words/standWords'

/** The verdict on a lot in a line, which opens to the facts it rests on and the rule behind each. */
const { judgement, large = false } = defineProps<{ judgement: ToldJudgement; large?: boolean }>()
const mark = computed(() =>
  judgement.reasons[0]?.code === 'ready by taste'
    ? ({ level: 'ask', word: 'Not measured' } as const)
    : STAND_WORDS[judgement.state],
)
const reasons = computed(() =>
  judgement.reasons.map((reason) => ({
    code: reason.code,
    sentence: tellReason(reason, tellMoment),
    rule: ruleOf(reason),
    level: STAND_WORDS[ruleFor(reason).state].level,
    at: 'atMs' in reason.facts ? weekdayMoment(reason.facts.atMs) : '',
  })),
)
const clockWords = computed(() => {
  const { clock } = judgement
  if (!clock) return ''
  const spent = `${Math.round(clock.spent * 100)} % of the time allowed above 4.6 ${clock.passed ? 'was spent when it passed' : 'is spent'}`
  return `${spent}${clock.assumed ? '; some of its temperature is assumed, nobody read it' : ''}.`
})
</script>

<template>
  <div class="stand">
    <p :class="['sentence', { large }]">
      <StateMark v-bind="mark" /> <span data-figure="standing"><SaidText :text="judgement.sentence" /></span>
    </p>
    <details class="disclose why">
      <summary>Why: facts and rules</summary>
      <ul class="plain-list">
        <li v-for="(reason, index) in reasons" :key="index" :data-reason="reason.code">
          <StateMark class="small" :level="reason.level" :word="reason.at || 'Now'" />
          <p><SaidText :text="reason.sentence" /></p>
          <p class="small muted">{{ reason.rule }}</p>
        </li>
        <li v-if="clockWords" class="small muted">{{ clockWords }}</li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.stand {
  display: grid;
  gap: var(--s1);
  min-width: 0;
}
.sentence {
  font-size: 17px;
}
.large {
  font-size: 20px;
  line-height: 1.3;
}
.why ul {
  display: grid;
  gap: var(--s3);
  padding: var(--s2) 0 var(--s1) var(--s3);
  border-left: 3px solid var(--line);
}
li {
  display: grid;
  gap: 2px;
}
</style>
