<script setup lang="ts">
import { SOUR_TOOLS, type SourTool } from '@lactofer/core'
import { usePreferences } from '~/stores/preferences'

/** What a maker has: every question, chore and field follows it. Asked once, changed any time. */
defineProps<{ asks?: boolean }>()
const preferences = usePreferences()
const TELLS: Record<SourTool, string> = {
  'nose and tongue': 'You are asked what you see and taste, never for a pH.',
  'paper strips': 'You are asked to look, and for a strip when it matters.',
  'pocket meter': 'You are asked for a pH daily until 4.6 is passed.',
  'bench meter': 'You are asked for a pH daily until 4.6 is passed.',
}
const WEIGHS = [
  { value: 'scale', label: 'a scale' },
  { value: 'spoons', label: 'cups and spoons' },
] as const
</script>

<template>
  <section class="sheet" aria-label="What I have">
    <h2>{{ asks ? 'What do you have at hand?' : 'What I have' }}</h2>
    <div>
      <TapField
        :model-value="preferences.sourTool"
        label="For how sour it is"
        :options="SOUR_TOOLS.map((value) => ({ value, label: value }))"
        @update:model-value="(value) => preferences.choose('sourTool', value)"
      />
      <p class="small muted">
        {{ preferences.sourTool ? TELLS[preferences.sourTool] : 'Every question and chore follows it.' }}
        A strip costs a few cents and settles most doubts.
      </p>
    </div>
    <TapField
      :model-value="preferences.weighs"
      label="For how much"
      :options="WEIGHS"
      @update:model-value="(value) => preferences.choose('weighs', value)"
    />
    <p v-if="asks" class="small muted">Changed any time in the settings.</p>
  </section>
</template>

<style scoped>
/* Two questions side by side where there is room. */
section {
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 480px), 1fr));
  gap: var(--s3) var(--s5);
}
h2,
section > p {
  grid-column: 1 / -1;
}
</style>
