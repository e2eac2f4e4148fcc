<script setup lang="ts">
import { computed } from 'vue'
import { SECOND_MS } from '@lactofer/core'
import { useNowMs } from '~/clock/clock'
import { useTimers, type KitchenTimer } from '~/stores/timers'

/** Lots that rest, on every page, until somebody says that they have. */
const timers = useTimers()
const now = useNowMs(SECOND_MS, () => timers.running)
const left = ({ untilMs }: KitchenTimer) => {
  const seconds = Math.max(0, Math.ceil((untilMs - now.value) / SECOND_MS))
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
const over = computed(() => timers.running.filter(({ untilMs }) => untilMs <= now.value))
const runs = computed(() => timers.running.filter(({ untilMs }) => untilMs > now.value))
</script>

<template>
  <div v-if="timers.running.length" class="timers">
    <p v-for="timer in runs" :key="timer.lotId" :data-timer="timer.code">
      <NuxtLink :to="`/ferment/${timer.lotId}`" class="code">{{ timer.code }}</NuxtLink> rests:
      <strong class="left">{{ left(timer) }}</strong>
      <PressButton kind="text" @click="timers.stop(timer.lotId)">Stop</PressButton>
    </p>
    <p v-for="timer in over" :key="timer.lotId" class="over" role="status" :data-timer="timer.code">
      <NuxtLink :to="`/ferment/${timer.lotId}`" class="code">{{ timer.code }}</NuxtLink> has rested. Juice should stand
      in the bowl: mix once more, so that no salt lies on top.
      <PressButton @click="timers.stop(timer.lotId)">Done</PressButton>
    </p>
  </div>
</template>

<style scoped>
.timers {
  display: grid;
  background: var(--wash);
  border-bottom: 1px solid var(--line);
}
p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: var(--s2);
  padding: var(--s1) var(--s4);
}
.left {
  font: 720 20px var(--display);
  font-variant-numeric: tabular-nums;
  min-width: 4ch;
}
.over {
  border-left: 4px solid var(--act);
}
</style>
