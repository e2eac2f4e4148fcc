<script setup lang="ts">
import IconPlus from '~icons/lucide/plus'
import { formatMass } from '@lactofer/core'
import { totalOf, type BlendDraft } from '~/forms/blendForm'
import { usePreferences } from '~/stores/preferences'

/** The sauces on the bench, the one at hand, one more and one less. */
const draft = defineModel<BlendDraft>({ required: true })
const emit = defineEmits<{ add: []; remove: [] }>()
const preferences = usePreferences()
</script>

<template>
  <div class="sauces" role="group" aria-label="Sauces on the bench">
    <button
      v-for="(one, index) in draft.sauces.length > 1 ? draft.sauces : []"
      :key="one.id"
      type="button"
      :aria-pressed="index === draft.at"
      @click="draft.at = index"
    >
      {{ one.name || `Sauce ${index + 1}` }}
      <span class="small muted">{{ formatMass(totalOf(one), preferences.world) }}</span>
    </button>
    <el-button v-if="draft.sauces.length < 8" text @click="emit('add')"
      ><IconPlus class="plus" aria-hidden="true" />Another sauce from this stock</el-button
    >
    <el-button v-if="draft.sauces.length > 1" text @click="emit('remove')">Take this one off</el-button>
  </div>
</template>

<style scoped>
.sauces {
  display: flex;
  flex-wrap: wrap;
  gap: var(--s2);
  align-items: center;
}
.plus {
  margin-right: 6px;
}
.sauces > button:not(.el-button) {
  min-height: var(--touch);
  padding: 0 var(--s4);
  border: 1px solid var(--line);
  border-bottom-width: 3px;
  border-radius: var(--radius);
  background: var(--surface);
  color: inherit;
  font: 700 16px var(--display);
  cursor: pointer;
}
.sauces > button[aria-pressed='true'] {
  border-bottom-color: var(--bottle);
  background: var(--wash);
}
</style>
