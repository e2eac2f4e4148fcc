<script setup lang="ts">
import { checkLevel, type ReleaseCheck } from '@lactofer/core'
import { fullMoment } from '~/clock/moments'

/** The checks of a release, worst first, each with its sentence, the facts it rests on and its working. */
defineProps<{ checks: readonly ReleaseCheck[] }>()
const WORD = { fine: 'Passes', ask: 'Ask', act: 'Mind it', discard: 'Stops' } as const
</script>

<template>
  <ul class="plain-list checks">
    <li v-for="check in checks" :key="check.id" :data-check="check.id" :data-verdict="check.verdict">
      <StateMark class="small" :level="checkLevel(check)" :word="WORD[checkLevel(check)]" />
      <div>
        <strong>{{ check.title }}</strong>
        <p><SaidText :text="check.sentence" /></p>
        <p v-for="fact in check.evidence" :key="fact.atMs" class="small muted">
          {{ fact.what }}, {{ fullMoment(fact.atMs) }}, {{ fact.by }}
        </p>
        <ShowWorking v-if="check.working" :working="check.working" />
      </div>
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: var(--s3);
  padding: var(--s2) 0;
  border-bottom: 1px solid var(--line);
  align-items: start;
}
li:last-child {
  border-bottom: 0;
}
li > :first-child {
  margin-top: 3px;
}
</style>
