<script setup lang="ts">
import IconShield from '~icons/lucide/shield-alert'
import type { Caution } from '@lactofer/core'

/** The cautions of this step, in full, where they matter. */
defineProps<{ cautions: readonly Caution[] }>()
</script>

<template>
  <ul v-if="cautions.length" class="plain-list cautions" aria-label="Cautions">
    <li v-for="caution in cautions" :key="caution.id" :data-caution="caution.id">
      <IconShield aria-hidden="true" /><SaidText :text="caution.text" />
    </li>
  </ul>
</template>

<style scoped>
.cautions {
  display: grid;
  gap: var(--s2);
}
li {
  display: grid;
  grid-template-columns: 20px 1fr;
  gap: var(--s2);
  font-size: 15px;
  border-left: 3px solid var(--act);
  padding: var(--s1) 0 var(--s1) var(--s3);
}
svg {
  color: var(--act);
  margin-top: 2px;
}
</style>
