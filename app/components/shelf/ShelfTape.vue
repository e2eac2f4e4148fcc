<script setup lang="ts">
import { computed } from 'vue'
import { NuxtLink } from '#components'
import type { Ask } from '@lactofer/core'
import { pageOf } from '~/words/askWords'
import { useRound } from '~/stores/round'

/** The one task of a vessel that stands forward, on a strip of tape: a press records it, or leads to it. */
const { ask, code } = defineProps<{ ask: Ask; code: string }>()
const round = useRound()
const act = computed(() =>
  ask.chore
    ? { type: 'button', disabled: round.busy, title: 'Press when it is done', onClick: () => round.done([ask]) }
    : { to: pageOf(ask) },
)
</script>

<template>
  <component :is="act.to ? NuxtLink : 'button'" v-bind="act" class="tape"
    ><span class="visually-hidden">{{ code }}, </span><StateMark :level="ask.level" :word="ask.title" /><span
      v-if="ask.chore"
      class="visually-hidden"
    >
      is done</span
    ></component
  >
</template>

<style scoped>
.tape {
  align-self: center;
  display: inline-flex;
  align-items: center;
  justify-content: center;
  max-width: 170px;
  min-height: var(--touch);
  margin: 4px 6px 0;
  padding: 4px 10px;
  border: 1px solid var(--outline);
  border-radius: 2px;
  background: var(--tape);
  color: var(--tape-ink);
  font: 600 14px/1.2 var(--text);
  text-align: center;
  text-decoration: none;
  transform: rotate(-0.8deg);
  cursor: pointer;
  z-index: 1;
}
.tape :deep(.mark) {
  color: var(--tape-ink);
}
.tape:hover {
  text-decoration: underline;
}
</style>
