<script setup lang="ts">
import { computed } from 'vue'
import IconFine from '~icons/lucide/circle-check'
import IconAsk from '~icons/lucide/circle-help'
import IconAct from '~icons/lucide/triangle-alert'
import IconDiscard from '~icons/lucide/octagon-x'
import type { Level } from '@lactofer/core'

/** A judgement: icon, word and colour together, never a colour alone. */
const { level, word } = defineProps<{ level: Level; word: string }>()
const icon = computed(() => ({ fine: IconFine, ask: IconAsk, act: IconAct, discard: IconDiscard })[level])
</script>

<template>
  <span :class="['mark', level]"><component :is="icon" aria-hidden="true" />{{ word }}</span>
</template>

<style scoped>
.mark {
  font-weight: 700;
}
.mark svg {
  display: inline-block;
  vertical-align: -0.24em;
  margin-right: 5px;
}
.fine {
  color: var(--fine);
}
.ask {
  color: var(--ask);
}
.act {
  color: var(--act);
}
.discard {
  color: var(--discard);
}
</style>
